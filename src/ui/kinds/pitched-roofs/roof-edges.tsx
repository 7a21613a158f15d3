'use client';

import type { Ring } from '@/core/geometry/polygon';
import type { RoofEdge, RoofEdgeIs } from '@/core/pitched-roofs/pitched-roof';
import { TextField } from '../../fields/fields';
import { entryChoices } from '../stairs/stair-words';

/** How an edge is given to a command. */
export interface EdgeGiven {
  edge: number;
  is: RoofEdgeIs;
  /** As typed; null: as steep as the roof. */
  slope: number | string | null;
  upper: { aboveMm: number | string; slope: number | string } | null;
}

const IS_WORDS: Record<RoofEdgeIs, string> = { slope: 'slopes', gable: 'gable', wall: 'against a wall' };
const BOX = 'min-w-0 rounded-sm border border-hair bg-sheet px-1 py-0.5';

/** What the edges of a roof are called: by where they lie, those of courtyards with their number. */
export const edgeWords = (rings: readonly Ring[]): string[] =>
  rings.flatMap((ring, of) =>
    entryChoices(ring).map(([, words]) => (of === 0 ? words : `${words} of courtyard ${of}`).replace(/^the /, '')),
  );

const written = (deg: number) => `${Math.round(deg * 1e4) / 1e4}°`;

/** Whether each edge slopes, and how steeply; or is a gable, or lies against a wall. */
export function RoofEdges({
  rings,
  edges,
  slope,
  disabled = false,
  onSet,
  onLook,
}: {
  rings: readonly Ring[];
  edges: readonly RoofEdge[];
  /** Of edges that have none of their own, as it is written. */
  slope: string;
  disabled?: boolean;
  /** Answers why not, or null. */
  onSet: (edge: EdgeGiven) => string | null;
  /** Hears which edge is looked at, to show where it is. */
  onLook?: (edge: number | null) => void;
}) {
  const names = edgeWords(rings);
  const own = new Map(edges.map((each) => [each.edge, each]));
  return (
    <fieldset className="flex flex-col gap-1 border-t border-faint pt-1.5">
      <legend className="sr-only">Its edges</legend>
      {names.map((words, edge) => {
        const now = own.get(edge);
        const is = now?.is ?? 'slope';
        const upper = now?.upper ? { aboveMm: now.upper.aboveMm as number, slope: now.upper.slopeDeg } : null;
        const steep = is !== 'slope' ? '' : now && now.slopeDeg !== null ? written(now.slopeDeg) : slope;
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
                value={is}
                onChange={({ target }) => {
                  const next = target.value as RoofEdgeIs;
                  onSet({ edge, is: next, slope: null, upper: null });
                }}
              >
                {Object.entries(IS_WORDS).map(([value, each]) => (
                  <option key={value} value={value}>
                    {each}
                  </option>
                ))}
              </select>
            </div>
            {is === 'slope' && (
              <TextField
                label={`${words}: slope`}
                value={steep}
                disabled={disabled}
                onCommit={(typed) =>
                  onSet({ edge, is, slope: typed.trim() === '' || typed.trim() === slope ? null : typed, upper })
                }
              />
            )}
          </div>
        );
      })}
    </fieldset>
  );
}
