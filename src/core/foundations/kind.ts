import { foundationsInSpace } from './foundations-in-space';
import { foundationSolids } from './solids-of-foundations';
import { foundationsInIfc } from './ifc-foundations';
import { foundationsDiffer } from './foundations-differ';
import { foundationSentence, foundationsListed } from './say-foundations';
import { foundationRows } from './report-foundations';
import { foundationsInPlan, foundationsInSection } from './draw-foundations';
import { FOUNDATION_FORMS } from './foundation-forms';
import { FOUNDATION_COMMANDS } from './foundation-commands';
import { ELSEWHERE, defineKind, none } from '../kinds/kind';
import { withFreeName } from '../kinds/renewed';
import { foundationRecords } from './foundation';

export const foundationKind = defineKind({
  ...ELSEWHERE,
  records: foundationRecords,
  commands: { all: FOUNDATION_COMMANDS },
  forms: { all: FOUNDATION_FORMS },
  plan: { ground: foundationsInPlan },
  section: foundationsInSection,
  report: foundationRows,
  inPlan: {
    follows: ({ outline }) => (outline ? null : 'lies where what stands on it does. Move that'),
    renewed: withFreeName,
  },
  inCores: false,
  shownAs: { kind: 'foundations' },
  carriedAs: none('It stands under the building and is never carried up'),
  step: { step: 'floors' },
  sentence: foundationSentence,
  listed: foundationsListed,
  board: none('It is not carried up'),
  consequences: { of: foundationsDiffer },
  ifc: foundationsInIfc,
  solids: foundationSolids,
  space: foundationsInSpace,
});
