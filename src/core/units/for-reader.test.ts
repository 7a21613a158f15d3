import { everyCommand } from '../testing/every-command';
import { solve } from '../solving/solve';
import { forReader } from './for-reader';
import { IMPERIAL, METRIC } from './format-length';

const feet = (text: string) => forReader(text, IMPERIAL);

describe('a sentence for who works in feet', () => {
  it.each([
    [
      'Level 01 raised 152.4 mm to +5.486, pushing the levels beyond',
      `Level 01 raised 0'-6" to +18'-0", pushing the levels beyond`,
    ],
    ['Moved wall W2 by 304.8 mm east, −609.6 mm north', `Moved wall W2 by 1'-0" east, −2'-0" north`],
    ['Bays typed anew: 2@6096 3048 mm', `Bays typed anew: 2@20'-0" 10'-0"`],
    ['Grid added: 2@6096 mm by 3048 mm', `Grid added: 2@20'-0" by 10'-0"`],
    [
      'Stair ST1 has 1978 mm headroom; its rule set asks for 2032 mm',
      `Stair ST1 has 6'-5 7/8" headroom; its rule set asks for 6'-8"`,
    ],
    ['Pads of 1219.2 × 1219.2 mm', `Pads of 4'-0" × 4'-0"`],
    ['Level 02 at ±0.000', `Level 02 at ±0'-0"`],
    ['Room 03.01 Hall at level 03, 46.5 m²', 'Room 03.01 Hall at level 03, 501 ft²'],
    [
      'in the same space at A-2 + −400, 3600 mm: 0.32 m³',
      `in the same space at A-2 + −1'-3 3/4", 11'-9 3/4": 11.3 ft³`,
    ],
    ['ground of 20 kN/m³', 'ground of 20 kN/m³'],
    ['5 levels named anew', '5 levels named anew'],
  ])('%s', (text, read) => {
    expect(feet(text)).toBe(read);
    expect(forReader(text, METRIC)).toBe(text);
  });

  it('speaks no millimetre, whatever was done and found', () => {
    const said = new Set<string>();
    let count = 0;
    everyCommand(5, 3, 40, ({ sentence, after }) => {
      said.add(sentence);
      // Some states, for their findings.
      if ((count += 1) % 9 === 0)
        for (const { message, fixes } of solve(after).findings)
          for (const words of [message, ...fixes.map((fix) => fix.words)]) said.add(words);
    });
    expect(said.size).toBeGreaterThan(200);
    // A length without its unit stays in millimetres and gives itself away by its size; names hold such numbers too.
    const names = /Room \d+|tag \d+|beam \d+|Use \d+|Dimension \w+/g;
    const metric = [...said].filter((text) =>
      /(?<![\w'’.-])\d{3,}(\.\d+)?(?![\w'"’-])|\bmm\b|\d+\.\d{3,}(?![\d°])/.test(
        feet(text)
          .replace(names, '')
          .replace(/[\d.]+ ft[²³]/g, '')
          // Angles are the same everywhere.
          .replace(/[\d.]+°/g, ''),
      ),
    );
    expect(metric).toEqual([]);
  });
});
