import fc from 'fast-check';
import { formatBays, parseBays } from './parse-bays';
import { parseAngle } from './parse-angle';
import { parsePoint } from './parse-point';
import { parseSlope, slopeRatio } from './parse-slope';
import { formatArea, formatElevation, formatForEntry, formatLength, IMPERIAL, METRIC } from './format-length';
import { parseLength } from './parse-length';

const FT = 304.8;

describe('bays', () => {
  it.each<[string, number[], boolean]>([
    ['5@8100', [8100, 8100, 8100, 8100, 8100], false],
    [`3@28' 22' 2@28'`, [28 * FT, 28 * FT, 28 * FT, 22 * FT, 28 * FT, 28 * FT], false],
    ['8.1m, 5.4m, 2@7.8m', [8100, 5400, 7800, 7800], false],
    ['8.1m 5.4m', [8100, 5400], false],
    ['8.1m; 5.4m', [8100, 5400], false],
    ['7200', [7200], false],
    ['2 @ 7200', [7200, 7200], false],
    [`28'-6 1/2" 20'`, [28 * FT + 6.5 * 25.4, 20 * FT], false],
    ['0 8100 13500 21300', [8100, 5400, 7800], true],
    ['0, 8.1m, 13.5m', [8100, 5400], true],
    ['  7200 3600  ', [7200, 3600], false],
  ])('reads %s', (text, baysMm, running) => {
    const parsed = parseBays(text);
    expect(parsed.ok && parsed.value.running).toBe(running);
    expect(parsed.ok && parsed.value.baysMm.map((mm) => Math.round(mm * 1e6) / 1e6)).toEqual(
      baysMm.map((mm) => Math.round(mm * 1e6) / 1e6),
    );
  });

  it.each([
    ['', /Type the bays/],
    ['0@7200', /1 to 500/],
    ['501@7200', /1 to 500/],
    ['5@', /missing after @/],
    ['7200,', /missing at the end/],
    ['7200 -3', /longer than zero/],
    ['7200-8000', /longer than zero/],
    ['2*(7200', /./],
    ['7200+', /./],
    ['7200 0', /longer than zero/],
    ['0 5000 4000', /must grow/],
    ['0', /at least two lines/],
    ['0 2@5000', /cannot be repeated/],
    ['7200 x', /no dimension named/],
    ['7200#', /Part two bays|no meaning/],
  ])('refuses %s', (text, says) => {
    expect(parseBays(text)).toMatchObject({ ok: false, refusal: { message: expect.stringMatching(says) } });
  });

  it('are worked out like any length, the names in them kept', () => {
    const id = '00000000-0000-4000-8000-000000000001';
    const named = (name: string) => (name === 'typical' ? { id, mm: 7200 } : undefined);
    const read = (text: string, unit: 'mm' | 'ft' = 'mm') => {
      const parsed = parseBays(text, { named, unit });
      return parsed.ok ? parsed.value : parsed.refusal;
    };
    expect(read('2*7.5m+150 3@(36m - 600)/4 8100-300')).toMatchObject({
      baysMm: [15_150, 8850, 8850, 8850, 7800],
      stored: [15_150, 8850, 8850, 8850, 7800],
    });
    expect(read("7'6 2@7'6")).toMatchObject({ baysMm: [2286, 2286, 2286] });
    expect(read(`7'6" 28'-4 1/2"`)).toMatchObject({ baysMm: [2286, 8648.7] });
    expect(read('2@typical typical/2+150 3600')).toMatchObject({
      baysMm: [7200, 7200, 3750, 3600],
      stored: [{ expr: `{${id}}` }, { expr: `{${id}}` }, { expr: expect.stringContaining(id) }, 3600],
    });
    expect(read('20 10+2', 'ft')).toMatchObject({ baysMm: [6096, 3657.6] });
  });

  it('writes any list in the shortest n@ form that reads back to the same bays', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.integer({ min: 1, max: 4 }).map((n) => n * 1800),
          { minLength: 1, maxLength: 30 },
        ),
        (bays) => {
          const text = formatBays(bays);
          const parsed = parseBays(text);
          expect(parsed.ok && parsed.value.baysMm).toEqual(bays);
          const runs = bays.filter((bay, i) => bay !== bays[i - 1]).length;
          expect(text.split(' ')).toHaveLength(runs);
        },
      ),
    );
  });
});

describe('angles', () => {
  it.each([
    ['30', 30],
    ['30°', 30],
    ['30 deg', 30],
    [`12°30'`, 12.5],
    [`12° 30' 36"`, 12.51],
    ['-5.7', -5.7],
    ['−5.7°', -5.7],
    ['0', 0],
    ['-0', 0],
    ['360', 360],
  ])('reads %s', (text, degrees) => expect(parseAngle(text)).toEqual({ ok: true, value: degrees }));
  it('reads a decimal comma', () => expect(parseAngle('5,7', ',')).toEqual({ ok: true, value: 5.7 }));
  it.each(['', 'x', '361', `12°60'`, '30%', '1:3', '5,7'])('refuses %s', (text) =>
    expect(parseAngle(text).ok).toBe(false),
  );
});

describe('slopes', () => {
  it.each([
    ['1:15', 1 / 15],
    ['5:12', 5 / 12],
    ['6.67%', 0.0667],
    ['3.8°', Math.tan((3.8 * Math.PI) / 180)],
    ['0:1', 0],
    ['45°', 1],
  ])('reads %s', (text, ratio) => {
    const parsed = parseSlope(text);
    expect(parsed.ok && slopeRatio(parsed.value)).toBeCloseTo(ratio, 7);
  });
  it.each(['', '1:0', '1', '90°', '-5%', '1:2:3', 'steep'])('refuses %s', (text) =>
    expect(parseSlope(text).ok).toBe(false),
  );
  it('keeps the slope as typed', () =>
    expect(parseSlope('5:12')).toEqual({ ok: true, value: { unit: 'ratio', rise: 5, run: 12 } }));
});

describe('points', () => {
  it.each<[string, { crossing: string | null; xMm: number; yMm: number }]>([
    ['7200,6600', { crossing: null, xMm: 7200, yMm: 6600 }],
    ['7.2m, -1.5m', { crossing: null, xMm: 7200, yMm: -1500 }],
    ['C-4', { crossing: 'C-4', xMm: 0, yMm: 0 }],
    ['C-4 + 1200,300', { crossing: 'C-4', xMm: 1200, yMm: 300 }],
    ['C-4 - 1200,300', { crossing: 'C-4', xMm: -1200, yMm: -300 }],
    ['AA-12+1m,0', { crossing: 'AA-12', xMm: 1000, yMm: 0 }],
    ['D.2-4.1 + 5,5', { crossing: 'D.2-4.1', xMm: 5, yMm: 5 }],
    ['2m @ 90°', { crossing: null, xMm: 0, yMm: 2000 }],
    ['B-2 + 2m @ 180', { crossing: 'B-2', xMm: -2000, yMm: 0 }],
    [`10',20'`, { crossing: null, xMm: 3048, yMm: 6096 }],
    ['7200;6600', { crossing: null, xMm: 7200, yMm: 6600 }],
  ])('reads %s', (text, point) => expect(parsePoint(text)).toEqual({ ok: true, value: point }));
  it.each(['', '7200', '1,2,3', 'C-4 + 5', 'C-4 +', 'x,y', '2m @', '2m @ steep'])('refuses %s', (text) =>
    expect(parsePoint(text).ok).toBe(false),
  );
  it('counts the position of a fault from the start of what was typed', () => {
    expect(parsePoint('C-4 + 1200,#')).toMatchObject({ ok: false, refusal: { at: 11 } });
  });
});

describe('writing lengths', () => {
  it.each([
    [3450, '3450', `11'-3 13/16"`],
    [-325.44, '−325.4', `−1'-0 13/16"`],
    [0, '0', `0'-0"`],
    [3467.1, '3467.1', `11'-4 1/2"`],
    [304.7, '304.7', `1'-0"`],
  ])('%s', (mm, metric, imperial) => {
    expect(formatLength(mm, METRIC)).toBe(metric);
    expect(formatLength(mm, IMPERIAL)).toBe(imperial);
  });
  it('writes elevations with a sign', () => {
    expect([5400, 0, -3900].map((mm) => formatElevation(mm))).toEqual(['+5.400', '±0.000', '−3.900']);
    expect(formatElevation(5400, IMPERIAL)).toBe(`+17'-8 5/8"`);
  });
  it('writes areas', () => expect([formatArea(46.2e6), formatArea(46.2e6, IMPERIAL)]).toEqual(['46.2 m²', '497 ft²']));
  it('writes for entry what reads back the same, to 1/64" in feet and inches', () => {
    fc.assert(
      fc.property(fc.integer({ min: -(2 ** 24), max: 2 ** 24 }), (n) => {
        const [metricMm, imperialMm] = [n / 64, Math.round(((n * 25.4) / 64) * 1e6) / 1e6];
        const metric = parseLength(formatForEntry(metricMm, METRIC));
        expect(metric.ok && metric.value.mm).toBeCloseTo(metricMm, 6);
        const imperial = parseLength(formatForEntry(imperialMm, IMPERIAL).replace(/^-(.*)$/, '-($1)'));
        expect(imperial.ok && imperial.value.mm).toBeCloseTo(imperialMm, 5);
      }),
    );
  });
});
