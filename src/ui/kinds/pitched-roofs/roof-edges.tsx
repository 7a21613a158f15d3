'use client';

import { mmOf } from '@/core/dimensions/resolve-length';
import { asGiven } from '@/core/dimensions/uses';
import type { Point } from '@/core/geometry/point';
import type { Ring } from '@/core/geometry/polygon';
import type { RoofEdge, RoofEdgeIs } from '@/core/pitched-roofs/pitched-roof';
import { TextField } from '../../fields/fields';
import { LengthField } from '../../fields/length-field';
import { useSlice } from '../../session/store';
import { entryChoices } from '../stairs/stair-words';

/** How an edge is given to a command. */
export interface EdgeGiven {
  edge: number;
  is: RoofEdgeIs;
  /** As typed; null: as steep as the roof. */
  slope: number | string | null;
  upper: { aboveMm: number | string; slope: number | string } | null;
}

/** What an edge can be, in words: with what goes on over it where that is otherwise. */
const SORTS = {
  slope: { words: 'slopes', is: 'slope', upper: null, slope: null },
  two: { words: 'slopes twice', is: 'slope', upper: { aboveMm: 2400, slope: 30 }, slope: 70 },
  gable: { words: 'gable', is: 'gable', upper: null, slope: null },
  half: { words: 'gable under a hip', is: 'gable', upper: { aboveMm: 1500, slope: 45 }, slope: null },
  wall: { words: 'against a wall', is: 'wall', upper: null, slope: null },
} as const satisfies Record<string, { words: string; is: RoofEdgeIs; upper: EdgeGiven['upper']; slope: number | null }>;
type Sort = keyof typeof SORTS;

const sortOf = (now: RoofEdge | undefined): Sort => {
  if (!now) return 'slope';
  return now.upper ? (now.is === 'slope' ? 'two' : 'half') : now.is;
};
const BOX = 'min-w-0 rounded-sm border border-hair bg-sheet px-1 py-0.5';

/** What the edges of a roof are called: by where they lie, those of courtyards with their number. */
export const edgeWords = (rings: readonly Ring[]): string[] =>
  rings.flatMap((ring, of) =>
    entryChoices(ring).map(([, words]) => (of === 0 ? words : `${words} of courtyard ${of}`).replace(/^the /, '')),
  );

/** The two ends of an edge, as edges are counted. */
export function edgeEnds(rings: readonly Ring[], edge: number): Point[] {
  const sides = rings.flatMap((ring) => ring.map((from, i) => [from, ring[(i + 1) % ring.length]!]));
  return sides[edge] ?? [];
}

const written = (deg: number) => `${Math.round(deg * 1e4) / 1e4}°`;

/** Whether each edge slopes, and how steeply; or is a gable, or lies against a wall. */
export function RoofEdges({
  rings,
  edges,
  slope,
  disabled = false,
  inBays = false,
  onSet,
  onLook,
}: {
  rings: readonly Ring[];
  edges: readonly RoofEdge[];
  /** Of edges that have none of their own, as it is written. */
  slope: string;
  disabled?: boolean;
  /** Its slopes are those of its bays: an edge is open, or lies against a wall. */
  inBays?: boolean;
  /** Answers why not, or null. */
  onSet: (edge: EdgeGiven) => string | null;
  /** Hears which edge is looked at, to show where it is. */
  onLook?: (edge: number | null) => void;
}) {
  const { framework } = useSlice('framework');
  const names = edgeWords(rings);
  const own = new Map(edges.map((each) => [each.edge, each]));
  return (
    <fieldset className="flex flex-col gap-1 border-t border-faint pt-1.5">
      <legend className="sr-only">Its edges</legend>
      {names.map((words, edge) => {
        const now = own.get(edge);
        const sort = sortOf(now);
        const { is } = SORTS[sort];
        const upper = now?.upper ? { aboveMm: asGiven(framework, now.upper.aboveMm), slope: now.upper.slopeDeg } : null;
        const steep = now && now.slopeDeg !== null ? written(now.slopeDeg) : slope;
        const given = { edge, is, slope: now?.slopeDeg ?? null, upper };
        return (
          <div
            key={edge}
            className="flex flex-col gap-0.5"
            onPointerEnter={() => onLook?.(edge)}
            onPointerLeave={() => onLook?.(null)}
            onFocus={() => onLook?.(edge)}
            onBlur={() => onLook?.(null)}
          >
            <div className="flex items-baseline justify-between gap-1.5 pr-6">
              <span className="min-w-0 flex-1 text-ink2">{words}</span>
              <select
                aria-label={`${words}: what it is`}
                className={BOX}
                disabled={disabled}
                value={sort}
                onChange={({ target }) => {
                  const next = SORTS[target.value as Sort];
                  onSet({ edge, is: next.is, slope: next.slope, upper: next.upper });
                }}
              >
                {Object.entries(SORTS)
                  .filter(([value]) => !inBays || value === sort || value === 'slope' || value === 'wall')
                  .map(([value, each]) => (
                    <option key={value} value={value}>
                      {inBays && value === 'slope' ? 'open' : each.words}
                    </option>
                  ))}
              </select>
            </div>
            {is === 'slope' && !inBays && (
              <TextField
                label={`${words}: slope`}
                value={steep}
                disabled={disabled}
                onCommit={(typed) =>
                  onSet({ ...given, slope: typed.trim() === '' || typed.trim() === slope ? null : typed })
                }
              />
            )}
            {now?.upper && upper && (
              <>
                <LengthField
                  label={`${words}: from over the eaves`}
                  valueMm={mmOf(framework, now.upper.aboveMm)}
                  disabled={disabled}
                  onCommit={(aboveMm) => onSet({ ...given, upper: { ...upper, aboveMm } })}
                />
                <TextField
                  label={`${words}: slope from there`}
                  value={written(now.upper.slopeDeg)}
                  disabled={disabled}
                  onCommit={(typed) => onSet({ ...given, upper: { ...upper, slope: typed } })}
                />
              </>
            )}
          </div>
        );
      })}
    </fieldset>
  );
}
