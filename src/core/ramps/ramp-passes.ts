import { finding, fixBy, type Finding } from '../checks/finding';
import { platesPass } from '../floors/floor-passes';
import { platesUnder, soffitMm } from '../floors/plates';
import type { Ring } from '../geometry/polygon';
import { called } from '../kinds/records';
import { recordOf, recordsOf } from '../model/framework';
import type { Id } from '../model/ids';
import { definePass } from '../passes/pass';
import type { Assembly } from '../slants/assembly';
import { flooredPass, ownRecords } from '../solving/building-passes';
import { LEVEL, LIMITS } from './ramp-findings';
import { solveRamp, tooLowUnder } from './solve-ramp';

const rampPass = definePass<Assembly<'ramp'> | null>({
  name: 'ramp',
  scope: 'thing',
  run: ({ framework }, id) => {
    const ramp = recordOf(framework, 'ramp', id);
    return ramp ? solveRamp(framework, ramp) : null;
  },
  failing: ({ framework }, id) => {
    const ramp = recordOf(framework, 'ramp', id);
    return { what: ramp ? called(ramp) : 'A ramp', building: ramp?.building ?? '', about: [id], value: null };
  },
});

export const rampsPass = definePass({
  name: 'ramps',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly Assembly[] =>
    ownRecords(recordsOf(cx.framework, 'ramp'), building).flatMap(({ id }) => cx.get(rampPass, id) ?? []),
});

/** Holes in slabs that would lie too low over a ramp. */
export const rampCutsPass = definePass({
  name: 'what ramps cut',
  scope: 'building',
  run: (cx, building) => {
    const plates = cx.get(platesPass, building);
    return ownRecords(recordsOf(cx.framework, 'ramp'), building).map(({ id }) => {
      const ramp = cx.get(rampPass, id);
      const cuts: { plate: Id; level: Id; ring: Ring }[] = [];
      if (!ramp) return { id, cuts };
      const ring = cx.facts.one(ramp.ring);
      const under = platesUnder(plates.all, ring, cx.facts);
      for (const level of cx.get(flooredPass, building)) {
        if (level.fflMm <= Math.min(ramp.info.startMm, ramp.info.startMm + ramp.info.riseMm) + 1) continue;
        const here = plates.at(level.id).filter((plate) => under.has(plate));
        if (here.length === 0) continue;
        const soffit = soffitMm(level, plates, (plate) => under.has(plate), { rings: [ring], facts: cx.facts });
        for (const hole of tooLowUnder(ramp, soffit, level.fflMm))
          for (const plate of here) cuts.push({ plate: plate.record.id, level: level.id, ring: cx.facts.one(hole) });
      }
      return { id, cuts };
    });
  },
});

export const rampFindingsPass = definePass({
  name: 'findings of ramps',
  scope: 'building',
  run: (cx, building): readonly Finding[] =>
    ownRecords(recordsOf(cx.framework, 'ramp'), building).flatMap((ramp) => {
      const made = cx.get(rampPass, ramp.id);
      const at = ramp.startsAt.level;
      if (!made) {
        const words = `Ramp ${ramp.name} starts and stops at one height, so it climbs nothing. Change where it starts or stops, or delete it`;
        const fix = fixBy('Delete it', 'elements.remove', { ids: [ramp.id] });
        return [finding(LEVEL, building, at, [ramp.id], words, [fix])];
      }
      const { verdict } = made.info;
      if (verdict === 'ok') return [];
      const words = `Ramp ${ramp.name}: ${verdict.join('; ')}. Give it more room, or let it be as long as it must be`;
      const fix = fixBy('Let it be as long as it must be', 'ramps.change', {
        ramp: ramp.id,
        runMm: null,
        slopeRatio: null,
      });
      return [finding(LIMITS, building, at, [ramp.id], words, [fix])];
    }),
});
