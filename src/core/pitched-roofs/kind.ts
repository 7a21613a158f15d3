import type { InSection } from '../kinds/drawn';
import { defineKind, none } from '../kinds/kind';
import { withFreeName } from '../kinds/renewed';
import { assemblySolids } from '../slants/solids-of-slants';
import { pitchedRoofsOnBoard } from './board-pitched-roofs';
import { pitchedRoofsInIfc } from './ifc-pitched-roofs';
import { mirroredRoof } from './mirrored-roof';
import { pitchedRoofRecords } from './pitched-roof';
import { PITCHED_ROOF_COMMANDS } from './pitched-roof-commands';
import { PITCHED_ROOF_FORMS } from './pitched-roof-forms';
import { roofFindingsPass, roofsAndTopsPass } from './wall-top-passes';
import { wallTopsInIfc, wallTopsInPlan, wallTopsInSection } from './wall-tops-drawn';
import { BARE_EDGE, LOW_ATTIC, UNSOLVED, WALL_SHORT, WALL_THROUGH } from './pitched-roof-rules';
import { pitchedRoofsDiffer } from './pitched-roofs-differ';
import { pitchedRoofsInPlan, pitchedRoofsInSection } from './pitched-roofs-drawn';
import { roofRows } from './report-pitched-roofs';
import { pitchedRoofSentence, pitchedRoofsListed } from './say-pitched-roofs';

/** What of walls goes up to a roof is drawn with the roof, under it. */
const bothInSection = (under: InSection, over: InSection): InSection => ({
  ...(over.seen && under.seen
    ? {
        seen: {
          at: over.seen.at,
          draw: (solved, at) => [...under.seen!.draw(solved, at), ...over.seen!.draw(solved, at)],
        },
      }
    : {}),
  ...(over.cut && under.cut
    ? {
        cut: { at: over.cut.at, draw: (solved, at) => [...under.cut!.draw(solved, at), ...over.cut!.draw(solved, at)] },
      }
    : {}),
});

export const pitchedRoofKind = defineKind({
  records: pitchedRoofRecords,
  inPlan: { follows: () => null, renewed: withFreeName, mirrored: mirroredRoof },
  inCores: false,
  shownAs: { kind: 'roofs' },
  carriedAs: none('It lies on the topmost level'),
  step: { step: 'floors' },
  commands: { all: PITCHED_ROOF_COMMANDS },
  forms: { all: PITCHED_ROOF_FORMS },
  bodies: none('It leans: it is worked out to an assembly'),
  assemblies: { pass: roofsAndTopsPass, findings: roofFindingsPass },
  rules: { all: [UNSOLVED, WALL_SHORT, WALL_THROUGH, LOW_ATTIC, BARE_EDGE] },
  plan: { walls: wallTopsInPlan, over: pitchedRoofsInPlan },
  section: bothInSection(wallTopsInSection, pitchedRoofsInSection),
  solids: assemblySolids('pitchedRoof', { colour: 'roofs', edges: 'ink2' }, 'whole'),
  space: none('What it meets is seen in section'),
  board: pitchedRoofsOnBoard,
  consequences: { of: pitchedRoofsDiffer },
  ifc: { products: (at) => [...pitchedRoofsInIfc.products(at), ...wallTopsInIfc.products(at)] },
  report: roofRows,
  sentence: pitchedRoofSentence,
  listed: pitchedRoofsListed,
});
