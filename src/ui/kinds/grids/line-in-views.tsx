'use client';

import { useState } from 'react';
import { marksOfView } from '@/core/drawing/view-marks';
import { distance } from '@/core/geometry/point';
import type { Id } from '@/core/model/ids';
import { ActionButton, ChoiceField } from '../../fields/fields';
import { LengthField } from '../../fields/length-field';
import { useSlice } from '../../session/store';
import type { Change } from '@/core/commands/command-inputs';

type Shown = 'usual' | 'shown' | 'hidden';

/** How a grid line is drawn in the plans: each head shown or hidden, and a gap in the line; for all plans or this one. */
export function LineInViews({ line }: { line: Id }) {
  const { solved, building, level, run, say, mayEdit } = useSlice(
    'solved',
    'building',
    'level',
    'run',
    'say',
    'mayEdit',
  );
  const [scope, setScope] = useState<'all' | 'level'>('all');
  if (!solved || !building) return null;
  const view = scope === 'all' ? 'plan' : `plan ${level ?? ''}`;
  const markAt = marksOfView(solved.marks, building, [view]);
  const here = solved.levels.find(({ id }) => id === level)?.name ?? '';
  const set = (end: 0 | 1, part: Change<'views.setMark', 'building' | 'view' | 'of' | 'end'>): string | null =>
    run('views.setMark', { building, view, of: line, end, ...part });
  const attempt = (refusal: string | null) => {
    if (refusal) say(refusal);
  };
  const gap = markAt(line, 0)?.gap ?? null;
  const isByHand = ([0, 1] as const).some((end) => markAt(line, end)?.placed);
  const shownLine = solved.lines.find(({ id }) => id === line);
  const isArc = shownLine?.curve.kind === 'arc';
  const lengthMm = shownLine ? Math.round(distance(...shownLine.ends)) : 0;
  return (
    <details className="border-t border-faint pt-1.5">
      <summary className="text-ink2">In plan</summary>
      <div className="flex flex-col gap-1.5 pt-1.5">
        <ChoiceField
          label="Holds for"
          value={scope}
          choices={[
            ['all', 'all plans'],
            ['level', `the plan of ${here} only`],
          ]}
          onChoose={setScope}
        />
        {([0, 1] as const).map((end) => {
          const shown = markAt(line, end)?.shown ?? null;
          return (
            <ChoiceField<Shown>
              key={end}
              label={end === 0 ? 'Head at its first end' : 'Head at its last end'}
              value={shown === null ? 'usual' : shown ? 'shown' : 'hidden'}
              disabled={!mayEdit}
              choices={[
                ['usual', 'as usual'],
                ['shown', 'shown'],
                ['hidden', 'hidden'],
              ]}
              onChoose={(choice) => attempt(set(end, { shown: choice === 'usual' ? null : choice === 'shown' }))}
            />
          );
        })}
        {!isArc && (
          <>
            <LengthField
              label="Gap in the line from"
              valueMm={gap?.fromMm ?? 0}
              disabled={!mayEdit}
              onCommit={(from) =>
                typeof from === 'number'
                  ? set(0, { gap: { fromMm: from, toMm: Math.max(gap?.toMm ?? 0, from + 1000) } })
                  : 'Type a plain length here'
              }
            />
            <LengthField
              label="to"
              valueMm={gap?.toMm ?? 0}
              disabled={!mayEdit}
              onCommit={(to) =>
                typeof to === 'number'
                  ? set(0, { gap: { fromMm: gap?.fromMm ?? 0, toMm: to } })
                  : 'Type a plain length here'
              }
            />
          </>
        )}
        {mayEdit && (isByHand || gap || !isArc) && (
          <span className="flex justify-end gap-2">
            {!gap && !isArc && (
              <ActionButton onClick={() => attempt(set(0, { gap: { fromMm: lengthMm * 0.4, toMm: lengthMm * 0.6 } }))}>
                Part the line
              </ActionButton>
            )}
            {gap && <ActionButton onClick={() => attempt(set(0, { gap: null }))}>Close the gap</ActionButton>}
            {isByHand && (
              <ActionButton
                onClick={() => {
                  for (const end of [0, 1] as const) if (markAt(line, end)?.placed) attempt(set(end, { placed: null }));
                }}
              >
                Place the head by itself again
              </ActionButton>
            )}
          </span>
        )}
        <p className="text-[11px] text-ink3">
          Drag the head of a chosen line to place it by hand, the squares on it to move its ends and its gap, the line
          itself to move it.
        </p>
      </div>
    </details>
  );
}
