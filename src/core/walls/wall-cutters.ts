import { mmOf } from '../dimensions/resolve-length';
import { platesPass } from '../floors/floor-passes';
import type { Cutter } from '../floors/solve-floors';
import type { Id } from '../model/ids';
import { definePass, keyOf } from '../passes/pass';
import { storeysOf } from '../solving/building-passes';
import { quantiseMm } from '../units/length-units';
import type { WallRun } from './wall-heights';
import { wallsBefore } from './wall-passes';
import { stripsOf } from './wall-path';
import { passingIdsPass, wallRecordPass } from './walls-standing';
import { typedPlanPass } from './wall-plans';

/** Slabs kept clear of walls that pass them. */
export const wallCuttersPass = definePass({
  name: 'slabs kept clear of walls',
  scope: 'building',
  run: (cx, building): readonly Cutter[] => {
    const storeys = storeysOf(cx, building);
    const plates = cx.get(platesPass, building);
    return cx.get(passingIdsPass, building).flatMap((id): Cutter[] => {
      const { passesClearMm } = cx.get(wallRecordPass, keyOf(building, id))!;
      if (passesClearMm === null) return [];
      const clear = mmOf(cx.framework, passesClearMm);
      const byType = new Map<Id, WallRun[]>();
      for (const run of cx.get(wallsBefore.runs, keyOf(building, id)).runs)
        byType.set(run.type, [...(byType.get(run.type) ?? []), run]);
      return [...byType].flatMap(([type, runs]): Cutter[] => {
        const plan = cx.get(typedPlanPass, keyOf(building, id, type));
        if (!plan) return [];
        const { path, under } = plan;
        const rings = stripsOf(path, -clear, path.build.thicknessMm + clear).map((ring) => cx.facts.one(ring));
        const passes = (sslMm: number) =>
          runs.some((run) => {
            const { fflMm } = storeys.find((level) => level.id === run.level)!;
            return sslMm > quantiseMm(fflMm + run.bottomMm) + 1 && sslMm <= quantiseMm(fflMm + run.topMm) + 1;
          });
        const cuts = storeys
          .filter(({ sslMm }) => passes(sslMm))
          .flatMap((level) =>
            plates
              .at(level.id)
              .filter((plate) => under.has(plate))
              .flatMap((plate) => rings.map((ring) => ({ plate: plate.record.id, level: level.id, ring }))),
          );
        return [{ id, cuts }];
      });
    });
  },
});
