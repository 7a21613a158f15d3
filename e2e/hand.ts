import { expect, type Page } from '@playwright/test';

/** Where a point of the building is on the page. */
export async function onPage(page: Page, x: number, y: number): Promise<{ x: number; y: number }> {
  return page.locator('svg[data-plan]').evaluate(
    (svg, at) => {
      const matrix = (svg.querySelector('g') as SVGGElement).getScreenCTM()!;
      return { x: matrix.a * at.x + matrix.e, y: matrix.d * -at.y + matrix.f };
    },
    { x, y },
  );
}

/** Draws by hand and counts: each press, each key that is an act, each thing typed with its Enter. */
export class Hand {
  acts = 0;
  constructor(private readonly page: Page) {}

  async point(x: number, y: number): Promise<void> {
    const at = await onPage(this.page, x, y);
    await this.page.mouse.move(at.x - 2, at.y - 2);
    await this.page.mouse.move(at.x, at.y);
  }

  async press(x: number, y: number): Promise<void> {
    this.acts += 1;
    await this.point(x, y);
    await this.page.mouse.down();
    await this.page.mouse.up();
  }

  /** Presses with Shift, where nothing is snapped to: in round steps from the lines of the grid. */
  async pressFree(x: number, y: number): Promise<void> {
    await this.page.keyboard.down('Shift');
    await this.press(x, y);
    await this.page.keyboard.up('Shift');
  }

  async key(key: string): Promise<void> {
    this.acts += 1;
    await this.page.keyboard.press(key);
  }

  /** Types at the pointer, and takes it. */
  async type(text: string, second?: string): Promise<void> {
    this.acts += second === undefined ? 1 : 2;
    await this.page.keyboard.type(text[0]!);
    const entry = this.page.getByRole('group', { name: 'At the pointer' });
    await expect(entry).toBeVisible();
    await this.page.keyboard.type(text.slice(1));
    if (second !== undefined) {
      await this.page.keyboard.press('Tab');
      await this.page.keyboard.type(second);
    }
    await this.page.keyboard.press('Enter');
    await expect(entry).toBeHidden();
  }

  async choose(act: () => Promise<unknown>): Promise<void> {
    this.acts += 1;
    await act();
  }
}
