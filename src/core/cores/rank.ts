import { arrangements, standing, type Arrangement, type Clear, type Standing, type Wanted } from './arrange';

/** An arrangement in a core of some size; `along`: the way its lobby runs. */
export interface Proposal {
  arrangement: Arrangement;
  along: 'x' | 'y';
  /** In the core's own axes, the lobby along `along`. */
  standing: Standing;
  lobbyMm2: number;
  /** Banks of lifts that stand apart. */
  banks: number;
  /** Between the middles of the stairs that lie farthest apart; 0 with one. */
  stairsApartMm: number;
}

/** What a core would have to be larger by for the brief to fit. */
export interface Enlargement {
  widerMm: number;
  deeperMm: number;
}

export interface Proposed {
  /** Best first. */
  proposals: Proposal[];
  /** Null where something fits. */
  least: Enlargement | null;
}

const MOST = 12;

/**
 * Every arrangement that fits a core of some size, clear of its outer walls, best first: the fewest banks of lifts, then stairs the
 * farthest apart, then the smallest lobby. Where none fits, the least that the core would have to be larger.
 */
export function proposed(wanted: readonly Wanted[], clear: Clear, widthMm: number, depthMm: number): Proposed {
  const kept = new Map<string, Proposal>();
  let least: Enlargement | null = null;
  /** Of so many that are better none is looked at that has more banks. */
  let mostBanks = Infinity;
  const over = (xMm: number, yMm: number, along: 'x' | 'y') => {
    const [room, across] = along === 'x' ? [widthMm, depthMm] : [depthMm, widthMm];
    return [Math.max(0, xMm - room), Math.max(0, yMm - across)] as const;
  };
  const bound = () => (kept.size > 0 ? ENOUGH_MM : least ? sum(least) : Infinity);
  const mayDo = (xMm: number, yMm: number) =>
    (['x', 'y'] as const).some((along) => {
      const [longer, wider] = over(xMm, yMm, along);
      return longer + wider < bound();
    });
  for (const arrangement of arrangements(wanted, clear, mayDo))
    for (const along of ['x', 'y'] as const) {
      const [longer, wider] = over(arrangement.xMm, arrangement.yMm, along);
      if (longer > ENOUGH_MM || wider > ENOUGH_MM) {
        const larger = along === 'x' ? { widerMm: longer, deeperMm: wider } : { widerMm: wider, deeperMm: longer };
        if (kept.size === 0 && (!least || sum(larger) < sum(least) - 1e-6)) least = larger;
        continue;
      }
      if (leastBanks(wanted, arrangement) > mostBanks) continue;
      const [room, across] = along === 'x' ? [widthMm, depthMm] : [depthMm, widthMm];
      for (const ordered of orders(wanted, arrangement)) {
        const made = judged(wanted, ordered, along, standing(ordered, clear, room, across));
        const key = pictureOf(made);
        const known = kept.get(key);
        if (!known || order(made, known) < 0) kept.set(key, made);
      }
      if (kept.size > 4 * MOST) {
        const best = [...kept.entries()].sort(([, a], [, b]) => order(a, b)).slice(0, MOST);
        kept.clear();
        for (const [key, each] of best) kept.set(key, each);
        mostBanks = best.at(-1)![1].banks;
      }
    }
  const proposals = [...kept.values()].sort(order).slice(0, MOST);
  return { proposals, least: proposals.length > 0 ? null : least };
}

/** What is over by less than this fits, mm. */
const ENOUGH_MM = 0.5;

/** Banks of lifts an arrangement has at least: rows and ends that hold some. */
function leastBanks(wanted: readonly Wanted[], { above, below, left, right }: Arrangement): number {
  const has = (puts: readonly ({ wanted: number } | null)[]) =>
    puts.some((put) => put && wanted[put.wanted]!.of === 'lift');
  return [above, below, [left], [right]].filter(has).length;
}

/** Orders of the rows of an arrangement that differ in where stairs stand; where its first or last thing matters, as it is. */
function orders(wanted: readonly Wanted[], arrangement: Arrangement): Arrangement[] {
  const { above, below, left, right } = arrangement;
  if (left || right) return [arrangement];
  return rowOrders(wanted, above).flatMap((up) =>
    rowOrders(wanted, below).map((down) => ({ ...arrangement, above: up, below: down })),
  );
}

function rowOrders(wanted: readonly Wanted[], row: Arrangement['above']): Arrangement['above'][] {
  const stairs = row.filter((put) => wanted[put.wanted]!.of === 'stair');
  if (stairs.length === 0 || stairs.length === row.length) return [row];
  const others = row.filter((put) => wanted[put.wanted]!.of !== 'stair');
  const split = Math.ceil(stairs.length / 2);
  return [
    [...stairs, ...others],
    [...others, ...stairs],
    ...(stairs.length > 1 ? [[...stairs.slice(0, split), ...others, ...stairs.slice(split)]] : []),
  ];
}

const sum = ({ widerMm, deeperMm }: Enlargement): number => widerMm + deeperMm;

function judged(wanted: readonly Wanted[], arrangement: Arrangement, along: 'x' | 'y', stands: Standing): Proposal {
  const of = (put: { wanted: number }) => wanted[put.wanted]!.of;
  const banksIn = (row: readonly { wanted: number }[]) =>
    row.filter((put, i) => of(put) === 'lift' && (i === 0 || of(row[i - 1]!) !== 'lift')).length;
  const { above, below, left, right } = arrangement;
  const middles = stands.things
    .filter((put) => of(put) === 'stair')
    .map(({ box }) => ({ x: box.x + box.w / 2, y: box.y + box.d / 2 }));
  let apart = 0;
  for (const a of middles)
    for (const b of middles) apart = Math.max(apart, Math.sqrt((a.x - b.x) * (a.x - b.x) + (a.y - b.y) * (a.y - b.y)));
  const atEnds = [left, right].filter((end) => end && of(end) === 'lift').length;
  return {
    arrangement,
    along,
    standing: stands,
    lobbyMm2: stands.lobby.w * stands.lobby.d,
    banks: banksIn(above) + banksIn(below) + atEnds,
    stairsApartMm: apart,
  };
}

/** What tells one proposal from another: which kind of thing stands where. */
const pictureOf = ({ along, arrangement: { above, below, left, right } }: Proposal): string =>
  [
    along,
    ...[above, below, left ? [left] : [], right ? [right] : []].map((row) =>
      row.map(({ wanted, way }) => `${wanted}${way.turned === 'no' ? '' : 't'}`).join(','),
    ),
  ].join('|');

const order = (a: Proposal, b: Proposal): number =>
  a.banks - b.banks ||
  Math.round(b.stairsApartMm - a.stairsApartMm) ||
  a.lobbyMm2 - b.lobbyMm2 ||
  a.arrangement.xMm * a.arrangement.yMm - b.arrangement.xMm * b.arrangement.yMm ||
  (pictureOf(a) < pictureOf(b) ? -1 : pictureOf(a) > pictureOf(b) ? 1 : 0);
