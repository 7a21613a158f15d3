import type { Body } from '../bodies/body';
import type { Finding } from '../checks/finding';
import { columnsAtPass } from '../columns/column-passes';
import { platesPass } from '../floors/floor-passes';
import { bounds } from '../geometry/polygon';
import { called } from '../kinds/records';
import { budgetsPass } from '../levels/budget-passes';
import { recordOf, recordsOf } from '../model/framework';
import type { Id } from '../model/ids';
import { definePass, keyOf, type Context } from '../passes/pass';
import { flooredPass, levelNamesPass, ownRecords, storeysOf } from '../solving/building-passes';
import { wallsBefore } from '../walls/wall-passes';
import { typedPlanPass } from '../walls/wall-plans';
import { checkBeam, type Support } from './check-beams';
import { beamStrip, solveBeam, type BeamAt, type Under } from './solve-beams';

/** Columns and walls of a storey with their tops. */
const standingPass = definePass({
  name: 'what may stand under beams',
  scope: 'level',
  run: (cx, key): readonly Under[] => {
    const [building] = key.split('/') as [Id];
    return [
      ...cx.get(columnsAtPass, key).map(({ ring, topMm }) => ({ ring, topMm })),
      ...cx
        .get(wallsBefore.band, key)
        .flatMap(({ wall, type, topMm }) =>
          (cx.get(typedPlanPass, keyOf(building, wall, type))?.strips ?? []).map((ring) => ({ ring, topMm })),
        ),
    ];
  },
});

/** A beam at each of its levels. */
const beamPass = definePass<readonly BeamAt[]>({
  name: 'beam',
  scope: 'thing',
  run: (cx, id) => {
    const beam = recordOf(cx.framework, 'beam', id);
    if (!beam) return [];
    const { building } = beam;
    return solveBeam(beam, {
      framework: cx.framework,
      storeys: storeysOf(cx, building),
      floored: cx.get(flooredPass, building),
      plates: cx.get(platesPass, building),
      standing: (storey) => cx.get(standingPass, keyOf(building, storey)),
      union: (...args) => cx.profiles.union(...args),
      facts: cx.facts,
    });
  },
  failing: ({ framework }, id) => {
    const beam = recordOf(framework, 'beam', id);
    return { what: beam ? called(beam) : 'A beam', building: beam?.building ?? '', about: [id], value: [] };
  },
});

/** Beams and downstands as bodies. */
export const beamBodiesPass = definePass({
  name: 'beams',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly Body[] =>
    ownRecords(recordsOf(cx.framework, 'beam'), building).flatMap(({ id }) =>
      cx.get(beamPass, id).flatMap(({ body }) => body ?? []),
    ),
});

/** What ends of beams may rest on at a level: columns and walls of the storey under it, other beams. */
function supportsOf(cx: Context, building: Id, beam: Id) {
  const storeys = storeysOf(cx, building);
  const others = ownRecords(recordsOf(cx.framework, 'beam'), building).filter(({ id }) => id !== beam);
  return (level: Id): Support[] | null => {
    const below = storeys[storeys.findIndex(({ id }) => id === level) - 1];
    if (!below) return null;
    const key = keyOf(building, below.id);
    return [
      ...cx.get(columnsAtPass, key).map(({ ring, mark }) => ({ ring, words: `column ${mark}`, at: middleOf(ring) })),
      ...cx.get(wallsBefore.band, key).flatMap(({ wall, type }) => {
        const plan = cx.get(typedPlanPass, keyOf(building, wall, type));
        return (plan?.strips ?? []).map((ring) => ({ ring, words: `wall ${plan!.record.name}`, at: middleOf(ring) }));
      }),
      ...others.flatMap((other): Support[] => {
        const at = cx.get(beamPass, other.id).find((each) => each.level === level);
        return at ? [{ ring: at.ring, words: `beam ${other.name}`, at: middleOf(at.ring) }] : [];
      }),
    ];
  };
}

const middleOf = (ring: Parameters<typeof bounds>[0]) => {
  const { minX, maxX, minY, maxY } = bounds(ring);
  return { x: (minX + maxX) / 2, y: (minY + maxY) / 2 };
};

const beamFindings = definePass<readonly Finding[]>({
  name: 'check of a beam',
  scope: 'thing',
  run: (cx, id) => {
    const beam = recordOf(cx.framework, 'beam', id);
    if (!beam) return [];
    const { building } = beam;
    const storeys = storeysOf(cx, building);
    const under = (level: Id) => storeys[storeys.findIndex((each) => each.id === level) - 1];
    const names = cx.get(levelNamesPass, building);
    const budgets = cx.get(budgetsPass, building);
    const found = checkBeam(beam, cx.get(beamPass, id), {
      supports: supportsOf(cx, building, id),
      levelName: (level) => names.get(level) ?? '',
      budgetUnder: (level) => budgets.find((each) => each.level === under(level)?.id) ?? null,
      floorUnder: (level) => under(level)?.fflMm ?? null,
    });
    return beamStrip(cx.framework, beam) ? found : [];
  },
  failing: ({ framework }, id) => {
    const beam = recordOf(framework, 'beam', id);
    const what = `The check of ${beam ? called(beam) : 'a beam'}`;
    return { what, building: beam?.building ?? '', about: [id], value: [] };
  },
});

export const beamFindingsPass = definePass({
  name: 'check of beams',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly Finding[] =>
    ownRecords(recordsOf(cx.framework, 'beam'), building).flatMap(({ id }) => cx.get(beamFindings, id)),
});
