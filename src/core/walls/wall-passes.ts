import type { Finding } from '../checks/finding';
import { finding } from '../checks/finding';
import { SLAB_THICKNESS } from '../floors/floor';
import { platesPass } from '../floors/floor-passes';
import type { Ring } from '../geometry/polygon';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { together } from '../passes/together';
import { definePass, keyOf, partsOf, type Context, type Pass } from '../passes/pass';
import { fflPass, levelNamesPass, storeyPass, storeysOf } from '../solving/building-passes';
import { gridCurvesPass } from '../solving/grid-passes';
import { storeyAlike } from '../solving/alike';
import { holdsLevel } from '../typical/typical';
import { quantiseMm } from '../units/length-units';
import type { WallPiece } from './solved-wall';
import type { Wall } from './wall';
import { goesUpToPass } from '../pitched-roofs/goes-up-to';
import { underOver } from '../pitched-roofs/under-roof';
import { wallRuns, type CeilingOver, type RoofOver, type WallPart, type WallRun } from './wall-heights';
import type { Standing } from './piece-given';
import { misfitFinding, type Misfit } from './wall-openings';
import { floorOf, floorsPassed, goesUpBeside, placed, wallPiece } from './wall-pieces';
import { bandPassOf, stopsAtCeilingsPass } from './wall-band';
import type { Band, InPlan, WallChain } from './wall-chain';
import { partsInOwnStoreys } from './wall-storeys';
import { passingIdsPass, wallIdsPass, wallRecordPass } from './walls-standing';
import { wallsNear } from './wall-squares';
import { besidePass } from './walls-beside';
import { typedPlanPass, wallPlanPass } from './wall-plans';

/** How low and high what a wall goes up to at roofs is; by building and wall. */
const roofOver =
  (cx: Context, key: string): RoofOver =>
  (strips) =>
    underOver(cx.get(goesUpToPass, key), strips);

/** Which openings of a wall are at a level. */
const openAt = (framework: Framework, { openings }: Wall, level: Id): string =>
  openings.map(({ at }) => (at === 'all' || holdsLevel(framework, at, level) ? 1 : 0)).join('');

/** Room for openings in a wall that goes up to a slope: up to there, whatever height its level part has. */
function upToRoof(cx: Context, key: string, level: Id, { plan, topMm }: Standing) {
  const zeroMm = cx.get(fflPass, keyOf(partsOf(key)[0], level));
  const over = roofOver(cx, key);
  const highMm = over(plan.strips)?.highMm ?? -Infinity;
  const overRing = (ring: Ring) => {
    const low = over([ring]);
    return low && quantiseMm(low.lowMm - zeroMm);
  };
  return { topMm: Math.max(topMm, quantiseMm(highMm - zeroMm)), roofOver: overRing };
}

/**
 * The passes of one chain. `ceilingOver` finds the ceiling over a storey; `first` is the chain before it: what does not stop at a
 * ceiling is as it was there.
 */
export function wallChain(
  suffix: string,
  ceilingOver: (cx: Context, building: Id) => CeilingOver,
  first: WallChain | null,
): WallChain {
  const runs = definePass<{ runs: readonly WallRun[]; findings: Finding[] }>({
    name: `storeys of a wall${suffix}`,
    scope: 'thing',
    run: (cx, key) => {
      const [building] = partsOf(key);
      const record = cx.get(wallRecordPass, key);
      if (!record) return { runs: [], findings: [] };
      if (first && record.stopsAt.face !== 'ceiling') return cx.get(first.runs, key);
      const plan = cx.get(wallPlanPass, key);
      if (!plan) {
        const message = `Wall ${record.name} has no length. Draw it again`;
        return { runs: [], findings: [finding('outline.unsound', building, null, [record.id], message)] };
      }
      const parts = {
        framework: cx.framework,
        record,
        strips: plan.strips,
        under: plan.under,
        plates: cx.get(platesPass, building),
        facts: cx.facts,
      };
      const told = (run: WallPart): WallRun => ({
        ...run,
        reachMm: goesUpBeside(record) ? run.topMm + SLAB_THICKNESS.atMostMm : run.topMm,
        open: openAt(cx.framework, record, run.level),
      });
      const own = partsInOwnStoreys(cx, building, plan);
      if (own) return { runs: own.map(told), findings: [] };
      const storeys = storeysOf(cx, building);
      const over = { ceilingOver: ceilingOver(cx, building), roofOver: roofOver(cx, key) };
      const { runs, findings } = wallRuns({ ...parts, storeys, ...over });
      return { runs: runs.map(told), findings };
    },
  });
  const byLevel = definePass<ReadonlyMap<Id, readonly WallRun[]>>({
    name: `walls by storeys${suffix}`,
    scope: 'building',
    gathers: true,
    run: (cx, building): ReadonlyMap<Id, readonly WallRun[]> => {
      if (first && !cx.get(stopsAtCeilingsPass, building)) return cx.get(first.byLevel, building);
      const found = new Map<Id, WallRun[]>();
      for (const id of cx.get(wallIdsPass, building))
        for (const run of cx.get(runs, keyOf(building, id)).runs) {
          const list = found.get(run.level);
          if (list) list.push(run);
          else found.set(run.level, [run]);
        }
      return found;
    },
  });
  const at = definePass({
    name: `walls of a storey${suffix}`,
    scope: 'level',
    gathers: true,
    run: (cx, key): readonly WallRun[] => {
      const [building, level] = partsOf(key);
      return cx.get(byLevel, building).get(level) ?? [];
    },
  });
  const band = bandPassOf(suffix, at, first);
  const isSame = (cx: Context, before: WallChain, key: string): boolean =>
    cx.get(band, key) === cx.get(before.band, key);
  /** All that the walls of a storey depend on but their plans. */
  const alike = storeyAlike(`walls${suffix}`, (cx, key) => {
    const [building, level] = partsOf(key);
    if (first && isSame(cx, first, key)) return cx.get(first.alike, key);
    const storey = cx.get(storeyPass, key);
    const plates = cx.get(platesPass, building);
    const ranks = (id: Id) => plates.at(id).map((plate) => plates.all.indexOf(plate));
    const runOf = ({ wall, type, bottomMm, topMm }: Band) => `${wall} ${type} ${bottomMm} ${topMm}`;
    const own = cx.get(at, key).filter(({ passes }) => !passes);
    return [
      storey?.level.sslMm,
      ranks(level).join(),
      storey?.above ? `${storey.above.sslMm} ${ranks(storey.above.id).join()}` : '',
      own.map(runOf).join(),
      cx.get(band, key).map(runOf).join(),
      own.map(({ open }) => open).join(''),
    ].join('|');
  });
  const standing = (cx: Context, building: Id, each: Band): Standing[] => {
    const plan = cx.get(typedPlanPass, keyOf(building, each.wall, each.type));
    return plan ? [{ plan, bottomMm: each.bottomMm, topMm: each.topMm }] : [];
  };
  /** What stands in a storey by walls. */
  const bandOf = definePass({
    name: `what stands in a storey by walls${suffix}`,
    scope: 'level',
    run: (cx, key): ReadonlyMap<Id, readonly Band[]> => {
      const found = new Map<Id, Band[]>();
      for (const each of cx.get(band, key)) {
        const list = found.get(each.wall);
        if (list) list.push(each);
        else found.set(each.wall, [each]);
      }
      return found;
    },
  });
  /** How a wall stands in a storey, of its own or of another; by building, level and wall. */
  const standingIn = definePass({
    name: `how a wall stands in a storey${suffix}`,
    scope: 'thing',
    run: (cx, key): readonly Standing[] => {
      const [building, level, wall] = partsOf(key);
      const own = cx.get(bandOf, keyOf(building, level)).get(wall) ?? [];
      return own.flatMap((each) => standing(cx, building, each));
    },
  });
  const given = (cx: Context, building: Id) => ({
    framework: cx.framework,
    plates: cx.get(platesPass, building),
    facts: cx.facts,
    union: (...args: Parameters<typeof cx.profiles.union>) => cx.profiles.union(...args),
    gridCurves: () => cx.get(gridCurvesPass, building),
  });
  /** One wall of a storey, from the storey's FFL; by building, level, wall and type. */
  const piece = definePass<{ piece: WallPiece; misfits: Misfit[] } | null>({
    name: `wall in a storey${suffix}`,
    scope: 'thing',
    run: (cx, key) => {
      const [building, level, wall, type] = key.split('/') as [Id, Id, Id, Id];
      const storey = cx.get(storeyPass, keyOf(building, level));
      const run = cx.get(at, keyOf(building, level)).find((each) => each.wall === wall && each.type === type);
      const [each] = run ? standing(cx, building, run) : [];
      if (!storey || !each) return null;
      const beside = cx.get(besidePass, keyOf(building, wall, type));
      const others = beside.flatMap((id) => cx.get(standingIn, keyOf(building, level, id)));
      const parts = given(cx, building);
      const floorMm = floorOf(parts, each.plan, storey.level);
      const open = { level: storey.level, floorMm, topMm: each.topMm };
      const isToRoof = each.plan.record.stopsAt.face === 'roof';
      const within = isToRoof ? { ...open, ...upToRoof(cx, keyOf(building, wall), level, each) } : open;
      return wallPiece(parts, each, storey, others, [within]);
    },
  });
  /** Pieces of a storey that do not pass slabs, from its FFL. */
  const inPlan: Pass<InPlan> = definePass<InPlan>({
    name: `walls of a storey from its floor${suffix}`,
    scope: 'level',
    gathers: true,
    run: (cx, key) => {
      const [building, level] = partsOf(key);
      const same = cx.get(alike, key);
      if (same !== level) return cx.get(inPlan, keyOf(building, same));
      if (first && isSame(cx, first, key)) return cx.get(first.inPlan, key);
      const made = cx
        .get(at, key)
        .filter(({ passes }) => !passes)
        .flatMap(({ wall, type }) => cx.get(piece, keyOf(building, level, wall, type)) ?? []);
      return { pieces: made.map((each) => each.piece), misfits: made.flatMap(({ misfits }) => misfits) };
    },
  });
  /** Pieces of a wall that pass slabs, in the building's heights. */
  const passing = definePass<InPlan>({
    name: `wall that passes slabs${suffix}`,
    scope: 'thing',
    run: (cx, key) => {
      const [building] = partsOf(key);
      if (first && !cx.get(stopsAtCeilingsPass, building)) return cx.get(first.passing, key);
      const storeys = storeysOf(cx, building);
      const parts = given(cx, building);
      const own = cx.get(runs, key).runs.filter(({ passes }) => passes);
      const made = own.flatMap((run) => {
        const level = storeys.find(({ id }) => id === run.level)!;
        const box = cx.get(wallPlanPass, key)!.box;
        const others = wallsNear(cx, building, box).flatMap((id) =>
          cx.get(runs, keyOf(building, id)).runs.flatMap((other) => {
            const { fflMm } = storeys.find((storey) => storey.id === other.level)!;
            const there = { bottomMm: fflMm + other.bottomMm, topMm: fflMm + other.topMm };
            return standing(cx, building, { ...other, ...there });
          }),
        );
        return standing(cx, building, {
          ...run,
          bottomMm: quantiseMm(level.fflMm + run.bottomMm),
          topMm: quantiseMm(level.fflMm + run.topMm),
        }).map((each) => wallPiece(parts, each, { level, above: null }, others, floorsPassed(parts, each, storeys)));
      });
      return { pieces: made.map(({ piece }) => piece), misfits: made.flatMap(({ misfits }) => misfits) };
    },
  });
  /** Pieces of a storey in the building's heights. */
  const stands = definePass<readonly WallPiece[]>({
    name: `walls of a storey in place${suffix}`,
    scope: 'level',
    gathers: true,
    run: (cx, key) => {
      const [, level] = partsOf(key);
      const zeroMm = cx.get(fflPass, key);
      return cx.get(inPlan, key).pieces.map((piece) => placed(piece, level, zeroMm));
    },
  });
  const pieces = definePass<readonly WallPiece[]>({
    name: `walls${suffix}`,
    scope: 'building',
    gathers: true,
    run: (cx, building) => {
      if (first && !cx.get(stopsAtCeilingsPass, building)) return cx.get(first.pieces, building);
      const byWall = new Map<Id, WallPiece[]>(cx.get(wallIdsPass, building).map((id) => [id, []]));
      for (const { id } of storeysOf(cx, building))
        for (const piece of cx.get(stands, keyOf(building, id))) byWall.get(piece.wall)?.push(piece);
      for (const id of cx.get(passingIdsPass, building))
        byWall.get(id)!.push(...cx.get(passing, keyOf(building, id)).pieces);
      return together([...byWall.values()]);
    },
    failing: (cx, building) => ({
      what: 'The walls',
      building,
      about: cx.get(wallIdsPass, building),
      value: [],
    }),
  });
  const misfits = definePass<Finding[]>({
    name: `openings there is no room for${suffix}`,
    scope: 'building',
    run: (cx, building) => {
      const names = cx.get(levelNamesPass, building);
      const said = (misfit: Misfit, level: Id) => {
        const record = cx.get(wallRecordPass, keyOf(building, misfit.wall));
        return record ? [misfitFinding(record, { ...misfit, level }, names.get(level) ?? '')] : [];
      };
      const storeys = storeysOf(cx, building);
      return [
        ...storeys.flatMap(({ id }) => cx.get(inPlan, keyOf(building, id)).misfits.flatMap((each) => said(each, id))),
        ...cx
          .get(passingIdsPass, building)
          .flatMap((id) => cx.get(passing, keyOf(building, id)).misfits.flatMap((each) => said(each, each.level))),
      ];
    },
    failing: (_, building) => ({ what: 'The openings of walls', building, about: [], value: [] }),
  });
  const findings = definePass<Finding[]>({
    name: `findings of walls${suffix}`,
    scope: 'building',
    run: (cx, building) => [
      ...cx.get(wallIdsPass, building).flatMap((id) => cx.get(runs, keyOf(building, id)).findings),
      ...cx.get(misfits, building),
    ],
    failing: (_, building) => ({ what: 'The heights of walls', building, about: [], value: [] }),
  });
  return { runs, at, byLevel, alike, band, inPlan, passing, pieces, findings };
}

/** Walls as they stand before ceilings are known: rooms, and so ceilings, come from where walls stand, not from their tops. */
export const wallsBefore = wallChain(' before ceilings', () => () => null, null);
