import { storeyLevels, type ResolvedLevel } from '../levels/resolve-levels';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { stairRules } from '../rule-sets/rules-in';
import { formatMm } from '../units/format-length';
import { coreStair, MOST_THINGS, wantedOf, type Brief, type CoreStair } from './brief';
import { proposed, type Proposal } from './rank';

/** What a core is asked for, in millimetres, and the levels it serves. */
export interface CoreAsked {
  building: Id;
  /** Outside its walls. */
  widthMm: number;
  depthMm: number;
  brief: Brief;
  rules: string;
  /** The lowest and the topmost level it serves; null: of all storeys. */
  from: Id | null;
  to: Id | null;
}

export interface CoreProposals {
  /** Best first; each works on every storey served. */
  proposals: Proposal[];
  stair: CoreStair | null;
  /** Why there are none, in words, with the least enlargement that fits. */
  refused: string | null;
  /** Width and depth with which the brief fits. */
  enlarged: { widthMm: number; depthMm: number } | null;
  /** From the lowest up. */
  served: readonly ResolvedLevel[];
}

/** The levels a core serves. */
function servedBy(framework: Framework, { building, from, to }: CoreAsked): readonly ResolvedLevel[] {
  const storeys = storeyLevels(framework, building);
  const floors = storeys.filter(({ record }) => record.levelKind !== 'roof');
  const rank = (level: Id | null, other: number) =>
    level === null ? other : storeys.findIndex(({ id }) => id === level);
  const first = rank(from, 0);
  const last = rank(to, storeys.indexOf(floors.at(-1)!));
  return storeys.slice(Math.min(first, last), Math.max(first, last) + 1);
}

/** Arrangements of a core that fit and work on every storey, or why there are none and what would do. */
export function coreProposals(framework: Framework, asked: CoreAsked): CoreProposals {
  const { brief, widthMm, depthMm } = asked;
  const served = servedBy(framework, asked);
  const none = { proposals: [], stair: null, enlarged: null, served };
  const things = brief.lifts.count + brief.stairs.count + brief.services.length;
  if (things === 0) return { ...none, refused: 'Say what the core is to hold: lifts, stairs or shafts' };
  if (things > MOST_THINGS)
    return {
      ...none,
      refused: `A core of ${things} things is too large for one lobby: at most ${MOST_THINGS}. Make two cores of it`,
    };
  if (served.length < 2)
    return { ...none, refused: 'A core serves two levels at least. Choose where it starts and stops' };
  const heights = served.slice(1).map(({ fflMm }, i) => Math.round((fflMm - served[i]!.fflMm) * 1e3) / 1e3);
  const { stair, failsAtMm } =
    brief.stairs.count === 0
      ? { stair: null, failsAtMm: null }
      : coreStair(brief.stairs, heights, stairRules(framework, asked.rules));
  if (failsAtMm !== null)
    return {
      ...none,
      refused: `No half-turn stair climbs a storey of ${formatMm(failsAtMm)} within its rule set, however long its well is. Choose another rule set, or other heights`,
    };
  const { wanted, clear } = wantedOf(brief, stair);
  const inside = (mm: number) => mm - 2 * brief.outerMm;
  const { proposals, least } = proposed(wanted, clear, inside(widthMm), inside(depthMm));
  if (!least) return { proposals, stair, refused: null, enlarged: null, served };
  const up = (mm: number) => Math.ceil(mm - 1e-6);
  const said = [
    ...(least.widerMm > 0 ? [`${formatMm(up(least.widerMm))} wider`] : []),
    ...(least.deeperMm > 0 ? [`${formatMm(up(least.deeperMm))} deeper`] : []),
  ].join(' and ');
  return {
    proposals: [],
    stair,
    refused: `What is asked for does not fit into ${formatMm(widthMm)} by ${formatMm(depthMm)}. With a core ${said} it does`,
    enlarged: { widthMm: widthMm + up(least.widerMm), depthMm: depthMm + up(least.deeperMm) },
    served,
  };
}
