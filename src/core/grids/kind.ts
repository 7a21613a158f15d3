import { gridLineSentence, gridLinesListed } from './say-grids';
import { GRID_FORMS } from './grid-forms';
import { PRESET_COMMANDS } from './preset-commands';
import { GRID_COMMANDS } from './grid-commands';
import { ELSEWHERE, NO_THING, defineKind, none } from '../kinds/kind';
import { gridRecords, gridLineRecords } from './grid';
import { presetRecords } from './preset';

export const gridKind = defineKind({
  ...ELSEWHERE,
  records: gridRecords,
  commands: { all: GRID_COMMANDS },
  forms: { all: GRID_FORMS },
  plan: none('Its lines are drawn with all grids'),
  section: none('Its lines are drawn with all grids'),
  report: none('Grid lines and crossings stand in the frame of the report'),
  inPlan: {
    follows: () => null,
    renewed: none('A whole grid is copied and mirrored with its lines, by commands of its own'),
  },
  inCores: false,
  shownAs: { kind: 'grids' },
  carriedAs: none('Grids run through all levels'),
  step: { step: 'grids' },
  sentence: none('It is changed by its lines'),
  listed: none('Its lines are listed'),
  board: none('Grids run through all levels'),
  consequences: none('What stands on its lines is compared'),
  ifc: none('Grids with their axes stand in the frame of the file: formats/ifc/grids.ts'),
  solids: none('Its lines are drawn in 3D at the height of the level'),
  space: none('Its lines are drawn in 3D at the height of the level'),
});

export const gridLineKind = defineKind({
  ...ELSEWHERE,
  records: gridLineRecords,
  commands: none('They are those of grids'),
  forms: none('They are those of grids'),
  plan: none('Grids frame every drawing: drawing/draw-grids.ts'),
  section: none('Grids frame every drawing: drawing/section-marks.ts'),
  report: none('Grid lines and crossings stand in the frame of the report'),
  inPlan: none('It is moved with the grid tools, its neighbours with it'),
  inCores: false,
  shownAs: { kind: 'grids' },
  carriedAs: none('Grids run through all levels'),
  step: { step: 'grids' },
  sentence: gridLineSentence,
  listed: gridLinesListed,
  board: none('Grids run through all levels'),
  consequences: none('What stands on its lines is compared'),
  ifc: none('Grids with their axes stand in the frame of the file: formats/ifc/grids.ts'),
  solids: none('Lines are drawn in 3D at the height of the level'),
  space: none('Lines are drawn in 3D at the height of the level'),
});

export const presetKind = defineKind({
  ...NO_THING,
  records: presetRecords,
  commands: { all: PRESET_COMMANDS },
  forms: none('Nothing of it is typed in one line'),
  inPlan: none('It is not a thing in plan'),
  inCores: false,
  shownAs: none('It is not drawn'),
  carriedAs: none('It is not a thing in a building'),
  step: { step: 'grids' },
});
