import { levelsLeftOut, type PlateSet } from '../floors/plates';
import { thickestSlab } from '../levels/height-budget';
import type { ResolvedLevel } from '../levels/resolve-levels';
import { recordOf, type Framework } from '../model/framework';
import { finding, type Finding } from './finding';

/** Left clear where a storey is raised because its two slabs meet, mm. */
const WALKABLE_MM = 2100;

/** Storeys lower than the slab over them, and levels without a slab. */
export function checkLevels(framework: Framework, storeys: readonly ResolvedLevel[], plates: PlateSet): Finding[] {
  return [...tooClose(storeys, plates), ...withoutSlab(framework, storeys, plates)];
}

function tooClose(storeys: readonly ResolvedLevel[], plates: PlateSet): Finding[] {
  const slabAt = thickestSlab(plates);
  return storeys.slice(1).flatMap((above, i) => {
    const level = storeys[i]!;
    const slabMm = slabAt(above.id);
    if (slabMm === 0 || above.sslMm - slabMm > level.fflMm) return [];
    const heightMm = above.fflMm - above.sslMm + slabMm + WALKABLE_MM;
    return [
      finding(
        'level.closerThanSlab',
        level.record.building,
        level.id,
        [level.id, above.id],
        `Levels ${level.record.name} and ${above.record.name} are closer than the slab between them is thick. Raise level ${above.record.name}`,
        [
          {
            words: `Raise level ${above.record.name}: ${WALKABLE_MM} mm clear`,
            command: 'levels.setHeight',
            input: { level: level.id, heightMm, mode: 'push' },
          },
        ],
      ),
    ];
  });
}

/** Levels no floor serves, in a building that has floors. A floor left out on purpose is none. */
function withoutSlab(framework: Framework, storeys: readonly ResolvedLevel[], plates: PlateSet): Finding[] {
  const { all } = plates;
  const records = [...new Set(all.map(({ record }) => record))];
  if (records.length === 0) return [];
  const leftOut = new Set(records.flatMap((record) => levelsLeftOut(framework, record, storeys)));
  return storeys.flatMap((level, i) => {
    if (plates.at(level.id).length > 0 || leftOut.has(level.id)) return [];
    const near = [...storeys.slice(0, i).reverse(), ...storeys.slice(i + 1)]
      .flatMap(({ id }) => plates.at(id))
      .find(({ record }) => recordOf(framework, 'floorPlate', record.id));
    const isAbove = near && storeys.slice(0, i).some(({ id }) => near.serves.has(id));
    return [
      finding(
        'level.noSlab',
        level.record.building,
        level.id,
        [level.id],
        `Level ${level.record.name} has no slab. Carry a floor to it, or say that it bounds no storey`,
        near
          ? [
              {
                words: `Carry ${near.record.name} to it`,
                command: 'carry.to',
                input: { ids: [near.record.id], ...(isAbove ? { topmost: level.id } : { lowest: level.id }) },
              },
            ]
          : [],
      ),
    ];
  });
}
