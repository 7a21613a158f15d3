import { mkdir, writeFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { writeSpineFile } from '@/core/kinds/spine-text';
import { makeFurnished } from '../bench/furnished';
import { onPage } from './hand';
import { enterAs, openStep } from './project';

/** How far behind and how even: a frame's time is the middle one of an empty page, in the same run. */
interface Felt {
  act: string;
  /** Nine frames of ten take no longer than this, and the longest takes this, in frames of an empty page. */
  nineOfTen: number;
  longest: number;
  /** Nine of ten pointers are followed so many frames late. */
  followed?: number;
}

/** What is aimed at, on a machine that does nothing else. */
const NINE_OF_TEN_FRAMES = 2;
const LONGEST_FRAMES = 6;
/** A page that stands still for longer is not the machine's doing: something is worked out on it that belongs in the worker. */
const STOPPED_FRAMES = 60;
/** The machine does other things besides: what is felt once in so many tries is felt. */
const TRIES = 2;

/** Counts the frames of a page, and after how many of them what the pointer carries has followed it. */
const watch = (page: Page) =>
  page.evaluate(() => {
    const seen = { times: [] as number[], lags: [] as number[], isOn: true };
    let [frame, since] = [0, -1];
    const tick = (time: number) => {
      frame += 1;
      seen.times.push(time);
      if (seen.isOn) requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
    const plan = document.querySelector('svg[data-plan]');
    plan?.addEventListener('pointermove', () => (since = since < 0 ? frame : since), true);
    if (plan)
      new MutationObserver(() => {
        if (since < 0) return;
        seen.lags.push(frame - since);
        since = -1;
      }).observe(plan.parentElement!, { subtree: true, childList: true, attributes: true });
    Object.assign(window, { seen });
  });

const watched = (page: Page) =>
  page.evaluate(() => {
    const { seen } = window as unknown as { seen: { times: number[]; lags: number[]; isOn: boolean } };
    seen.isOn = false;
    return { frames: seen.times.slice(1).map((time, i) => time - seen.times[i]!), lags: seen.lags };
  });

const quantile = (list: readonly number[], part: number): number =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * part))] ?? 0;

test('in the plan of a furnished tower of 50 storeys what is moved, panned, zoomed, placed and dragged follows at once', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await page.goto('about:blank');
  await watch(page);
  for (let i = 0; i < 60; i += 1) await page.mouse.move(300 + i * 4, 300);
  const frameMs = quantile((await watched(page)).frames, 0.5);

  await enterAs(page, 'designer');
  const brought = await page.request.post('/api/projects/bring?name=tower.spine.json', {
    data: Buffer.from(writeSpineFile(makeFurnished(50))),
    headers: { 'content-type': 'application/octet-stream', origin: process.env.APP_URL! },
  });
  const { id } = (await brought.json()) as { id: string };
  await page.goto(`/projects/${id}`);
  await page.getByRole('button', { name: /^Level L20/ }).click({ timeout: 60_000 });
  const plan = page.locator('svg[data-plan]');
  await expect(
    plan
      .getByText('L20.1 Room 1')
      .or(plan.getByText('L20.1', { exact: true }))
      .first(),
  ).toBeVisible();
  const box = (await plan.boundingBox())!;
  const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 };

  const felt: Felt[] = [];
  const feel = async (act: string, work: () => Promise<void>, hasGhost = false) => {
    let best: Felt | null = null;
    for (let i = 0; i < TRIES; i += 1) {
      await page.waitForTimeout(700);
      await watch(page);
      await work();
      const { frames, lags } = await watched(page);
      const now: Felt = {
        act,
        nineOfTen: quantile(frames, 0.9) / frameMs,
        longest: Math.max(...frames) / frameMs,
        // The frame a pointer comes in is counted too: what follows within it lags by none.
        ...(hasGhost ? { followed: quantile(lags, 0.9) - 1 } : {}),
      };
      if (!best || now.longest < best.longest) best = now;
      if (best.nineOfTen <= NINE_OF_TEN_FRAMES && best.longest <= LONGEST_FRAMES) break;
    }
    felt.push(best!);
  };

  await feel('move over the plan', async () => {
    for (let i = 0; i < 80; i += 1) await page.mouse.move(middle.x - 200 + i * 5, middle.y - 100 + i * 2);
  });
  await feel('pan', async () => {
    const foot = box.y + box.height - 60;
    await page.mouse.move(middle.x, foot);
    await page.mouse.down({ button: 'middle' });
    for (let i = 0; i < 60; i += 1) await page.mouse.move(middle.x + (i < 30 ? i : 60 - i) * 4, foot);
    await page.mouse.up({ button: 'middle' });
  });
  await feel('zoom', async () => {
    await page.mouse.move(middle.x, middle.y);
    for (let i = 0; i < 24; i += 1) {
      await page.mouse.wheel(0, i < 12 ? -60 : 60);
      await page.waitForTimeout(25);
    }
  });
  await openStep(page, 'Walls');
  await feel(
    'place a wall',
    async () => {
      await page.mouse.click(middle.x - 100, middle.y + 80);
      for (let i = 0; i < 80; i += 1) await page.mouse.move(middle.x - 100 + i * 3, middle.y + 80 - i);
      await page.keyboard.press('Backspace');
    },
    true,
  );
  await page.getByRole('button', { name: 'Close the Walls tools' }).click();

  // A side of a shaft through all storeys: every slab is cut anew while it is dragged.
  const shaft = await onPage(page, 80_900, 13_000);
  await page.mouse.move(shaft.x, shaft.y);
  for (let i = 0; i < 6; i += 1) {
    await page.mouse.wheel(0, -200);
    await page.waitForTimeout(150);
  }
  const inside = await onPage(page, 80_700, 13_700);
  await page.mouse.click(inside.x, inside.y);
  const side = page.locator('[data-edge]').nth(1);
  await expect(side).toBeVisible();
  await feel('drag a side of a shaft through 50 storeys', async () => {
    const handle = (await side.boundingBox())!;
    const [x, y] = [handle.x + handle.width / 2, handle.y + handle.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    for (let i = 0; i < 60; i += 1) await page.mouse.move(x + i, y);
    await page.keyboard.press('Escape');
    await page.mouse.up();
  });

  // Nothing is written too small to be read, however far one zooms.
  for (const wheel of [0, 300, 300, 300, -700, -400]) {
    await page.mouse.wheel(0, wheel);
    await page.waitForTimeout(300);
    const small = await page.locator('svg text').evaluateAll((texts) =>
      texts.flatMap((text) => {
        const matrix = (text as SVGTextElement).getScreenCTM();
        const px = matrix ? parseFloat(getComputedStyle(text).fontSize) * Math.sqrt(matrix.a ** 2 + matrix.b ** 2) : 0;
        return px < 9.99 ? [`${text.textContent} ${px}`] : [];
      }),
    );
    expect(small).toEqual([]);
  }

  await mkdir('test-results', { recursive: true });
  const isReached = felt.every(
    (each) =>
      each.nineOfTen <= NINE_OF_TEN_FRAMES + 0.1 && each.longest <= LONGEST_FRAMES + 0.1 && (each.followed ?? 0) <= 1,
  );
  await writeFile('test-results/feel.json', JSON.stringify({ frameMs, isReached, felt }, null, 2));
  for (const { act, nineOfTen, longest, followed } of felt) {
    expect(nineOfTen, act).toBeLessThanOrEqual(STOPPED_FRAMES / 10);
    expect(longest, act).toBeLessThanOrEqual(STOPPED_FRAMES);
    if (followed !== undefined) expect(followed, act).toBeLessThanOrEqual(STOPPED_FRAMES / 10);
  }
});
