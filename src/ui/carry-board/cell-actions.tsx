'use client';

import { onBoard, type BoardColumn } from '@/core/carrying/board';
import { ActionButton } from '../fields/fields';
import { useSlice } from '../session/store';
import type { CommandInputs, Sent } from '@/core/commands/command-inputs';

/** What can be done with the chosen thing at the current level: an exception, or none any more. */
export function CellActions({ column }: { column: BoardColumn | null }) {
  const { framework, solved, level, mayEdit, send, say } = useSlice(
    'framework',
    'solved',
    'level',
    'mayEdit',
    'send',
    'say',
  );
  const here = solved?.levels.find(({ id }) => id === level);
  const cell = column && level ? column.cells.get(level) : undefined;
  const attempt = (sent: Sent) => {
    const refusal = send(sent);
    if (refusal) say(refusal);
  };
  const record = column ? framework.records.get(column.id) : undefined;
  const isOut = cell?.state === 'leftOut';
  return (
    <div className="flex min-h-[38px] flex-wrap items-center gap-x-4 gap-y-1 border-t border-hair px-5 py-1.5 text-[11px] text-ink2">
      {column && here && mayEdit && level ? (
        <>
          <span>
            <strong className="text-ink">{column.name}</strong> at level{' '}
            <strong className="text-ink">{here.name}</strong>:{' '}
            {!cell ? 'does not stand here' : isOut ? 'left out' : cell.differs ? 'stands, and differs' : 'stands'}
          </span>
          {cell &&
            record &&
            onBoard(column.kind)!
              .actions(record, level, cell)
              .map(({ words, sent }) => (
                <ActionButton key={words} onClick={() => attempt(sent)}>
                  {words}
                </ActionButton>
              ))}
          {!cell && (
            <ActionButton
              onClick={() => attempt({ command: 'carry.to', input: carryHere(column, level, solved!.levels) })}
            >
              Carry it to here
            </ActionButton>
          )}
        </>
      ) : (
        <span>Choose something on the board. Drag the end of a bar up or down to carry it.</span>
      )}
      <span className="ml-auto flex items-center gap-3" aria-hidden="true">
        <Legend swatch={<rect x={2} y={0} width={7} height={12} fill="var(--color-ink)" />} words="stands" />
        <Legend
          swatch={<circle cx={6} cy={6} r={4} fill="none" stroke="var(--color-shafts)" strokeWidth={1.6} />}
          words="differs"
        />
        <Legend
          swatch={
            <rect x={1.5} y={1} width={8} height={10} fill="none" stroke="var(--color-look)" strokeDasharray="3 2" />
          }
          words="left out"
        />
        <Legend swatch={<path d="M0 11 l6 -11 l6 11 z" fill="var(--color-wrong)" />} words="finding" />
      </span>
    </div>
  );
}

function Legend({ swatch, words }: { swatch: React.ReactNode; words: string }) {
  return (
    <span className="flex items-center gap-1.5">
      <svg width={12} height={12}>
        {swatch}
      </svg>
      {words}
    </span>
  );
}

/** The end that has to go to a level for a thing to stand there. */
function carryHere(
  column: BoardColumn,
  level: string,
  levels: readonly { id: string; fflMm: number }[],
): CommandInputs['carry.to'] {
  const height = new Map(levels.map(({ id, fflMm }) => [id, fflMm]));
  const own = [...column.cells.keys()].map((id) => height.get(id) ?? 0);
  const isAbove = own.length === 0 || height.get(level)! > Math.max(...own);
  return { ids: [column.id], [isAbove ? 'topmost' : 'lowest']: level };
}
