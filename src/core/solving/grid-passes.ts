import { checkGrids } from '../checks/check-grids';
import type { Finding } from '../checks/finding';
import type { Curve } from '../geometry/curve';
import { solveGrids } from '../grids/solve-grids';
import { definePass } from '../passes/pass';
import { buildingsPass } from './building-passes';
import type { Solved } from './solved';

type Grids = Pick<Solved, 'lines' | 'settingOut' | 'crossings'> & { findings: readonly Finding[] };

export const gridsPass = definePass<Grids>({
  name: 'grids',
  scope: 'project',
  run: ({ framework }) => {
    const made = solveGrids(framework);
    return { ...made, findings: checkGrids(made.lines) };
  },
  failing: (cx) => ({
    what: 'The grids',
    building: cx.get(buildingsPass, '')[0]?.id ?? '',
    about: [],
    value: { lines: [], settingOut: [], crossings: [], findings: [] },
  }),
});

/** The lines of the grids of a building, as they run. */
export const gridCurvesPass = definePass({
  name: 'lines of grids of a building',
  scope: 'building',
  run: (cx, building): readonly Curve[] =>
    cx
      .get(gridsPass, '')
      .lines.filter((line) => line.building === building)
      .map(({ curve }) => curve),
});
