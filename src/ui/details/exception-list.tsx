'use client';

import { useState, type ReactNode } from 'react';
import type { Id } from '@/core/model/ids';
import { ActionButton, ChoiceField } from '../fields/fields';
import { useSlice } from '../session/store';

/** Changes what differs at the current level, or from it up. */
interface Changing<Part> {
  /** Answers why not, or null: for fields that say it themselves. */
  except: (part: Part) => string | null;
  /** Says why not. */
  attempt: (part: Part) => void;
}

interface ExceptionListProps<E, Part> {
  exceptions: readonly E[];
  wordsOf: (each: E) => string;
  /** What makes it as below again. */
  plain: Part;
  /** Changes what differs at a level, or from it up. */
  change: (at: { level: Id; upwards: boolean }, part: Part) => string | null;
  /** Where one begins: what differs of walls usually goes on upwards. */
  beginsUpwards?: boolean;
  /** Fields of what differs at the current level. */
  children: (here: E | undefined, changing: Changing<Part>) => ReactNode;
}

/** What differs at some levels of a carried thing, and what may differ at the current one: there only, or from there up. */
export function ExceptionList<E extends { level: Id; upwards: boolean }, Part>({
  exceptions,
  wordsOf,
  plain,
  change,
  beginsUpwards = false,
  children,
}: ExceptionListProps<E, Part>) {
  const { solved, level, mayEdit, say } = useSlice('solved', 'level', 'mayEdit', 'say');
  const [upwards, setUpwards] = useState(beginsUpwards);
  const name = (id: string) => solved?.levels.find((each) => each.id === id)?.name ?? '';
  const said = (refusal: string | null) => {
    if (refusal) say(refusal);
  };
  const here = exceptions.find((each) => each.level === level && each.upwards === upwards);
  const except = (part: Part) => (level ? change({ level, upwards }, part) : 'Choose a level first');
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
              {mayEdit && (
                <ActionButton onClick={() => said(change({ level: each.level, upwards: each.upwards }, plain))}>
                  As below
                </ActionButton>
              )}
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
              onChoose={(reach) => setUpwards(reach === 'up')}
            />
            {children(here, { except, attempt: (part) => said(except(part)) })}
          </>
        )}
      </div>
    </details>
  );
}
