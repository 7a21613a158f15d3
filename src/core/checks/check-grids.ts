import { cross, dot, lengthOf, minus, type Point } from '../geometry/point';
import { directionDeg, sinDeg } from '../geometry/trig';
import type { SolvedLine } from '../solving/solved';
import { finding, fixBy, type Finding, type Fix } from './finding';

/** Grid lines of one building: labels given twice, lines too close, lines not quite parallel or square. */
export function checkGrids(lines: readonly SolvedLine[]): Finding[] {
  const buildings = new Map<string, SolvedLine[]>();
  for (const line of lines) buildings.set(line.building, [...(buildings.get(line.building) ?? []), line]);
  return [...buildings.values()].flatMap((own) => [...sameLabels(own), ...closeLines(own), ...nearlyTrue(own)]);
}

/** Two lines of one building with one label: every crossing named by it is in doubt. */
function sameLabels(lines: readonly SolvedLine[]): Finding[] {
  const groups = new Map<string, SolvedLine[]>();
  for (const line of lines) {
    if (line.label !== null) groups.set(line.label, [...(groups.get(line.label) ?? []), line]);
  }
  return [...groups.values()]
    .filter((group) => group.length > 1)
    .map((group) =>
      finding(
        'grid.duplicateLabel',
        group[0]!.building,
        null,
        group.map(({ id }) => id),
        `${group.length} grid lines are labelled ${group[0]!.label}. Give each its own label`,
        relabelFixes(group, lines),
      ),
    );
}

/** The second of two lines with one label given a free one. */
function relabelFixes(group: readonly SolvedLine[], lines: readonly SolvedLine[]): Fix[] {
  const taken = new Set(lines.map(({ label }) => label));
  const base = group[0]!.label!;
  let n = 1;
  while (taken.has(`${base}.${n}`)) n += 1;
  return group.length !== 2
    ? []
    : [
        {
          words: `Label the other one ${base}.${n}`,
          command: 'grids.relabel',
          input: { line: group[1]!.id, label: `${base}.${n}` },
        },
      ];
}

/** Lines of a direction nearer than this are found, movement joints excepted; mm. */
const LEAST_BAY_MM = 300;

function closeLines(lines: readonly SolvedLine[]): Finding[] {
  const runs = new Map<string, SolvedLine[]>();
  for (const line of lines) {
    if (line.shape === 'free' || line.bayDeg !== null) continue;
    const key = `${line.system} ${line.direction}`;
    runs.set(key, [...(runs.get(key) ?? []), line]);
  }
  return [...runs.values()].flatMap((run) => closeRuns(run).map(tooClose));
}

/** Lines that follow one another too closely, those that hang together as one. */
function closeRuns(run: readonly SolvedLine[]): SolvedLine[][] {
  const found: SolvedLine[][] = [];
  run.slice(1).forEach((line, i) => {
    const before = run[i]!;
    const isPair = line.jointOf === before.id;
    const neverMeet = line.side !== before.side && line.side !== 'both' && before.side !== 'both';
    if (isPair || neverMeet || line.bayMm >= LEAST_BAY_MM) return;
    if (found.at(-1)?.at(-1) === before) found.at(-1)!.push(line);
    else found.push([before, line]);
  });
  return found;
}

function tooClose(lines: readonly SolvedLine[]): Finding {
  const name = (each: SolvedLine) => each.label ?? 'without a label';
  const [first, last] = [lines[0]!, lines.at(-1)!];
  const leastMm = Math.round(Math.min(...lines.slice(1).map(({ bayMm }) => bayMm)));
  const words =
    lines.length === 2
      ? `Grid lines ${name(first)} and ${name(last)} are only ${leastMm} mm apart. Move or remove one, or make them a movement joint`
      : `The ${lines.length} grid lines from ${name(first)} to ${name(last)} are as little as ${leastMm} mm apart. Check the unit of the bays, or remove those that are not meant`;
  return finding(
    'grid.closeLines',
    first.building,
    null,
    lines.map(({ id }) => id),
    words,
    [fixBy(`Remove line ${name(last)}`, 'grids.removeLine', { line: last.id })],
  );
}

/** Angles off parallel or square by less than this are hardly meant; degrees. */
const NEARLY = sinDeg(0.5);
/** Directions this near are the same; the sine of the angle. */
const SAME = 1e-6;

/** Free lines and systems that are not quite parallel or square to one another: one finding per pair of directions. */
function nearlyTrue(lines: readonly SolvedLine[]): Finding[] {
  const directions: { line: SolvedLine; way: Point }[] = [];
  for (const line of lines) {
    if (line.curve.kind !== 'segment' || line.shape === 'radial') continue;
    const way = minus(line.curve.to, line.curve.from);
    const size = lengthOf(way) || 1;
    const unit = { x: way.x / size, y: way.y / size };
    const isKnown = directions.some(
      (each) => each.line.system === line.system && Math.abs(cross(each.way, unit)) < SAME,
    );
    if (!isKnown) directions.push({ line, way: unit });
  }
  return directions.flatMap((a, i) =>
    directions.slice(i + 1).flatMap((b) => {
      const [sine, cosine] = [Math.abs(cross(a.way, b.way)), Math.abs(dot(a.way, b.way))];
      const off = Math.min(sine, cosine);
      if (off < SAME || off > NEARLY) return [];
      const degrees = directionDeg(off, Math.sqrt(1 - off * off)).toFixed(2);
      const how = sine < cosine ? 'parallel' : 'square';
      const name = ({ line }: { line: SolvedLine }) => line.label ?? 'without a label';
      return finding(
        'grid.nearlyTrue',
        a.line.building,
        null,
        [a.line.id, b.line.id],
        `Grid lines ${name(a)} and ${name(b)} are ${degrees}° off ${how}. Turn one of them`,
      );
    }),
  );
}
