import { calledIn } from '@/core/commands/refer';
import type { Id } from '@/core/model/ids';
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
  const { framework, selection, select } = useSlice('framework', 'selection', 'select');
  const things = ids.flatMap((id) => framework.records.get(id) ?? []);
  return (
    <ul aria-label="What is here" className={`flex flex-col text-ink ${FILM}`} style={beside(at, room)}>
      {things.map((record) => (
        <li key={record.id}>
          <button
            type="button"
            aria-pressed={selection.includes(record.id)}
            className={`w-full px-1 py-0.5 text-left hover:bg-faint ${selection.includes(record.id) ? 'font-semibold text-now' : ''}`}
            onClick={() => {
              select([record.id]);
              onLeave();
            }}
          >
            {calledIn(framework, record)}
          </button>
        </li>
      ))}
    </ul>
  );
}
