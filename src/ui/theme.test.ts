import { readFileSync } from 'node:fs';

/** Colours of a theme by name, from the style sheet. */
function themes(): Record<'light' | 'dark', Record<string, string>> {
  const css = readFileSync('src/app/globals.css', 'utf8');
  const tokens = (block: string) =>
    Object.fromEntries(
      [...block.matchAll(/--color-([\w-]+):\s*(#[0-9a-f]{6})/gi)].map(([, name, hex]) => [name!, hex!]),
    );
  const [lightBlock, darkBlock] = css.split('@media (prefers-color-scheme: dark)');
  const light = tokens(lightBlock!);
  return { light, dark: { ...light, ...tokens(darkBlock!.slice(0, darkBlock!.indexOf('@layer'))) } };
}

/** Contrast of two colours (WCAG 2.2, relative luminance). */
function contrast(a: string, b: string): number {
  const luminance = (hex: string) => {
    const [r, g, blue] = [1, 3, 5].map((i) => {
      const value = Number.parseInt(hex.slice(i, i + 2), 16) / 255;
      return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
    });
    return 0.2126 * r! + 0.7152 * g! + 0.0722 * blue!;
  };
  const [high, low] = [luminance(a), luminance(b)].sort((x, y) => y - x) as [number, number];
  return (high + 0.05) / (low + 0.05);
}

const WORDS = ['ink', 'ink2', 'ink3', 'now', 'look', 'wrong'];
const GROUNDS = ['film', 'sheet'];

describe.each(['light', 'dark'] as const)('the %s theme', (theme) => {
  const colours = themes()[theme];
  it.each(WORDS.flatMap((word) => GROUNDS.map((ground) => [word, ground] as const)))(
    'writes %s on %s with a contrast of 4.5 or more',
    (word, ground) => expect(contrast(colours[word]!, colours[ground]!)).toBeGreaterThanOrEqual(4.5),
  );
  it('writes on its tints and on buttons with a contrast of 4.5 or more', () => {
    for (const [word, ground] of [
      ['now', 'now-tint'],
      ['ink', 'now-tint'],
      ['ink', 'faint'],
      ['ink2', 'faint'],
      ['wrong', 'faint'],
      ['look', 'faint'],
      ['sheet', 'ink'],
      ['sheet', 'now'],
    ] as const) {
      expect([word, ground, contrast(colours[word]!, colours[ground]!) >= 4.5]).toEqual([word, ground, true]);
    }
  });
  it('keeps the kinds apart from the ground and from one another', () => {
    const kinds = ['columns', 'shafts', 'stairs', 'cores', 'roofs'];
    for (const kind of kinds) expect(contrast(colours[kind]!, colours.sheet!)).toBeGreaterThanOrEqual(3);
    expect(new Set(kinds.map((kind) => colours[kind])).size).toBe(kinds.length);
  });
});

it('contrast is as the standard computes it', () => {
  expect(contrast('#000000', '#ffffff')).toBeCloseTo(21, 5);
  expect(contrast('#777777', '#ffffff')).toBeCloseTo(4.48, 2);
});
