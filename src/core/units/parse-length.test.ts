import { parseLength } from './parse-length';

type Row = [text: string, mm: number, unit?: 'mm' | 'cm' | 'm' | 'inch' | 'ft', decimal?: '.' | ','];

const ACCEPTED: Row[] = [
  ['3450', 3450],
  ['3 450', 3450],
  ['3 450 mm', 3450],
  ['12 345 678', 12345678],
  ['3.45m', 3450],
  ['3.45 m', 3450],
  ['345cm', 3450],
  ['0.5', 0.5],
  ['.5m', 500],
  ['3450', 3450000, 'm'],
  ['3.45', 3450, 'm'],
  ['12', 304.8, 'inch'],
  ['12', 3657.6, 'ft'],
  ["11'", 3352.8],
  ['11ft', 3352.8],
  ['11 feet', 3352.8],
  ['1 foot', 304.8],
  [`11'4"`, 3454.4],
  [`11'-4"`, 3454.4],
  [`11'-4 1/2"`, 3467.1],
  [`11' 4 1/2"`, 3467.1],
  [`11' - 4"`, 3454.4],
  [`11'4`, 3454.4],
  [`11'-4`, 3454.4],
  [`7'9`, 2362.2],
  [`7'9"`, 2362.2],
  [`7′9″`, 2362.2],
  [`7’9”`, 2362.2],
  [`5 1/4"`, 133.35],
  [`1/2"`, 12.7],
  [`1/64"`, 0.396875],
  [`0'-6"`, 152.4],
  [`5.25"`, 133.35],
  ['5 in', 127],
  ['5 inches', 127],
  [`5''`, 127],
  [`11.5'`, 3505.2],
  [`11'-4.5"`, 3467.1],
  ['5 1/4', 133.35, 'inch'],
  ['3,45m', 3450, 'mm', ','],
  ['3.45m', 3450, 'mm', ','],
  [`5,25"`, 133.35, 'mm', ','],
  ['3.45m-325', 3125],
  ['3.45m - 325', 3125],
  ['2*7.5m+150', 15150],
  ['2 × 7.5m', 15000],
  ['7.5m*2', 15000],
  ['(36m-600)/4', 8850],
  ['36m/4-600', 8400],
  ['36m ÷ 4', 9000],
  ['((1m))', 1000],
  ['-450', -450],
  ['−450', -450],
  ['- 450mm', -450],
  ['+450', 450],
  ['-(1m-200)', -800],
  ['10-4', 6],
  ['2*3', 6],
  ['2*3', 6000, 'm'],
  ['10/4', 2.5],
  [`3' + 4"`, 1016],
  [`20'-2*3"`, 5943.6],
  [`11' - 4mm`, 3348.8],
  [`1m + 1' + 1"`, 1330.2],
  ['1000', 1000],
  ['0', 0],
  ['-0', 0],
  ['1000m', 1000000],
];

const REFUSED: [text: string, at: number, says: RegExp, decimal?: '.' | ','][] = [
  ['', 0, /Type a length/],
  ['   ', 0, /Type a length/],
  ['abc', 0, /no dimension named "abc"/],
  ['3m 4m', 3, /Put a sign between/],
  ['3,45', 1, /point for decimals/],
  ['3.4.5', 3, /point for decimals/],
  ['3,4,5', 3, /One decimal sign/, ','],
  ['3m+', 3, /missing at the end/],
  ['*3m', 0, /missing before "\*"/],
  ['(3m', 3, /bracket is not closed/],
  ['3m)', 2, /bracket is closed/],
  ['3m*4m', 3, /area/],
  ['3m/0', 3, /divided by zero/],
  ['3m/2m', 3, /not by a length/],
  ['3m/(1-1)', 3, /divided by zero/],
  [`11'-12"`, 3, /up to 11/],
  [`11'-4 5/4"`, 3, /less than one/],
  [`5/4"`, 0, /less than one/],
  [`11' - 4`, 3, /Say the unit/],
  ['1e5', 1, /Put a sign|no dimension/],
  ['NaN', 0, /no dimension named/],
  ['Infinity', 0, /no dimension named/],
  ['3#', 1, /no meaning/],
  ['$3', 0, /no meaning/],
  ['1000001 m', 0, /longer than 1000 km/],
  ['9'.repeat(40), 0, /longer than 1000 km/],
  ['1+'.repeat(120), 200, /at most 200/],
  ['3 meters', 2, /Put a sign|no dimension/],
  ['@3', 0, /no meaning/],
  ['{3}', 0, /no meaning/],
];

const accepted = ACCEPTED.map(([text, mm, unit = 'mm', decimal = '.']) => [text, mm, unit, decimal] as const);
const refused = REFUSED.map(([text, at, says, decimal = '.']) => [text, at, says, decimal] as const);

it.each(accepted)('reads %s as %s mm', (text, mm, unit, decimal) => {
  expect(parseLength(text, { unit, decimal })).toEqual({ ok: true, value: { mm, stored: mm } });
});

it.each(refused)('refuses %s at %s', (text, at, says, decimal) => {
  const parsed = parseLength(text, { decimal });
  expect(parsed).toMatchObject({ ok: false, refusal: { at, message: expect.stringMatching(says) } });
  if (!parsed.ok && text.length <= 200) expect(parsed.refusal.message).toMatch(/like 3450|1000 km/);
});

it('keeps named dimensions as an expression over ids, with every unit written out', () => {
  const id = '5b0a9c52-6d5e-4c0f-9a52-2f6f6b3b7f10';
  const named = (name: string) => (name === 'typical' ? { id, mm: 3300 } : undefined);
  expect(parseLength('typical - 2*10 + 1in', { named, unit: 'cm' })).toEqual({
    ok: true,
    value: { mm: 3300 - 200 + 25.4, stored: { expr: `{${id}} - 200mm + 25.4mm` } },
  });
});

it('reads a stored expression back to the same millimetres in any field', () => {
  const id = '5b0a9c52-6d5e-4c0f-9a52-2f6f6b3b7f10';
  const named = () => ({ id, mm: 3300 });
  for (const text of ['typical/2 + 150', '(typical - 30)*2', 'typical + 10/4', '2*typical-1m']) {
    for (const unit of ['mm', 'cm', 'inch'] as const) {
      const first = parseLength(text, { named, unit });
      if (!first.ok) throw new Error(text);
      const { stored, mm } = first.value;
      if (typeof stored === 'number') throw new Error(text);
      const again = parseLength(stored.expr, { byId: () => 3300, unit: 'mm' });
      expect(again).toMatchObject({ ok: true, value: { mm } });
    }
  }
});
