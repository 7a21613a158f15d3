import { SMALL_TOWER, given } from '@/core/testing/given';
import { frameworkHash } from '@/core/model/framework';
import { makeExport } from './make-export';

const tower = given(SMALL_TOWER);
const at = '2026-03-01T12:00:00.000Z';
const text = (bytes: Uint8Array) => new TextDecoder().decode(bytes);

describe('a file to hand over', () => {
  it.each([
    ['ifc', /\.ifc$/, /^ISO-10303-21;/],
    ['report', /\.report\.json$/, /^\{/],
    ['levels.csv', /\.levels\.csv$/, /Level|Name/],
    ['levels.xlsx', /\.levels\.xlsx$/, /^PK/],
  ] as const)(
    '%s has its name and its contents, and says which part of the work has begun',
    async (what, name, begins) => {
      const parts: string[] = [];
      const made = await makeExport(tower, { what, at }, (part) => parts.push(part));
      if (!made.ok) throw new Error(made.refusal.message);
      expect(made.value.name).toMatch(name);
      expect(text(made.value.bytes)).toMatch(begins);
      expect(parts).toEqual(['Working out the building', 'Writing the file']);
    },
  );

  it('is of the framework itself: the report’s fingerprint is the framework’s', async () => {
    const made = await makeExport(tower, { what: 'report', at });
    expect(made.ok && (JSON.parse(text(made.value.bytes)) as { hash: string }).hash).toBe(frameworkHash(tower));
  });

  it('of a building that is gone is refused in words', async () => {
    expect(await makeExport(tower, { what: 'levels.csv', building: 'gone', at })).toMatchObject({
      ok: false,
      refusal: { message: expect.stringContaining('Choose another') },
    });
  });
});
