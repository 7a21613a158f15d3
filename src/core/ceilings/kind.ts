import { ceilingsInSpace } from './ceilings-in-space';
import { ceilingSolids } from './solids-of-ceilings';
import { ceilingsInIfc } from './ifc-ceilings';
import { ceilingsDiffer } from './ceilings-differ';
import { ceilingsOnBoard } from './board-ceilings';
import { ceilingSentence, ceilingsListed } from './say-ceilings';
import { ceilingRows } from './report-ceilings';
import { ceilingsInPlan, ceilingsInSection } from './draw-ceilings';
import { CEILING_FORMS } from './ceiling-forms';
import { CEILING_COMMANDS } from './ceiling-commands';
import { ELSEWHERE, defineKind } from '../kinds/kind';
import { withFreeName } from '../kinds/renewed';
import { ceilingRecords } from './ceiling';

export const ceilingKind = defineKind({
  ...ELSEWHERE,
  records: ceilingRecords,
  commands: { all: CEILING_COMMANDS },
  forms: { all: CEILING_FORMS },
  plan: { ceilings: ceilingsInPlan },
  section: ceilingsInSection,
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
  ifc: ceilingsInIfc,
  solids: ceilingSolids,
  space: ceilingsInSpace,
});

declare module '../kinds/carry-kinds' {
  interface CarryKinds {
    ceilings: true;
  }
}
