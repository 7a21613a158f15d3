import { mmOf } from '../dimensions/resolve-length';
import { endsOf } from '../geometry/curve';
import { levelById } from '../levels/resolve-levels';
import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { edgeOf, heldLine } from '../setting-out/held-line';
import type { Solved } from '../solving/solved';
import { buildingCrossings } from './crossings';
import { gridsOf } from './resolve-grids';

interface Range {
  lowMm: number | null;
  highMm: number | null;
}

/** Grid lines, setting-out lines and crossings, with the heights they are there between. */
export function solveGrids(framework: Framework): Pick<Solved, 'lines' | 'settingOut' | 'crossings'> {
  const solved: Pick<Solved, 'lines' | 'settingOut' | 'crossings'> = { lines: [], settingOut: [], crossings: [] };
  const heightOf = (level: Id | null): number | null =>
    level === null ? null : (levelById(framework, level)?.fflMm ?? null);
  const ranges = new Map<Id, Range>();
  const rangeOf = (line: { id: Id; fromLevel: Id | null; toLevel: Id | null }): Range => {
    const range = { lowMm: heightOf(line.fromLevel), highMm: heightOf(line.toLevel) };
    ranges.set(line.id, range);
    return range;
  };
  for (const grid of gridsOf(framework)) {
    const { building, shape, bubble } = grid.record;
    for (const line of [...grid.a, ...grid.b]) {
      const { id, direction, label, offsetMm, bayMm, offsetDeg, bayDeg, curve, ends, heads, record } = line;
      solved.lines.push({
        id,
        system: grid.id,
        building,
        direction,
        label,
        minor: record.minor,
        offsetMm,
        bayMm,
        offsetDeg,
        bayDeg,
        shape,
        side: record.side,
        curve,
        ends,
        heads,
        bubble,
        jointOf: record.jointOf,
        ...rangeOf(line),
      });
    }
  }
  for (const record of recordsOf(framework, 'settingOutLine')) {
    const axis = heldLine(framework, record.id);
    if (!axis) continue;
    solved.settingOut.push({
      id: record.id,
      building: record.building,
      name: record.name,
      source: record.source,
      from: record.edge === null ? null : (edgeOf(framework, record.source, record.edge)?.label ?? null),
      offsetMm: mmOf(framework, record.offsetMm),
      locked: record.locked,
      curve: axis.curve,
      ends: endsOf(axis.curve),
      ...rangeOf(axis),
    });
  }
  for (const { id: building } of recordsOf(framework, 'building')) {
    for (const { label, lines, nth, at } of buildingCrossings(framework, building)) {
      const [a, b] = lines.map((id) => ranges.get(id) ?? { lowMm: null, highMm: null });
      solved.crossings.push({ label, lines, building, nth, at, ...both(a!, b!) });
    }
  }
  return solved;
}

/** Where both of two ranges hold. */
function both(a: Range, b: Range): Range {
  const pick = (values: (number | null)[], choose: (...numbers: number[]) => number) => {
    const known = values.filter((value) => value !== null);
    return known.length > 0 ? choose(...known) : null;
  };
  return { lowMm: pick([a.lowMm, b.lowMm], Math.max), highMm: pick([a.highMm, b.highMm], Math.min) };
}
