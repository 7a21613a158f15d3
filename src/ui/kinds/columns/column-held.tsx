'use client';

import { useState } from 'react';
import { FACES } from '@/core/columns/column-input';
import { mmOf } from '@/core/dimensions/resolve-length';
import { heldLine } from '@/core/setting-out/held-line';
import { ActionButton, ChoiceField } from '../../fields/fields';
import { useProject } from '../../session/store';
import type { CommandInputs } from '@/core/commands/command-inputs';
import { stackIn } from './stack-in';

const FACE_WORDS: Record<(typeof FACES)[number], string> = {
  interior: 'interior face',
  exterior: 'exterior face',
  centre: 'centre',
  left: 'standing left of it',
  right: 'standing right of it',
};

/** Faces held to grid or setting-out lines: which, and how to hold or let go. */
export function HeldTo({ columns }: { columns: readonly string[] }) {
  const project = useProject((shown) => shown);
  const { framework, solved, run, say, mayEdit } = project;
  const stack = stackIn(project, columns[0]!);
  const [line, setLine] = useState('');
  const [face, setFace] = useState<(typeof FACES)[number]>('interior');
  if (!stack || !solved) return null;
  const lines = [
    ...solved.settingOut
      .filter(({ building }) => building === stack.building)
      .map(({ id, name }) => [id, name] as const),
    ...solved.lines
      .filter(({ building, label }) => building === stack.building && label !== null)
      .map(({ id, label }) => [id, label!] as const),
  ];
  const chosen = line || (lines[0]?.[0] ?? '');
  const kept = stack.holds.map((hold) => ({
    line: hold.line,
    face: hold.body,
    offsetMm: mmOf(framework, hold.offsetMm),
  }));
  const hold = (flush: CommandInputs['columns.change']['flush']) => {
    const refusal = run('columns.change', { columns: [...columns], flush });
    if (refusal) say(refusal);
  };
  return (
    <details className="border-t border-faint pt-1.5" open={stack.holds.length > 0}>
      <summary className="text-ink2">Held to lines</summary>
      <div className="flex flex-col gap-1.5 pt-1.5">
        {columns.length === 1 &&
          stack.holds.map((each) => (
            <p key={each.line} className="flex items-baseline justify-between gap-2">
              <span>
                {each.body === 'centre' ? 'Centre on' : `Face on, ${FACE_WORDS[each.body]}:`}{' '}
                <strong>{heldLine(framework, each.line)?.label ?? 'a line'}</strong>
              </span>
              {mayEdit && (
                <button
                  type="button"
                  className="text-[11px] text-ink2 underline"
                  onClick={() => hold(kept.filter((other) => other.line !== each.line))}
                >
                  let go
                </button>
              )}
            </p>
          ))}
        {mayEdit && lines.length > 0 && (
          <>
            <ChoiceField label="Line" value={chosen} choices={lines} onChoose={setLine} />
            <ChoiceField
              label="On it"
              value={face}
              choices={FACES.map((each) => [each, FACE_WORDS[each]] as const)}
              onChoose={setFace}
            />
            <span className="self-end">
              <ActionButton
                onClick={() =>
                  hold(
                    columns.length === 1
                      ? [...kept.filter((other) => other.line !== chosen).slice(0, 1), { line: chosen, face }]
                      : [{ line: chosen, face }],
                  )
                }
              >
                Hold it there
              </ActionButton>
            </span>
          </>
        )}
      </div>
    </details>
  );
}
