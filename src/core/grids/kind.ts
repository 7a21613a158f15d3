import { ELSEWHERE, NO_THING, defineKind, none } from '../kinds/kind';
import { gridRecords, gridLineRecords } from './grid';
import { presetRecords } from './preset';

export const gridKind = defineKind({
  ...ELSEWHERE,
  records: gridRecords,
  inPlan: {
    follows: () => null,
    renewed: none('A whole grid is copied and mirrored with its lines, by commands of its own'),
  },
  inCores: false,
  shownAs: { kind: 'grids' },
  carriedAs: none('Grids run through all levels'),
  step: { step: 'grids' },
});

export const gridLineKind = defineKind({
  ...ELSEWHERE,
  records: gridLineRecords,
  inPlan: none('It is moved with the grid tools, its neighbours with it'),
  inCores: false,
  shownAs: { kind: 'grids' },
  carriedAs: none('Grids run through all levels'),
  step: { step: 'grids' },
});

export const presetKind = defineKind({
  ...NO_THING,
  records: presetRecords,
  inPlan: none('It is not a thing in plan'),
  inCores: false,
  shownAs: none('It is not drawn'),
  carriedAs: none('It is not a thing in a building'),
  step: { step: 'grids' },
});
