import { mirroredDeg } from '../elements/mirror-outline';
import { mirroredInPlan } from '../elements/by-marks';
import { defineKind, none } from '../kinds/kind';
import { withFreeName } from '../kinds/renewed';
import { resolvePlace } from '../outlines/resolve-place';
import { assemblySolids } from '../slants/solids-of-slants';
import { rampsInIfc } from './ifc-ramps';
import { rampRecords } from './ramp';
import { RAMP_COMMANDS } from './ramp-commands';
import { LEVEL, LIMITS } from './ramp-findings';
import { RAMP_FORMS_TYPED } from './ramp-forms';
import { rampFindingsPass, rampsPass } from './ramp-passes';
import { rampsDiffer } from './ramps-differ';
import { rampsInPlan, rampsInSection } from './ramps-drawn';
import { rampRows } from './report-ramps';
import { rampSentence, rampsListed } from './say-ramps';

export const rampKind = defineKind({
  records: rampRecords,
  inPlan: {
    follows: () => null,
    renewed: withFreeName,
    mirrored: (edit, ramp, mirror) => {
      const { turnDeg } = resolvePlace(edit.before, ramp.place);
      return {
        ...mirroredInPlan(edit.before, ramp, mirror),
        towardsDeg: mirroredDeg(mirror, turnDeg + ramp.towardsDeg),
        turn: ramp.turn === 'left' ? 'right' : 'left',
      };
    },
  },
  inCores: false,
  shownAs: { kind: 'stairs' },
  carriedAs: none('It goes from one height to another, and is there once'),
  step: { step: 'stairs' },
  commands: { all: RAMP_COMMANDS },
  forms: { all: RAMP_FORMS_TYPED },
  bodies: none('It leans: it is worked out to an assembly'),
  assemblies: { pass: rampsPass, findings: rampFindingsPass },
  rules: { all: [LIMITS, LEVEL] },
  plan: { stairs: rampsInPlan },
  section: rampsInSection,
  solids: assemblySolids('ramp', { colour: 'stairs', edges: 'ink2' }),
  space: none('Slabs open over it; what else it meets is seen in section'),
  board: none('It is there once, between two heights'),
  consequences: { of: rampsDiffer },
  ifc: rampsInIfc,
  report: rampRows,
  sentence: rampSentence,
  listed: rampsListed,
});
