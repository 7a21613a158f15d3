import { ELSEWHERE, NO_THING, defineKind, none } from '../kinds/kind';
import { mirroredWall, renewedWall } from './wall-in-plan';
import { wallTypeRecords } from './wall-type';
import { wallRecords } from './wall';
import { clearWidthRecords } from './clear-width';

export const wallTypeKind = defineKind({
  ...NO_THING,
  records: wallTypeRecords,
  inPlan: none('It is a build, not a thing in plan'),
  inCores: false,
  shownAs: none('Its walls are drawn'),
  carriedAs: none('It is not a thing in a building'),
  step: { step: 'walls' },
});

export const wallKind = defineKind({
  ...ELSEWHERE,
  records: wallRecords,
  inPlan: {
    follows: () => null,
    renewed: renewedWall,
    mirrored: mirroredWall,
  },
  inCores: true,
  shownAs: { kind: 'walls' },
  carriedAs: {
    words: {
      exteriorWalls: 'exterior walls',
      interiorWalls: 'interior walls',
      coreWalls: 'core walls',
      doors: 'doors',
      windows: 'windows',
      plainOpenings: 'plain openings',
    },
    kind: ({ use }) => (use === 'core' ? 'coreWalls' : use === 'interior' ? 'interiorWalls' : 'exteriorWalls'),
  },
  step: { step: 'walls' },
});

export const clearWidthKind = defineKind({
  ...NO_THING,
  records: clearWidthRecords,
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
    windows: true;
    plainOpenings: true;
  }
}
