'use client';

import type { ReactNode } from 'react';
import { ActionButton, ChoiceField } from '../fields/fields';
import { useSlice } from '../session/store';

interface ExceptionListProps<E> {
  exceptions: readonly E[];
  wordsOf: (each: E) => string;
  /** Makes it as below again. */
  onAsBelow: (each: E) => void;
  upwards: boolean;
  onReach: (upwards: boolean) => void;
  /** Fields of what differs at the current level. */
  children: ReactNode;
}

/** What differs at some levels of a carried thing, and what may differ at the current one: there only, or from there up. */
export function ExceptionList<E extends { level: string; upwards: boolean }>({
  exceptions,
  wordsOf,
  onAsBelow,
  upwards,
  onReach,
  children,
}: ExceptionListProps<E>) {
  const { solved, level, mayEdit } = useSlice('solved', 'level', 'mayEdit');
  const name = (id: string) => solved?.levels.find((each) => each.id === id)?.name ?? '';
  return (
    <details className="border-t border-faint pt-1.5" open={exceptions.length > 0 || undefined}>
      <summary className="text-ink2">Other at some levels</summary>
      <div className="flex flex-col gap-1.5 pt-1.5">
        <ul aria-label="What differs">
          {exceptions.map((each) => (
            <li key={`${each.level} ${each.upwards}`} className="flex items-baseline justify-between gap-2">
              <span>
                {each.upwards ? 'From' : 'At'} <strong>{name(each.level)}</strong> {each.upwards ? 'up' : 'only'}:{' '}
                {wordsOf(each)}
              </span>
              {mayEdit && <ActionButton onClick={() => onAsBelow(each)}>As below</ActionButton>}
            </li>
          ))}
        </ul>
        {mayEdit && level && (
          <>
            <ChoiceField
              label={`At level ${name(level)}`}
              value={upwards ? 'up' : 'here'}
              choices={[
                ['here', 'there only'],
                ['up', 'from there up'],
              ]}
              onChoose={(reach) => onReach(reach === 'up')}
            />
            {children}
          </>
        )}
      </div>
    </details>
  );
}
