import fc from 'fast-check';
import { recordsOf } from '../model/framework';
import { solve } from '../solving/solve';
import { FURNISHED, given, refusal, step } from '../testing/given';
import { tieTable } from './tie-table';

const both = given(
  [
    ['buildings.add', { name: 'Annex', zeroMm: 600, xMm: '30m', yMm: -2000, turnDeg: 5.7 }],
    ['levels.setUp', { building: 'Annex', above: '4.8m 4.2m 3.9m' }],
    ['grids.add', { building: 'Annex', name: 'Annex grid', baysA: '3@6000', baysB: '2@6600' }],
    ['columns.placeAtCrossings', { building: 'Annex', lines: 'all', section: { shape: 'circle', diameterMm: 400 } }],
  ],
  given(FURNISHED),
);
const id = (name: string) => recordsOf(both, 'building').find((building) => building.name === name)!.id;
const ties = (framework = both) =>
  tieTable(solve(framework), id('Hall'), id('Annex')).map(({ left, right, stepMm }) =>
    `${left?.name ?? '–'} ${right?.name ?? '–'} ${stepMm ?? ''}`.trim(),
  );

describe('several buildings', () => {
  it('have levels, grids and columns of their own, and names that may be the same', () => {
    const solved = solve(both);
    expect(solved.levels.filter(({ name }) => name === '00')).toHaveLength(2);
    expect(solved.columns.filter(({ building }) => building === id('Annex'))).toHaveLength(12 * 3);
    expect(refusal(both, 'levels.setElevation', { level: '01', fflMm: 5500 })).toMatch(/There are 2 levels named 01/);
    expect(refusal(both, 'buildings.add', { name: 'Hall' })).toMatch(/already/);
    expect(refusal(both, 'floors.add', { outline: { type: 'gridOffset' } })).toMatch(/Say which building/);
  });

  it('move with all that stands on them: nothing of theirs is edited', () => {
    const moved = step(both, 'buildings.change', { building: 'Annex', zeroMm: 900, xMm: 31000, turnDeg: 6.1 });
    expect(moved.changes.patched).toHaveLength(1);
    expect(solve(moved.after).columns).toEqual(solve(both).columns);
    expect(solve(moved.after).buildings.find(({ name }) => name === 'Annex')).toMatchObject({
      zeroMm: 900,
      at: { x: 31000, y: -2000 },
      turnDeg: 6.1,
    });
  });
});

describe('the tie table', () => {
  it('sets the levels that meet side by side with the step between, and the others alone', () => {
    // Hall: 0, 5.4, 10.2, 15.0, 18.3, 21.6; annex on 0.6: 0.6, 5.4, 9.6, 13.5.
    expect(ties()).toEqual(['RF –', '04 –', '03 RF -1500', '02 02 -600', '01 01 0', '00 00 600', 'B1 –', 'B2 –']);
  });

  it('follows: the building raised, or one level', () => {
    const raised = step(both, 'buildings.change', { building: 'Annex', zeroMm: 1200 }).after;
    expect(ties(raised).slice(2, 6)).toEqual(['03 RF -900', '02 02 0', '01 01 600', '00 00 1200']);
  });

  it('ties no level twice and crosses no ties, wherever the buildings stand', () => {
    fc.assert(
      fc.property(fc.integer({ min: -20_000, max: 20_000 }), (zeroMm) => {
        const table = tieTable(
          solve(step(both, 'buildings.change', { building: 'Annex', zeroMm }).after),
          id('Hall'),
          id('Annex'),
        );
        const tied = table.filter(({ stepMm }) => stepMm !== null);
        expect(table.length).toBe(8 + 4 - tied.length);
        for (const [i, tie] of tied.entries()) {
          expect(Math.abs(tie.stepMm!)).toBeLessThanOrEqual(1500);
          if (i > 0) expect(tie.right!.siteMm).toBeLessThan(tied[i - 1]!.right!.siteMm);
        }
      }),
    );
  });
});
