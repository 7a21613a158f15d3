'use client';

import { useState } from 'react';
import { KEEPS, type Keep } from '@/core/columns/column';
import { sectionMm, sectionWords } from '@/core/columns/section-shape';
import { formatLength } from '@/core/units/format-length';
import { parseAngle } from '@/core/units/parse-angle';
import { ActionButton, CheckField, ChoiceField, PlainField } from '../../fields/fields';
import { LengthField } from '../../fields/length-field';
import { useSectionReader } from '../../fields/section-field';
import { useProject } from '../../session/store';
import { stackIn } from './stack-in';

const KEEP_WORDS: Record<Keep, string> = {
  centre: 'its centre',
  'x+': 'its right face',
  'x-': 'its left face',
  'y+': 'its upper face',
  'y-': 'its lower face',
};

/** Where stacks differ by level: another section, left out, moved or turned; here only or from here up. */
export function Exceptions({ columns }: { columns: readonly string[] }) {
  const project = useProject((shown) => shown);
  const { framework, solved, level, display, run, say, mayEdit } = project;
  const stack = stackIn(project, columns[0]!);
  const [what, setWhat] = useState<'section' | 'leftOut' | 'move'>('section');
  const [text, setText] = useState('400x400');
  const [keep, setKeep] = useState<Keep>('centre');
  const [upwards, setUpwards] = useState(true);
  const [by, setBy] = useState({ x: 0 as number | string, y: 0 as number | string, turn: '0' });
  const [carrier, setCarrier] = useState('');
  const read = useSectionReader();
  if (!stack || !solved) return null;
  const name = (id: string) => solved.levels.find((each) => each.id === id)?.name ?? '?';
  const transfers = solved.findings.filter(({ rule, about }) => rule === 'column.transfer' && about.includes(stack.id));
  const section = read(text);
  const attempt = (refusal: string | null) => {
    if (refusal) say(refusal);
  };
  const add = () => {
    const angle = parseAngle(by.turn);
    if (what === 'section' && !section.ok) return say(section.words);
    if (!angle.ok) return say(angle.refusal.message);
    attempt(
      run('columns.except', {
        columns: [...columns],
        level: level ?? '',
        upwards,
        ...(what === 'leftOut' ? { leftOut: true } : {}),
        ...(what === 'section' && section.ok ? { section: section.input, keep } : {}),
        ...(what === 'move' ? { xMm: by.x, yMm: by.y, turnDeg: angle.value } : {}),
      }),
    );
  };
  return (
    <details className="border-t border-faint pt-1.5" open={stack.exceptions.length > 0 && columns.length === 1}>
      <summary className="text-ink2">Differs by level</summary>
      <div className="flex flex-col gap-1.5 pt-1.5">
        {columns.length === 1 &&
          [...stack.exceptions]
            .sort((a, b) => heightOf(b.level) - heightOf(a.level))
            .map((each) => (
              <p key={`${each.level} ${each.upwards}`} className="flex items-baseline justify-between gap-2">
                <span>
                  <strong>{each.upwards ? `${name(each.level)} and up` : `${name(each.level)} only`}</strong>{' '}
                  {each.leftOut
                    ? 'left out'
                    : each.section
                      ? sectionWords(sectionMm(framework, each.section), (mm) => formatLength(mm, display))
                      : each.turnDeg !== 0
                        ? `turned ${each.turnDeg}°`
                        : 'moved'}
                </span>
                {mayEdit && (
                  <button
                    type="button"
                    className="text-[11px] text-ink2 underline"
                    onClick={() => attempt(run('columns.asBelow', { columns: [stack.id], level: each.level }))}
                  >
                    as below
                  </button>
                )}
              </p>
            ))}
        {transfers.map((finding) => (
          <form
            key={finding.key}
            aria-label="What carries it"
            className="flex flex-col gap-1 border-l-2 border-look pl-2"
            onSubmit={(event) => {
              event.preventDefault();
              attempt(
                run('columns.carriedBy', { column: stack.id, level: finding.level ?? '', words: carrier.trim() }),
              );
            }}
          >
            <PlainField label={`Carried at ${name(finding.level ?? '')} by`} value={carrier} onChange={setCarrier} />
            <span className="self-end">
              <ActionButton type="submit" disabled={carrier.trim() === ''}>
                Say so
              </ActionButton>
            </span>
          </form>
        ))}
        {stack.carriedBy.length > 0 && columns.length === 1 && (
          <p className="text-ink2">
            {stack.carriedBy.map((each) => `At ${name(each.level)} carried by ${each.words}`).join('; ')}
          </p>
        )}
        {mayEdit && (
          <>
            <ChoiceField
              label={`At ${level ? name(level) : ''}`}
              value={what}
              choices={[
                ['section', 'another section'],
                ['leftOut', 'left out'],
                ['move', 'moved or turned'],
              ]}
              onChoose={setWhat}
            />
            {what === 'section' && (
              <>
                <PlainField
                  label="Section there"
                  value={text}
                  onChange={setText}
                  note={section.words}
                  wrong={!section.ok}
                />
                <ChoiceField
                  label="Keeps"
                  value={keep}
                  choices={KEEPS.map((each) => [each, KEEP_WORDS[each]] as const)}
                  onChoose={setKeep}
                />
              </>
            )}
            {what === 'move' && (
              <>
                <LengthField
                  label="Along x by"
                  valueMm={typeof by.x === 'number' ? by.x : 0}
                  onCommit={(x) => {
                    setBy({ ...by, x });
                    return null;
                  }}
                />
                <LengthField
                  label="Along y by"
                  valueMm={typeof by.y === 'number' ? by.y : 0}
                  onCommit={(y) => {
                    setBy({ ...by, y });
                    return null;
                  }}
                />
                <PlainField label="Turned by" value={by.turn} onChange={(turn) => setBy({ ...by, turn })} />
              </>
            )}
            <CheckField label="From there up" value={upwards} onChange={setUpwards} />
            <span className="self-end">
              <ActionButton onClick={add}>Let it differ</ActionButton>
            </span>
          </>
        )}
      </div>
    </details>
  );

  function heightOf(id: string): number {
    return solved?.levels.find((each) => each.id === id)?.fflMm ?? 0;
  }
}
