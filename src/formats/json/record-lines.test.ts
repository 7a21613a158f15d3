import { frameworkHash } from '@/core/model/framework';
import { FURNISHED, given } from '@/core/testing/given';
import { frameworkOfLines, recordLines } from './record-lines';

const tower = given(FURNISHED);

it('a framework goes over as lines and comes back as it was', async () => {
  expect(frameworkHash(frameworkOfLines(await recordLines(tower)))).toBe(frameworkHash(tower));
  expect(frameworkOfLines(await recordLines({ records: new Map() })).records.size).toBe(0);
});

it('a large one is written in pieces, and others get their turn between them', async () => {
  const many = Array.from({ length: 50 }, (_, i) =>
    [...tower.records].map(([id, rec]) => [`${i} ${id}`, rec] as const),
  );
  let turns = 0;
  let isDone = false;
  const takeTurn = () => {
    turns += 1;
    if (!isDone) setImmediate(takeTurn);
  };
  setImmediate(takeTurn);
  await recordLines({ records: new Map(many.flat()) });
  isDone = true;
  expect(turns).toBeGreaterThan(3);
});
