import { RESHAPE_COMMANDS } from './reshape-commands';
import { openingsFollow } from './openings-follow';
import { wallCarriedAs } from './carried-as';
import { wallsInSpace } from './walls-in-space';
import { wallSolids } from './solids-of-walls';
import { wallsInIfc } from './ifc-walls';
import { wallsDiffer } from './walls-differ';
import { wallsOnBoard } from './board-walls';
import { wallSentence, wallsListed } from './say-walls';
import { wallRows } from './report-walls';
import { wallsInPlan, wallsInSection } from './walls-drawn';
import { WALL_FORMS } from './wall-forms';
import { CLEAR_WIDTH_COMMANDS } from './clear-width-commands';
import { AS_BELOW_COMMANDS } from './as-below-command';
import { PARTY_COMMANDS } from './party-command';
import { WALL_COMMANDS } from './wall-commands';
import { ELSEWHERE, NO_THING, defineKind, none } from '../kinds/kind';
import { mirroredWall, renewedWall } from './wall-in-plan';
import { wallTypeRecords } from './wall-type';
import { wallRecords } from './wall';
import { clearWidthRecords } from './clear-width';

export const wallTypeKind = defineKind({
  ...NO_THING,
  records: wallTypeRecords,
  commands: none('They are those of walls'),
  forms: none('Nothing of it is typed in one line'),
  inPlan: none('It is a build, not a thing in plan'),
  inCores: false,
  shownAs: none('Its walls are drawn'),
  carriedAs: none('It is not a thing in a building'),
  step: { step: 'walls' },
});

export const wallKind = defineKind({
  ...ELSEWHERE,
  records: wallRecords,
  commands: { all: [...WALL_COMMANDS, ...RESHAPE_COMMANDS, ...PARTY_COMMANDS, ...AS_BELOW_COMMANDS] },
  forms: { all: WALL_FORMS },
  plan: { walls: wallsInPlan },
  section: wallsInSection,
  report: wallRows,
  inPlan: {
    follows: () => null,
    renewed: renewedWall,
    mirrored: mirroredWall,
    repathed: openingsFollow,
  },
  inCores: true,
  shownAs: { kind: 'walls' },
  carriedAs: {
    words: {
      exteriorWalls: 'exterior walls',
      interiorWalls: 'interior walls',
      coreWalls: 'core walls',
      doors: 'interior doors',
      entranceDoors: 'entrance doors',
      windows: 'windows',
      plainOpenings: 'plain openings',
    },
    kind: wallCarriedAs,
  },
  step: { step: 'walls' },
  sentence: wallSentence,
  listed: wallsListed,
  board: wallsOnBoard,
  consequences: { of: wallsDiffer },
  ifc: wallsInIfc,
  solids: wallSolids,
  space: wallsInSpace,
});

export const clearWidthKind = defineKind({
  ...NO_THING,
  records: clearWidthRecords,
  commands: { all: CLEAR_WIDTH_COMMANDS },
  forms: none('Nothing of it is typed in one line'),
  inPlan: none('It follows its two walls'),
  inCores: false,
  shownAs: none('It is said in Details and Checks'),
  carriedAs: none('It is not a thing in a building'),
  step: { step: 'walls' },
});

declare module '../kinds/carry-kinds' {
  interface CarryKinds {
    exteriorWalls: true;
    interiorWalls: true;
    coreWalls: true;
    doors: true;
    entranceDoors: true;
    windows: true;
    plainOpenings: true;
  }
}
