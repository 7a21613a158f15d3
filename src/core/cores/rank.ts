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
  /** Between the doors of the stairs that lie farthest apart; 0 with one. */
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
  for (const arrangement of arrangements(wanted, clear))
    for (const along of ['x', 'y'] as const) {
      const [room, across] = along === 'x' ? [widthMm, depthMm] : [depthMm, widthMm];
      const [longer, wider] = [Math.max(0, arrangement.xMm - room), Math.max(0, arrangement.yMm - across)];
      if (longer > 0.5 || wider > 0.5) {
        const larger = along === 'x' ? { widerMm: longer, deeperMm: wider } : { widerMm: wider, deeperMm: longer };
        if (!least || sum(larger) < sum(least) - 1e-6) least = larger;
        continue;
      }
      const made = judged(wanted, arrangement, along, standing(arrangement, clear, room, across));
      const key = pictureOf(made);
      const known = kept.get(key);
      if (!known || order(made, known) < 0) kept.set(key, made);
    }
  const proposals = [...kept.values()].sort(order).slice(0, MOST);
  return { proposals, least: proposals.length > 0 ? null : least };
}

const sum = ({ widerMm, deeperMm }: Enlargement): number => widerMm + deeperMm;

function judged(wanted: readonly Wanted[], arrangement: Arrangement, along: 'x' | 'y', stands: Standing): Proposal {
  const of = (put: { wanted: number }) => wanted[put.wanted]!.of;
  const banksIn = (row: readonly { wanted: number }[]) =>
    row.filter((put, i) => of(put) === 'lift' && (i === 0 || of(row[i - 1]!) !== 'lift')).length;
  const { above, below, left, right } = arrangement;
  const doors = stands.things
    .filter((put) => of(put) === 'stair')
    .map(({ box }) => ({ x: box.x + box.w / 2, y: box.y + box.d / 2 }));
  let apart = 0;
  for (const a of doors)
    for (const b of doors) apart = Math.max(apart, Math.sqrt((a.x - b.x) * (a.x - b.x) + (a.y - b.y) * (a.y - b.y)));
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

const textOf = (proposal: Proposal): string => pictureOf(proposal);

const order = (a: Proposal, b: Proposal): number =>
  a.banks - b.banks ||
  Math.round(b.stairsApartMm - a.stairsApartMm) ||
  a.lobbyMm2 - b.lobbyMm2 ||
  a.arrangement.xMm * a.arrangement.yMm - b.arrangement.xMm * b.arrangement.yMm ||
  (textOf(a) < textOf(b) ? -1 : textOf(a) > textOf(b) ? 1 : 0);
