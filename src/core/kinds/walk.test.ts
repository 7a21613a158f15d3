import { z } from 'zod';
import { marked, ref } from './marks';
import { GONE, RECORD_GONE, walkOf, type Changed } from './walk';

const length = marked(z.union([z.number(), z.object({ expr: z.string() })]), { is: 'length' });
const place = marked(z.object({ line: ref('detach').optional(), xMm: length }), { is: 'place' });
const outline = z.discriminatedUnion('type', [
  z.object({ type: z.literal('drawn'), place }),
  z.object({ type: z.literal('walls'), walls: z.array(ref('refuse')) }),
  z.object({ type: z.literal('none') }),
]);
const schema = z.object({
  id: z.string(),
  building: ref('refuse'),
  outline: outline.nullable(),
  levels: z.union([z.literal('all'), z.array(ref('detach'))]),
  pair: z.tuple([ref('follow'), z.string()]).optional(),
  zones: z.array(z.object({ level: ref('detach'), depthMm: length.nullable() })),
});
const [A, B, C, D] = ['a', 'b', 'c', 'd'].map((letter) => `00000000-0000-4000-8000-00000000000${letter}`) as [
  string,
  string,
  string,
  string,
];
const record = {
  id: 'own',
  building: A,
  outline: { type: 'drawn', place: { line: B, xMm: { expr: '2m' } } },
  levels: [C, D],
  pair: [D, 'not a reference'],
  zones: [
    { level: C, depthMm: 5 },
    { level: D, depthMm: null },
  ],
};
const walk = walkOf(schema)!;
const seen = (value: unknown, only?: string) => {
  const found: string[] = [];
  walk.see(value, (mark, at, path) => {
    if (only === undefined || mark.is === only) found.push(`${mark.is} ${path} ${JSON.stringify(at)}`);
  });
  return found;
};
const without =
  (id: string): Changed =>
  (mark, value) =>
    mark.is === 'ref' && value === id ? (mark.whenGone === 'follow' ? RECORD_GONE : GONE) : undefined;

it('tells of everything that is marked, the outer before the inner, and of nothing else', () => {
  expect(seen(record)).toEqual([
    `ref building "${A}"`,
    `place outline.place {"line":"${B}","xMm":{"expr":"2m"}}`,
    `ref outline.place.line "${B}"`,
    `length outline.place.xMm {"expr":"2m"}`,
    `ref levels "${C}"`,
    `ref levels "${D}"`,
    `ref pair "${D}"`,
    `ref zones.level "${C}"`,
    'length zones.depthMm 5',
    `ref zones.level "${D}"`,
  ]);
  expect(seen({ ...record, outline: { type: 'walls', walls: [A] }, levels: 'all', zones: [] }, 'ref')).toEqual([
    `ref building "${A}"`,
    `ref outline.walls "${A}"`,
    `ref pair "${D}"`,
  ]);
});

it('leaves what it does not change the very same object', () => {
  expect(walk.change(record, () => undefined)).toBe(record);
  const moved = walk.change(record, (mark, value) =>
    mark.is === 'place' ? { ...(value as object), xMm: 7 } : undefined,
  ) as typeof record;
  expect(moved.outline.place).toEqual({ line: B, xMm: 7 });
  expect(moved.zones).toBe(record.zones);
  expect(record.outline.place.xMm).toEqual({ expr: '2m' });
});

it('takes what goes out of the nearest list or field that may be empty, or the whole record with it', () => {
  expect(walk.change(record, without(C))).toEqual({ ...record, levels: [D], zones: [record.zones[1]] });
  expect(walk.change(record, without(B))).toEqual({
    ...record,
    outline: { type: 'drawn', place: { xMm: { expr: '2m' } } },
  });
  expect(walk.change({ ...record, outline: { type: 'walls', walls: [B] } }, without(B))).toMatchObject({
    outline: { walls: [] },
  });
  expect(walk.change(record, without(D))).toBe(RECORD_GONE);
  expect(walk.change(record, without(A))).toBe(GONE);
});

it('a schema with nothing marked has no way through', () => {
  expect(walkOf(z.object({ name: z.string(), sizes: z.array(z.number()) }))).toBeNull();
  expect(walkOf(z.array(ref('refuse')))).not.toBeNull();
});
