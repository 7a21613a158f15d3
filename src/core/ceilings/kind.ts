import { ceilingsInSpace } from './ceilings-in-space';
import { ceilingSolids } from './solids-of-ceilings';
import { ceilingsInIfc, roofCeilingsInIfc } from './ifc-ceilings';
import { ceilingsDiffer } from './ceilings-differ';
import { ceilingsOnBoard } from './board-ceilings';
import { ceilingSentence, ceilingsListed } from './say-ceilings';
import { ceilingRows } from './report-ceilings';
import { ceilingsInPlan, ceilingsInSection } from './draw-ceilings';
import { CEILING_FORMS } from './ceiling-forms';
import { CEILING_COMMANDS } from './ceiling-commands';
import { ELSEWHERE, defineKind } from '../kinds/kind';
import { withFreeName } from '../kinds/renewed';
import { assemblySolids } from '../slants/solids-of-slants';
import { assembliesInSection } from '../slants/draw-slants';
import { roofCeilingFindingsPass, roofCeilingsPass } from './at-roof-passes';
import { ceilingRecords } from './ceiling';

const roofCeilingsInSection = assembliesInSection('roofCeiling', { seen: 'ceilingCut', cut: 'ceilingCut' }, 'whole');
const roofCeilingSolids = assemblySolids('roofCeiling', { colour: 'roofs' }, 'whole');

export const ceilingKind = defineKind({
  ...ELSEWHERE,
  records: ceilingRecords,
  commands: { all: CEILING_COMMANDS },
  forms: { all: CEILING_FORMS },
  plan: { ceilings: ceilingsInPlan },
  section: {
    ...ceilingsInSection,
    cut: {
      at: 'ceilings',
      draw: (solved, at) => [
        ...ceilingsInSection.cut!.draw(solved, at),
        ...(roofCeilingsInSection.cut?.draw(solved, at) ?? []),
      ],
    },
  },
  assemblies: { pass: roofCeilingsPass, findings: roofCeilingFindingsPass },
  report: ceilingRows,
  inPlan: {
    follows: ({ outline }) => (outline ? null : 'hangs in its rooms. Move their walls'),
    renewed: withFreeName,
  },
  inCores: false,
  shownAs: { kind: 'ceilings' },
  carriedAs: { words: { ceilings: 'ceilings' }, kind: () => 'ceilings' },
  step: { step: 'walls' },
  sentence: ceilingSentence,
  listed: ceilingsListed,
  board: ceilingsOnBoard,
  consequences: { of: ceilingsDiffer },
  ifc: { products: (at) => [...ceilingsInIfc.products(at), ...roofCeilingsInIfc.products(at)] },
  solids: {
    of: (solved, building) => [...ceilingSolids.of(solved, building), ...roofCeilingSolids.of(solved, building)],
  },
  space: ceilingsInSpace,
});

declare module '../kinds/carry-kinds' {
  interface CarryKinds {
    ceilings: true;
  }
}
