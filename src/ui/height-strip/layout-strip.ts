import { tieTable } from '@/core/buildings/tie-table';
import type { PitchedForm } from '@/core/pitched-roofs/solve-pitched-roof';
import { assembliesOf } from '@/core/slants/assembly';
import type { Id } from '@/core/model/ids';
import type { Solved, SolvedLevel } from '@/core/solving/solved';

/** A level on the strip. `y` is in pixels from the top. */
export interface StripLevel {
  level: SolvedLevel;
  y: number;
  /** False where its name would run into a neighbour's. */
  isNamed: boolean;
}

/** A thin bar: vertical elements of a kind that run over the same levels. */
export interface StripBar {
  key: string;
  kind: 'columns' | 'shafts' | 'stairs';
  ids: Id[];
  label: string;
  top: number;
  bottom: number;
}

/** A pitched roof: from its eaves up to its ridge. */
export interface StripRoof {
  id: Id;
  label: string;
  eavesY: number;
  ridgeY: number;
  form: PitchedForm;
}

/** A level of the building beside, at the same scale above the site datum. */
export interface BesideLevel {
  level: SolvedLevel;
  y: number;
  /** Height of the level it meets in this building, on the strip, and the step from that one up to it. */
  meets: { y: number; stepMm: number } | null;
}

export interface StripLayout {
  heightPx: number;
  levels: StripLevel[];
  /** Empty when no building is shown beside. */
  beside: BesideLevel[];
  bars: StripBar[];
  roofs: StripRoof[];
  /** Pixels per millimetre. */
  scale: number;
  toMm: (y: number) => number;
  groundY: number;
}

const MARGIN = 26;
const LEAST_STOREY_PX = 15;
const LEAST_NAME_GAP_PX = 11;

/**
 * Lays the levels of a building out to scale: the whole building in the height there is, or taller when the lowest
 * storey would be too thin to hit. Levels always stay to scale.
 */
export function layStrip(solved: Solved, building: Id, roomPx: number, beside: Id | null = null): StripLayout {
  const levels = solved.levels.filter((level) => level.building === building);
  const neighbours = beside === null ? [] : solved.levels.filter((level) => level.building === beside);
  const zeroOf = (id: Id | null) => solved.buildings.find((each) => each.id === id)?.zeroMm ?? 0;
  // The building beside in heights of this one.
  const upMm = zeroOf(beside) - zeroOf(building);
  const roofs = assembliesOf(solved.assemblies, 'pitchedRoof').filter((roof) => roof.building === building);
  const heights = [
    ...levels.map(({ fflMm }) => fflMm),
    ...roofs.map(({ info }) => info.ridgeMm),
    ...neighbours.map(({ fflMm }) => fflMm + upMm),
  ];
  const [low, high] = heights.length > 0 ? [Math.min(...heights), Math.max(...heights)] : [0, 1];
  const span = Math.max(1, high - low);
  const storeys = levels.flatMap(({ storeyHeightMm }) => storeyHeightMm ?? []).sort((a, b) => a - b);
  const median = storeys[Math.floor(storeys.length / 2)] ?? span;
  const scale = Math.max((roomPx - 2 * MARGIN) / span, LEAST_STOREY_PX / median);
  const heightPx = span * scale + 2 * MARGIN;
  const toY = (mm: number) => MARGIN + (high - mm) * scale;
  const placed = levels.map((level): StripLevel => ({ level, y: toY(level.fflMm), isNamed: true }));
  let lastY = Infinity;
  for (const entry of placed) {
    if (lastY - entry.y < LEAST_NAME_GAP_PX)
      entry.isNamed = entry.level.bounding && lastY - entry.y >= LEAST_NAME_GAP_PX - 2;
    if (entry.isNamed) lastY = entry.y;
  }
  return {
    heightPx,
    levels: placed,
    bars: barsOf(solved, building, toY),
    roofs: roofs.map(({ thing, name, info }) => ({
      id: thing,
      label: `Roof ${name}`,
      eavesY: toY(info.eavesMm),
      ridgeY: toY(info.ridgeMm),
      form: info.form,
    })),
    beside: besideOf(solved, building, beside, neighbours, (level) => toY(level.fflMm + upMm)),
    scale,
    toMm: (y) => high - (y - MARGIN) / scale,
    groundY: toY(0),
  };
}

function besideOf(
  solved: Solved,
  building: Id,
  beside: Id | null,
  levels: readonly SolvedLevel[],
  yOf: (level: SolvedLevel) => number,
): BesideLevel[] {
  const ties = beside === null ? [] : tieTable(solved, building, beside);
  return levels.map((level) => {
    const y = yOf(level);
    const tie = ties.find(({ left, right }) => left && right?.id === level.id);
    if (!tie || tie.stepMm === null) return { level, y, meets: null };
    return { level, y, meets: { y: yOf({ ...level, fflMm: level.fflMm - tie.stepMm }), stepMm: tie.stepMm } };
  });
}

function barsOf(solved: Solved, building: Id, toY: (mm: number) => number): StripBar[] {
  const spans = new Map<Id, { bottom: number; top: number }>();
  for (const { stack, bottomMm, topMm, building: of } of solved.columns) {
    if (of !== building) continue;
    const span = spans.get(stack);
    spans.set(stack, {
      bottom: Math.min(span?.bottom ?? Infinity, bottomMm),
      top: Math.max(span?.top ?? -Infinity, topMm),
    });
  }
  const groups = new Map<string, StripBar>();
  for (const [stack, { bottom, top }] of spans) {
    const key = `columns ${bottom} ${top}`;
    const group = groups.get(key);
    if (group) group.ids.push(stack);
    else groups.set(key, { key, kind: 'columns', ids: [stack], label: '', top: toY(top), bottom: toY(bottom) });
  }
  const columns = [...groups.values()].sort((a, b) => b.ids.length - a.ids.length).slice(0, 6);
  for (const bar of columns) bar.label = `${bar.ids.length} column ${bar.ids.length === 1 ? 'stack' : 'stacks'}`;
  const shafts = solved.shafts
    .filter((shaft) => shaft.building === building && shaft.topMm > shaft.bottomMm)
    .slice(0, 12)
    .map(({ shaft, name, topMm, bottomMm }): StripBar => ({
      key: shaft,
      kind: 'shafts',
      ids: [shaft],
      label: `Shaft ${name}`,
      top: toY(topMm),
      bottom: toY(bottomMm),
    }));
  const heights = new Map(solved.levels.map(({ id, fflMm }) => [id, fflMm]));
  const stairs = solved.stairs
    .filter((stair) => stair.building === building && stair.levels.length > 1)
    .slice(0, 6)
    .map(({ stair, name, levels }): StripBar => ({
      key: stair,
      kind: 'stairs',
      ids: [stair],
      label: `Stair ${name}`,
      top: toY(heights.get(levels.at(-1)!) ?? 0),
      bottom: toY(heights.get(levels[0]!) ?? 0),
    }));
  return [...columns, ...shafts, ...stairs];
}
