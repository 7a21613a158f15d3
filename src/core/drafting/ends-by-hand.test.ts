import { frameworkHash, recordsOf } from '../model/framework';
import { solve } from '../solving/solve';
import { afterFrom, FURNISHED, given, refusal } from '../testing/given';
import { endAt, hasEnds, sillAt } from './ends-by-hand';

const tower = given(FURNISHED);
const solved = solve(tower);
const after = afterFrom(tower);
const writing = { stepMm: 50, write: (mm: number) => String(mm) };
const level = (name: string) => solved.levels.find((each) => each.name === name)!;
const column = recordsOf(tower, 'columnStack')[0]!;
const take = (id: string, side: 'start' | 'stop', zMm: number) => endAt(tower, solved, id, side, zMm, 80, writing);

it('an end near a face of a level is on it, and elsewhere so far over the floor below, in steps', () => {
  const { id, fflMm, sslMm } = level('02');
  const slab = solved.floors.find((floor) => floor.level === id)!;
  expect(take(column.id, 'stop', fflMm + 9)).toMatchObject({ zMm: fflMm, words: 'FFL of 02' });
  expect(take(column.id, 'stop', slab.topMm - slab.thicknessMm - 30)).toMatchObject({
    zMm: slab.topMm - slab.thicknessMm,
    words: 'soffit of 02',
  });
  // Nothing starts at an underside.
  expect(take(column.id, 'start', slab.topMm - slab.thicknessMm - 30)!.words).not.toMatch(/soffit/);
  expect(take(column.id, 'start', sslMm + 1234)).toMatchObject({ zMm: sslMm + 1250, words: '1250 over SSL of 02' });
});

it('the end by hand is the one typed with the same level, face and distance', () => {
  const { sent } = take(column.id, 'stop', level('02').fflMm + 9)!;
  const byHand = after(sent.command, sent.input as never);
  const typed = after('columns.change', { columns: [column.id], stopsAt: { level: '02', face: 'FFL', offsetMm: 0 } });
  expect(frameworkHash(byHand)).toBe(frameworkHash(typed));
});

it('what goes from floor to floor is only ever on floors, and what serves levels comes to one more or less', () => {
  const stair = given(
    [['stairs.add', { name: 'ST9', well: { type: 'rectangle', place: '9000,9000', widthMm: 2700, depthMm: 5600 } }]],
    tower,
  );
  const st = recordsOf(stair, 'stair').find(({ name }) => name === 'ST9')!;
  const end = endAt(stair, solve(stair), st.id, 'stop', level('01').fflMm + 900, 10, writing)!;
  expect(end).toMatchObject({ zMm: level('01').fflMm, words: 'FFL of 01' });
  expect(afterFrom(stair)(end.sent.command, end.sent.input as never).records.get(st.id)).toMatchObject({
    stopsAt: { level: level('01').id, face: 'FFL', offsetMm: 0 },
  });
  const plate = recordsOf(tower, 'floorPlate').find(({ levels }) => 'range' in levels)!;
  const top = take(plate.id, 'stop', level('02').fflMm - 400)!;
  const fewer = after(top.sent.command, top.sent.input as never);
  expect(fewer.records.get(plate.id)).toMatchObject({ levels: { range: [expect.anything(), level('02').id] } });
  expect(hasEnds(recordsOf(tower, 'level')[0]!)).toBe(false);
});

it('a sill goes up in steps over its own floor, never under it', () => {
  const walled = given(
    [
      [
        'walls.add',
        {
          name: 'W9',
          type: { name: 'Exterior 300', layers: [{ name: 'brick', thicknessMm: 300, core: true }] },
          place: '0,-3000',
          points: [
            { xMm: 0, yMm: 0 },
            { xMm: 9000, yMm: 0 },
          ],
          startsAt: { level: '01' },
        },
      ],
      ['walls.addOpening', { wall: 'W9', opening: 'window', alongMm: 2000, sillMm: 900 }],
    ],
    tower,
  );
  const done = solve(walled);
  const [opening] = done.walls.flatMap(({ openings }) => openings);
  const at = (zMm: number) => sillAt(walled, done, opening!, zMm, writing)!;
  const up = at(level('01').fflMm + 1120);
  expect(up.words).toBe('sill 1100 over FFL of 01');
  const [moved] = solve(afterFrom(walled)(up.sent.command, up.sent.input as never)).walls.flatMap(
    (wall) => wall.openings,
  );
  expect(moved!.bottomMm).toBe(level('01').fflMm + 1100);
  expect(at(level('01').fflMm - 700).words).toBe('sill 0 over FFL of 01');
});

it('an end that cannot be is refused in words', () => {
  const end = { level: '02', face: 'soffit' as const };
  expect(refusal(tower, 'elements.setEnd', { id: column.id, side: 'start', end })).toMatch(/Nothing starts at/);
  expect(refusal(tower, 'elements.setEnd', { id: level('02').id, side: 'start', end: { level: '01' } })).toMatch(
    /does not stand between levels/,
  );
});
