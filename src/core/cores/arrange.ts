/** What stands in a core beside its lobby, as it may be put against it. */
export interface Way {
  /** Along the lobby, and away from it, clear of walls. */
  frontMm: number;
  depthMm: number;
  /** The stretch of its front that its door is in, from the end with the lower x or y. */
  door: readonly [fromMm: number, toMm: number];
  /** How it lies: its front to the lobby, or turned, so that its front is at the end with the lower or the higher x or y. */
  turned: 'no' | 'low' | 'high';
}

/** Things of a brief that are alike, with the ways one may be put. */
export interface Wanted {
  of: 'lift' | 'stair' | 'service';
  count: number;
  ways: readonly Way[];
}

/** Widths that all arrangements keep. */
export interface Clear {
  lobbyMm: number;
  /** Of walls between one and the next. */
  wallMm: number;
}

/** A thing in its way; `wanted`: its place in the brief. */
export interface Put {
  wanted: number;
  way: Way;
}

/** Which of the rows a thing at the lobby's end shuts off from going on beside it. */
export type Shuts = 'both' | 'above' | 'below' | 'neither';

/**
 * Things about a straight lobby: a row above it and one below, from left to right, and one at either end. `xMm`, `yMm`: the least
 * it takes along the lobby and across.
 */
export interface Arrangement {
  above: readonly Put[];
  below: readonly Put[];
  left: (Put & { shuts: Shuts }) | null;
  right: (Put & { shuts: Shuts }) | null;
  xMm: number;
  yMm: number;
  /** Least depth under and over the lobby. */
  lowMm: number;
  highMm: number;
  lobbyLengthMm: number;
}

const SHUTS: readonly Shuts[] = ['neither', 'above', 'below', 'both'];

/** Depth that a thing at the lobby's end asks for below and above the lobby; null where its door would not be on the lobby. */
function endNeeds(
  { way }: Put,
  shuts: Shuts,
  lobbyMm: number,
): { lowMm: number; highMm: number; leastMm: number } | null {
  const { frontMm, door } = way;
  if (door[1] - door[0] > lobbyMm) return null;
  switch (shuts) {
    case 'neither':
      return frontMm <= lobbyMm ? { lowMm: 0, highMm: lobbyMm, leastMm: 0 } : null;
    case 'below':
      // Level with the lobby's upper side.
      return door[0] >= frontMm - lobbyMm ? { lowMm: frontMm - lobbyMm, highMm: lobbyMm, leastMm: 0 } : null;
    case 'above':
      return door[1] <= lobbyMm ? { lowMm: 0, highMm: frontMm, leastMm: 0 } : null;
    case 'both':
      return { lowMm: door[1] - lobbyMm, highMm: frontMm - door[0], leastMm: frontMm };
  }
}

const shutsRow = (end: { shuts: Shuts } | null, row: 'above' | 'below'): boolean =>
  end !== null && (end.shuts === 'both' || end.shuts === row);

const lengthOfRow = (row: readonly Put[], wallMm: number): number =>
  row.reduce((sum, { way }) => sum + way.frontMm + wallMm, -wallMm);

/** What an arrangement takes at least; null where it cannot be. */
function sized(
  parts: Pick<Arrangement, 'above' | 'below' | 'left' | 'right'>,
  { lobbyMm, wallMm }: Clear,
): Arrangement | null {
  const { above, below, left, right } = parts;
  const deepest = (row: readonly Put[]) =>
    row.length === 0 ? 0 : wallMm + Math.max(...row.map(({ way }) => way.depthMm));
  let [lowMm, highMm, leastMm] = [deepest(below), lobbyMm + deepest(above), 0];
  for (const end of [left, right]) {
    if (!end) continue;
    const needs = endNeeds(end, end.shuts, lobbyMm);
    if (!needs) return null;
    lowMm = Math.max(lowMm, needs.lowMm);
    highMm = Math.max(highMm, needs.highMm);
    leastMm = Math.max(leastMm, needs.leastMm);
  }
  const isOnEdge = highMm === lobbyMm || lowMm === 0;
  // One has to get out of the lobby: by an end, or by a side of it that lies at the core's edge.
  if (left && right && !isOnEdge) return null;
  const startMm = left ? left.way.depthMm + wallMm : 0;
  const beyondMm = right ? right.way.depthMm + wallMm : 0;
  let lobbyLengthMm = lobbyMm;
  for (const [row, name] of [
    [above, 'above'],
    [below, 'below'],
  ] as const) {
    const [first, last] = [row[0], row.at(-1)];
    if (!first || !last) continue;
    const length = lengthOfRow(row, wallMm);
    const from = rowStart(left, first, name, startMm);
    const end = from + length;
    const past = shutsRow(right, name) ? 0 : last.way.frontMm - last.way.door[1];
    lobbyLengthMm = Math.max(
      lobbyLengthMm,
      end - startMm - past,
      end - startMm - (shutsRow(right, name) ? 0 : beyondMm),
    );
  }
  return {
    ...parts,
    xMm: startMm + lobbyLengthMm + beyondMm,
    yMm: Math.max(lowMm + highMm, leastMm),
    lowMm,
    highMm,
    lobbyLengthMm,
  };
}

/** Where a row begins: beside what stands at the lobby's left end as far as its first door lets it. */
const rowStart = (left: Arrangement['left'], first: Put, row: 'above' | 'below', startMm: number): number =>
  shutsRow(left, row) ? startMm : Math.max(0, startMm - first.way.door[0]);

/** Where its things stand in a core of some size: from its lower left corner, along the lobby and across. */
export interface Standing {
  lobby: Box;
  things: (Put & { box: Box; side: 'above' | 'below' | 'left' | 'right' })[];
}
export interface Box {
  x: number;
  y: number;
  w: number;
  d: number;
}

export function standing(arrangement: Arrangement, { lobbyMm, wallMm }: Clear, xMm: number, yMm: number): Standing {
  const { above, below, left, right, lowMm, highMm } = arrangement;
  const startMm = left ? left.way.depthMm + wallMm : 0;
  const endMm = xMm - (right ? right.way.depthMm + wallMm : 0);
  // What is left over lies beyond the row above, or below where the lobby lies at the upper edge.
  const y0 = highMm === lobbyMm && lowMm > 0 ? yMm - lobbyMm : lowMm;
  const things: Standing['things'] = [];
  for (const [row, side] of [
    [above, 'above'],
    [below, 'below'],
  ] as const) {
    let x = row[0] ? rowStart(left, row[0], side, startMm) : 0;
    for (const put of row) {
      const { frontMm: w, depthMm: d } = put.way;
      things.push({ ...put, side, box: { x, y: side === 'above' ? y0 + lobbyMm + wallMm : y0 - wallMm - d, w, d } });
      x += w + wallMm;
    }
  }
  for (const [end, side] of [
    [left, 'left'],
    [right, 'right'],
  ] as const) {
    if (!end) continue;
    const { frontMm, depthMm, door } = end.way;
    const y =
      end.shuts === 'below'
        ? y0 + lobbyMm - frontMm
        : end.shuts === 'both'
          ? Math.min(yMm - frontMm, Math.max(0, y0 + (lobbyMm - door[0] - door[1]) / 2))
          : y0;
    const x = side === 'left' ? 0 : xMm - depthMm;
    things.push({ wanted: end.wanted, way: end.way, side, box: { x, y, w: depthMm, d: frontMm } });
  }
  return { lobby: { x: startMm, y: y0, w: endMm - startMm, d: lobbyMm }, things };
}

/** Every way to take some of each. */
function* takes(counts: readonly number[]): Generator<number[]> {
  const [first, ...rest] = counts;
  if (first === undefined) {
    yield [];
    return;
  }
  for (let n = 0; n <= first; n += 1) for (const others of takes(rest)) yield [n, ...others];
}

/** Sides of a row at which its first or last thing goes on beside what stands at the lobby's end. */
interface Free {
  left: boolean;
  right: boolean;
}

/**
 * Every row of so many of each, in every way each may lie, as far as it matters: where a row ends beside something the thing that
 * is there does, and which way its door lies; the others stand in the order of the brief.
 */
function* rowsOf(wanted: readonly Wanted[], counts: readonly number[], free: Free): Generator<Put[]> {
  const isFree = free.left || free.right;
  for (const row of waysOf(wanted, counts, 0, isFree)) {
    if (!isFree || row.length < 2) {
      yield row;
      continue;
    }
    const seen = new Set<string>();
    for (let i = 0; i < row.length; i += 1)
      for (let j = 0; j < row.length; j += 1) {
        if (i === j) continue;
        const key = `${free.left ? keyOf(row[i]!) : ''} ${free.right ? keyOf(row[j]!) : ''}`;
        if (seen.has(key)) continue;
        seen.add(key);
        yield [row[i]!, ...row.filter((_, k) => k !== i && k !== j), row[j]!];
      }
  }
}

const keyOf = ({ wanted, way }: Put): string => `${wanted} ${way.frontMm} ${way.turned}`;

/** Of so many of each every choice of ways, without regard to their order. */
function* waysOf(wanted: readonly Wanted[], counts: readonly number[], at: number, isFree: boolean): Generator<Put[]> {
  if (at === wanted.length) {
    yield [];
    return;
  }
  // Which end a turned thing's door lies at matters beside something only.
  const ways = wanted[at]!.ways.filter(({ turned }) => isFree || turned !== 'high');
  function* some(count: number, from: number): Generator<Put[]> {
    if (count === 0) {
      yield [];
      return;
    }
    for (let w = from; w < ways.length; w += 1)
      for (const rest of some(count - 1, w)) yield [{ wanted: at, way: ways[w]! }, ...rest];
  }
  for (const own of some(counts[at]!, 0))
    for (const rest of waysOf(wanted, counts, at + 1, isFree)) yield [...own, ...rest];
}

type End = (Put & { shuts: Shuts }) | null;

/** What may stand at an end of the lobby, with how many of each are left. */
function* endsOf(wanted: readonly Wanted[], left: readonly number[], lobbyMm: number): Generator<[End, number[]]> {
  for (let i = 0; i < wanted.length; i += 1) {
    if (left[i] === 0) continue;
    const rest = left.map((count, k) => (k === i ? count - 1 : count));
    for (const way of wanted[i]!.ways)
      for (const shuts of SHUTS)
        if (endNeeds({ wanted: i, way }, shuts, lobbyMm)) yield [{ wanted: i, way, shuts }, rest];
  }
}

const isLess = (a: readonly number[], b: readonly number[]): boolean => {
  const i = a.findIndex((each, k) => each !== b[k]);
  return i >= 0 && a[i]! < b[i]!;
};
const none = (counts: readonly number[]): boolean => counts.every((count) => count === 0);

/**
 * Every arrangement about a lobby along x, of those that mirror each other one. `mayDo`: whether one that takes so much at least is
 * worth looking at.
 */
export function* arrangements(
  wanted: readonly Wanted[],
  clear: Clear,
  mayDo: (xMm: number, yMm: number) => boolean = () => true,
): Generator<Arrangement> {
  const all = wanted.map(({ count }) => count);
  const { lobbyMm, wallMm } = clear;
  const leastFront = wanted.map(({ ways }) => Math.min(...ways.map(({ frontMm }) => frontMm)));
  const leastDepth = wanted.map(({ ways }) => Math.min(...ways.map(({ depthMm }) => depthMm)));
  const least = (counts: readonly number[]) => ({
    // Without its first and last, which may go on beside the lobby's ends.
    frontMm: counts.reduce((sum, count, i) => sum + count * (leastFront[i]! + wallMm), -wallMm),
    depthMm: Math.max(0, ...counts.map((count, i) => (count > 0 ? leastDepth[i]! + wallMm : 0))),
  });
  function* between(left: End, right: End, rest: readonly number[]): Generator<Arrangement> {
    const endsMm = (left ? left.way.depthMm + wallMm : 0) + (right ? right.way.depthMm + wallMm : 0);
    for (const up of takes(rest)) {
      const down = rest.map((count, i) => count - up[i]!);
      // With both ends taken one gets out by a side: the lobby lies at the core's edge.
      if (left && right && !none(down)) continue;
      const isAlike = (!right || right.shuts === 'both' || right.shuts === 'neither') && !left;
      if (isAlike && isLess(up, down)) continue;
      const [high, low] = [least(up), least(down)];
      if (!mayDo(Math.max(endsMm + lobbyMm, high.frontMm, low.frontMm), high.depthMm + low.depthMm + lobbyMm)) continue;
      const freeOf = (row: 'above' | 'below'): Free => ({
        left: left !== null && !shutsRow(left, row),
        right: right !== null && !shutsRow(right, row),
      });
      for (const above of rowsOf(wanted, up, freeOf('above')))
        for (const below of rowsOf(wanted, down, freeOf('below'))) {
          const made = sized({ above, below, left, right }, clear);
          if (made) yield made;
        }
    }
  }
  yield* between(null, null, all);
  for (const [right, rest] of endsOf(wanted, all, lobbyMm)) {
    // What shuts off the row below mirrors what shuts off the one above.
    if (right!.shuts !== 'below') yield* between(null, right, rest);
    for (const [left, fewer] of endsOf(wanted, rest, lobbyMm)) yield* between(left, right, fewer);
  }
}
