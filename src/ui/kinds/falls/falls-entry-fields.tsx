'use client';

import type { Ring } from '@/core/geometry/polygon';
import { fallWords } from '@/core/falls/say-falls';
import { CheckField, PlainField } from '../../fields/fields';
import { edgeWords } from '../pitched-roofs/roof-edges';
import type { FallsEntry } from './use-falls-entry';

/** Fields of falls as they are entered. `ring`: the edge of what they lie on, where it is there already. */
export function FallsEntryFields({ entry, ring }: { entry: FallsEntry; ring: Ring | null }) {
  const { slope, setSlope, slopeRatio, least, text, setText, edges, setEdges, hasGutter, setGutter } = entry.fields;
  return (
    <>
      <PlainField
        label="Falls"
        value={slope}
        onChange={setSlope}
        note={slopeRatio === null ? null : `= ${fallWords(slopeRatio)}`}
        wrong={slopeRatio === null}
      />
      <PlainField label="Thick where water leaves" {...least.field} />
      <PlainField
        label="Outlets, pressed in the plan or typed"
        value={text}
        onChange={setText}
        note={entry.outlets === 0 ? 'none yet' : `${entry.outlets} ${entry.outlets === 1 ? 'outlet' : 'outlets'}`}
        wide
      />
      {ring && (
        <fieldset className="flex flex-col gap-1 border-t border-faint pt-1.5">
          <legend className="sr-only">Edges it falls to</legend>
          <p className="text-ink2">Or it falls to edges</p>
          {edgeWords([ring]).map((words, edge) => (
            <CheckField
              key={edge}
              label={words}
              value={edges.includes(edge)}
              onChange={(on) => setEdges(on ? [...edges, edge] : edges.filter((each) => each !== edge))}
            />
          ))}
          {edges.length > 0 && <CheckField label="with a gutter outside" value={hasGutter} onChange={setGutter} />}
        </fieldset>
      )}
    </>
  );
}
