import type { Id } from '@/core/model/ids';
import { sayThing } from '../details/sentence';
import { useSlice } from '../session/store';
import { beside, FILM } from './pointer-tag';

interface ThingsBeneathProps {
  at: { x: number; y: number };
  room: { width: number; height: number };
  ids: readonly Id[];
  onLeave: () => void;
}

/** What lies at one place, by name: the one that is meant is pressed. */
export function ThingsBeneath({ at, room, ids, onLeave }: ThingsBeneathProps) {
  const { framework, solved, display, selection, select } = useSlice(
    'framework',
    'solved',
    'display',
    'selection',
    'select',
  );
  const things = ids.flatMap((id) => {
    const said = solved && sayThing(framework, solved, id, display);
    return said ? [{ id, words: said.title }] : [];
  });
  return (
    <ul aria-label="What is here" className={`flex flex-col text-ink ${FILM}`} style={beside(at, room)}>
      {things.map(({ id, words }) => (
        <li key={id}>
          <button
            type="button"
            aria-pressed={selection.includes(id)}
            className={`w-full px-1 py-0.5 text-left hover:bg-faint ${selection.includes(id) ? 'font-semibold text-now' : ''}`}
            onClick={() => {
              select([id]);
              onLeave();
            }}
          >
            {words}
          </button>
        </li>
      ))}
    </ul>
  );
}
