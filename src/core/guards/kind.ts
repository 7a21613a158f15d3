import { mmOf } from '../dimensions/resolve-length';
import { mirrored } from '../elements/mirror-outline';
import { turnedAbout } from '../elements/turn-in-plan';
import { plus, turned, type Point } from '../geometry/point';
import { defineKind, none } from '../kinds/kind';
import { withFreeName } from '../kinds/renewed';
import type { Framework } from '../model/framework';
import { resolvePlace } from '../outlines/resolve-place';
import { assemblySolids } from '../slants/solids-of-slants';
import { quantiseMm } from '../units/length-units';
import { guardRecords, type Guard } from './guard';
import { GUARD_COMMANDS } from './guard-commands';
import { DROP, GAP, LOW, NOTHING, SHORT } from './guard-findings';
import { GUARD_FORMS } from './guard-forms';
import { guardFindingsPass, guardsPass } from './guard-passes';
import { guardsDiffer } from './guards-differ';
import { guardsInPlan, guardsInSection } from './guards-drawn';
import { guardsInIfc } from './ifc-guards';
import { guardRows } from './report-guards';
import { guardSentence, guardsListed } from './say-guards';

/** A guard along a line with each of its places elsewhere. */
function replaced(framework: Framework, guard: Guard, to: (point: Point) => Point): Guard {
  const { along } = guard;
  if (along.of !== 'line') return guard;
  const { at, turnDeg } = resolvePlace(framework, along.place);
  const points = along.points.map(({ xMm, yMm }) => {
    const { x, y } = to(plus(at, turned({ x: mmOf(framework, xMm), y: mmOf(framework, yMm) }, turnDeg)));
    return { xMm: quantiseMm(x), yMm: quantiseMm(y) };
  });
  return { ...guard, along: { ...along, place: { lines: null, xMm: 0, yMm: 0 }, points } };
}

export const guardKind = defineKind({
  records: guardRecords,
  inPlan: {
    follows: ({ along }) => (along.of === 'line' ? null : 'follows what it runs along. Move that'),
    renewed: withFreeName,
    mirrored: (edit, guard, mirror) => replaced(edit.before, guard, (point) => mirrored(mirror, point)),
    turned: (framework, guard, turn) => replaced(framework, guard, (point) => turnedAbout(turn, point)),
  },
  inCores: false,
  shownAs: { kind: 'guards' },
  carriedAs: none('It is at all levels of what it runs along'),
  step: { step: 'stairs' },
  commands: { all: GUARD_COMMANDS },
  forms: { all: GUARD_FORMS },
  bodies: none('It leans with flights: it is worked out to an assembly'),
  assemblies: { pass: guardsPass, findings: guardFindingsPass },
  rules: { all: [DROP, LOW, GAP, SHORT, NOTHING] },
  plan: { over: guardsInPlan },
  section: guardsInSection,
  solids: assemblySolids('guard', { colour: 'walls', edges: 'ink2' }),
  space: none('It is thin, and stands on what it guards'),
  board: none('It is at all levels of what it runs along'),
  consequences: { of: guardsDiffer },
  ifc: guardsInIfc,
  report: guardRows,
  sentence: guardSentence,
  listed: guardsListed,
});
