import { mirroredInPlan } from '../elements/by-marks';
import { mirrored, mirroredDeg } from '../elements/mirror-outline';
import { turnedInPlan } from '../elements/turn-in-plan';
import { distance } from '../geometry/point';
import { defineKind, none } from '../kinds/kind';
import { withFreeName } from '../kinds/renewed';
import { resolveOutline } from '../setting-out/resolve-outline';
import { assemblySolids } from '../slants/solids-of-slants';
import { slopedFloorsInIfc } from './ifc-sloped-floors';
import { slopedFloorRows } from './report-sloped-floors';
import { slopedFloorSentence, slopedFloorsListed } from './say-sloped-floors';
import { slopedFloorRecords } from './sloped-floor';
import { SLOPED_FLOOR_COMMANDS } from './sloped-floor-commands';
import { slopedFloorFindingsPass, slopedFloorsPass } from './sloped-floor-passes';
import { CROSSFALL, STEEP, STEP, UNSOUND } from './sloped-floor-rules';
import { slopedFloorsDiffer } from './sloped-floors-differ';
import { slopedFloorsInPlan, slopedFloorsInSection } from './sloped-floors-drawn';

export const slopedFloorKind = defineKind({
  records: slopedFloorRecords,
  inPlan: {
    follows: () => null,
    renewed: withFreeName,
    mirrored: (edit, floor, mirror) => {
      const made = mirroredInPlan(edit.before, floor, mirror);
      const [was, now] = [resolveOutline(edit.before, floor.outline), resolveOutline(edit.before, made.outline)];
      // Its corners go round the other way: each height goes with its own corner.
      const heights = now?.map((corner) => {
        const own = was?.findIndex((each) => distance(mirrored(mirror, each), corner) < 0.01) ?? -1;
        return floor.heights[own] ?? floor.heights[0]!;
      });
      return {
        ...made,
        heights: heights ?? made.heights,
        alongDeg: floor.alongDeg === null ? null : mirroredDeg(mirror, floor.alongDeg),
      };
    },
    turned: (framework, floor, turn) => ({
      ...turnedInPlan(framework, floor, turn),
      alongDeg: floor.alongDeg === null ? null : (floor.alongDeg + turn.deg) % 360,
    }),
  },
  inCores: false,
  shownAs: { kind: 'floors' },
  carriedAs: none('It lies at one level'),
  step: { step: 'stairs' },
  commands: { all: SLOPED_FLOOR_COMMANDS },
  forms: none('Its corners are pressed, or typed in its tool'),
  bodies: none('It leans: it is worked out to an assembly'),
  assemblies: { pass: slopedFloorsPass, findings: slopedFloorFindingsPass },
  rules: { all: [UNSOUND, STEEP, CROSSFALL, STEP] },
  plan: { slabs: slopedFloorsInPlan },
  section: slopedFloorsInSection,
  solids: assemblySolids('slopedFloor', { colour: 'slabs', edges: 'ink2' }),
  space: none('Steps and gaps to floors beside it are found; what else it meets is seen in section'),
  board: none('It lies at one level'),
  consequences: { of: slopedFloorsDiffer },
  ifc: slopedFloorsInIfc,
  report: slopedFloorRows,
  sentence: slopedFloorSentence,
  listed: slopedFloorsListed,
});
