import { mmOf } from '../dimensions/resolve-length';
import type { Ring } from '../geometry/polygon';
import { levelsOf, storeyLevels, type LevelHeights, type ResolvedLevel } from '../levels/resolve-levels';
import type { Rec } from '../model/kinds';
import { recordOf, recordsOf } from '../model/framework';
import { definePass, partsOf, type Context } from '../passes/pass';
import { resolveOutline } from '../setting-out/resolve-outline';
import { quantiseMm } from '../units/length-units';
import type { SolvedBuilding, SolvedLevel } from './solved';
import type { SurveyMm } from '../buildings/survey';

/** Where the project stands in the survey. */
export const surveyPass = definePass({
  name: 'survey',
  scope: 'project',
  run: ({ framework }): SurveyMm | null => {
    const survey = recordsOf(framework, 'project')[0]?.survey;
    if (!survey) return null;
    const { eastingMm, northingMm, heightMm, trueNorthDeg } = survey;
    const mm = (length: typeof eastingMm) => mmOf(framework, length);
    return { eastingMm: mm(eastingMm), northingMm: mm(northingMm), heightMm: mm(heightMm), trueNorthDeg };
  },
});

export const buildingsPass = definePass({
  name: 'buildings',
  scope: 'project',
  run: ({ framework }): SolvedBuilding[] =>
    recordsOf(framework, 'building').map((building) => ({
      id: building.id,
      name: building.name,
      zeroMm: mmOf(framework, building.zeroMm),
      at: { x: mmOf(framework, building.xMm), y: mmOf(framework, building.yMm) },
      turnDeg: building.turnDeg,
    })),
});

/** Records of a kind in a building. */
export const ownRecords = <R extends Rec & { building: string }>(records: readonly R[], building: string): R[] =>
  records.filter((record) => record.building === building);

/** The parts of the plan that mezzanines take, by level. */
export const extentsPass = definePass({
  name: 'extents of mezzanines',
  scope: 'building',
  run: ({ framework }, building): ReadonlyMap<string, Ring | null> =>
    new Map(
      levelsOf(framework, building).flatMap(({ id, record }): [string, Ring | null][] =>
        record.levelKind === 'mezzanine' && record.extent ? [[id, resolveOutline(framework, record.extent)]] : [],
      ),
    ),
});

/** Levels as they are shown, from the lowest up. */
export const levelRowsPass = definePass({
  name: 'levels as shown',
  scope: 'building',
  run: (cx, building): SolvedLevel[] => {
    const extents = cx.get(extentsPass, building);
    return levelsOf(cx.framework, building).map(({ id, record, fflMm, sslMm, storeyHeightMm, bounding }) => {
      const { name, levelKind } = record;
      const { title, locked } = recordOf(cx.framework, 'level', id)!;
      const extent = extents.get(id) ?? null;
      const heights = { fflMm, sslMm, storeyHeightMm };
      return { id, building, name, title, levelKind, locked, bounding, ...heights, extent };
    });
  },
});

export const storeysOf = ({ framework }: Context, building: string): readonly ResolvedLevel[] =>
  storeyLevels(framework, building);

/** Slabs may lie on mezzanines too; columns are parted there only within its extent. */
export const flooredPass = definePass({
  name: 'levels with floors',
  scope: 'building',
  run: ({ framework }, building): readonly ResolvedLevel[] =>
    levelsOf(framework, building).filter(({ record, bounding }) => bounding || record.levelKind === 'mezzanine'),
});

export const levelNamesPass = definePass({
  name: 'names of levels',
  scope: 'building',
  run: ({ framework }, building): ReadonlyMap<string, string> =>
    new Map(levelsOf(framework, building).map(({ id, record }) => [id, record.name])),
});

/** A storey with its heights counted from its own FFL: what does not change when it is pushed up or down. */
export interface Storey {
  level: LevelHeights;
  above: LevelHeights | null;
}

const storeyIndexPass = definePass({
  name: 'storeys from their own floors',
  scope: 'building',
  run: (cx, building): ReadonlyMap<string, Storey> => {
    const storeys = storeysOf(cx, building);
    return new Map(
      storeys.map((level, i) => {
        const above = storeys[i + 1];
        return [level.id, { level: from(level, level.fflMm), above: above ? from(above, level.fflMm) : null }];
      }),
    );
  },
});

/** A level with its heights counted from another height. */
const from = ({ id, fflMm, sslMm }: ResolvedLevel, zeroMm: number): LevelHeights => ({
  id,
  fflMm: quantiseMm(fflMm - zeroMm),
  sslMm: quantiseMm(sslMm - zeroMm),
});

/** One storey with its heights counted from its own FFL, by building and level. */
export const storeyPass = definePass({
  name: 'storey from its own floor',
  scope: 'level',
  run: (cx, key): Storey | null => {
    const [building, level] = partsOf(key);
    return cx.get(storeyIndexPass, building).get(level) ?? null;
  },
});

/** FFL of a storey, by building and level. */
export const fflPass = definePass({
  name: 'FFL',
  scope: 'level',
  run: (cx, key): number => {
    const [building, level] = partsOf(key);
    return storeysOf(cx, building).find(({ id }) => id === level)?.fflMm ?? 0;
  },
});
