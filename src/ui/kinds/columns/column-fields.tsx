'use client';

import { useState } from 'react';
import { FACES } from '@/core/columns/column-input';
import { KEEPS, MATERIALS, type ColumnStack, type Keep } from '@/core/columns/column';
import { sectionMm, sectionWords } from '@/core/columns/section-shape';
import { mmOf } from '@/core/dimensions/resolve-length';
import { heldLine } from '@/core/setting-out/held-line';
import { formatLength } from '@/core/units/format-length';
import { parseAngle } from '@/core/units/parse-angle';
import { ActionButton, CheckField, ChoiceField, PlainField, TextField } from '../../fields/fields';
import { LengthField } from '../../fields/length-field';
import { useSectionReader } from '../../fields/section-field';
import { useProject, useSlice } from '../../session/store';
import {
  angle,
  BUILDING,
  choice,
  end,
  ID,
  KIND,
  own,
  place,
  section,
  type FieldsOf,
} from '../../fields/declared/field-spec';
import { none } from '@/core/kinds/kind';
import { ThingPanel } from '../../details/thing-panel';
import type { Change, CommandInputs } from '@/core/commands/command-inputs';

const FIELDS: FieldsOf<ColumnStack, Change<'columns.change', 'column' | 'columns'>> = {
  kind: KIND,
  id: ID,
  building: BUILDING,
  name: own(Mark),
  section: section('Section'),
  material: choice(
    'Material',
    MATERIALS.map((material) => [material, material] as const),
  ),
  place: place('Stands at'),
  turnDeg: angle('Turned'),
  startsAt: end('Starts at'),
  stopsAt: end('Stops at', { mayBeRoof: true }),
  holds: own(({ record }) => <HeldTo columns={[record.id]} />),
  exceptions: own(({ record }) => <Exceptions columns={[record.id]} />),
  head: own(({ record }) => <Blocks columns={[record.id]} />),
  thickening: none('It is shown with the head'),
  blocksAt: none('It is shown with the head'),
  carriedBy: own(CarriedBy),
};

/** Fields of a column stack. */
export function ColumnFields({ record: stack }: { record: ColumnStack }) {
  const run = useProject((project) => project.run);
  return (
    <ThingPanel
      record={stack}
      fields={FIELDS}
      give={(part) => run('columns.change', { column: stack.id, ...part })}
      remove="Delete this column stack"
    />
  );
}

/** Its own mark, or that of its crossing where it has none. */
function Mark({ record: stack }: { record: ColumnStack }) {
  const { solved, run, mayEdit } = useSlice('solved', 'run', 'mayEdit');
  return (
    <TextField
      label="Mark"
      value={solved?.columns.find((piece) => piece.stack === stack.id)?.mark ?? ''}
      disabled={!mayEdit}
      onCommit={(name) => run('columns.change', { column: stack.id, name: name.trim() === '' ? null : name })}
    />
  );
}

/** What carries it at the levels it resumes at. */
function CarriedBy({ record: stack }: { record: ColumnStack }) {
  const { solved, run, mayEdit } = useSlice('solved', 'run', 'mayEdit');
  return stack.carriedBy.map(({ level, words }) => (
    <TextField
      key={level}
      label={`At ${solved?.levels.find(({ id }) => id === level)?.name ?? ''} carried by`}
      value={words}
      disabled={!mayEdit}
      onCommit={(typed) => run('columns.carriedBy', { column: stack.id, level, words: typed })}
    />
  ));
}

const FACE_WORDS: Record<(typeof FACES)[number], string> = {
  interior: 'interior face',
  exterior: 'exterior face',
  centre: 'centre',
  left: 'standing left of it',
  right: 'standing right of it',
};

const stackIn = (project: { framework: { records: ReadonlyMap<string, unknown> } }, id: string) =>
  project.framework.records.get(id) as ColumnStack | undefined;

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

type Block = 'head' | 'thickening';

/** Column heads and slab thickenings. */
export function Blocks({ columns }: { columns: readonly string[] }) {
  const project = useProject((shown) => shown);
  const { framework, solved, level, run, say, mayEdit } = project;
  const stack = stackIn(project, columns[0]!);
  if (!stack || !solved) return null;
  const attempt = (refusal: string | null) => {
    if (refusal) say(refusal);
  };
  const set = (part: Change<'columns.setBlocks', 'columns'>) =>
    run('columns.setBlocks', { columns: [...columns], ...part });
  const usual: Record<Block, { widthMm: number; depthMm: number; heightMm: number }> = {
    head: { widthMm: 1200, depthMm: 1200, heightMm: 400 },
    thickening: { widthMm: 2400, depthMm: 2400, heightMm: 150 },
  };
  const levels = solved.levels.filter((each) => each.building === stack.building && each.bounding).slice(1);
  return (
    <details className="border-t border-faint pt-1.5" open={stack.head !== null || stack.thickening !== null}>
      <summary className="text-ink2">Heads and thickenings</summary>
      <div className="flex flex-col gap-1.5 pt-1.5">
        {(['head', 'thickening'] as const).map((block) => {
          const size = stack[block];
          const words = block === 'head' ? 'Column head' : 'Slab thickening';
          return (
            <div key={block} className="flex flex-col gap-1">
              <CheckField
                label={words}
                value={size !== null}
                disabled={!mayEdit}
                onChange={(on) => attempt(set({ [block]: on ? usual[block] : null }))}
              />
              {size &&
                (['widthMm', 'depthMm', 'heightMm'] as const).map((field) => (
                  <LengthField
                    key={field}
                    label={`${words}: ${field.replace('Mm', '')}`}
                    valueMm={mmOf(framework, size[field])}
                    disabled={!mayEdit}
                    onCommit={(length) => set({ [block]: { ...size, [field]: length } })}
                  />
                ))}
            </div>
          );
        })}
        {(stack.head || stack.thickening) && (
          <ChoiceField
            label="Under the slabs"
            value={stack.blocksAt === 'allButTop' ? 'allButTop' : 'chosen'}
            disabled={!mayEdit}
            choices={[
              ['allButTop', 'of all levels but the top'],
              ['chosen', 'of chosen levels'],
            ]}
            onChoose={(choice) => attempt(set({ at: choice === 'allButTop' ? 'allButTop' : level ? [level] : [] }))}
          />
        )}
        {stack.blocksAt !== 'allButTop' && (
          <div role="group" aria-label="Under the slabs of" className="flex flex-wrap gap-1">
            {levels.map(({ id, name }) => {
              const isOn = stack.blocksAt.includes(id);
              return (
                <button
                  key={id}
                  type="button"
                  aria-pressed={isOn}
                  disabled={!mayEdit}
                  className={`figures rounded-sm border px-1.5 ${isOn ? 'border-now bg-now text-sheet' : 'border-hair bg-sheet'}`}
                  onClick={() => {
                    const now = stack.blocksAt === 'allButTop' ? [] : stack.blocksAt;
                    attempt(set({ at: isOn ? now.filter((each) => each !== id) : [...now, id] }));
                  }}
                >
                  {name}
                </button>
              );
            })}
          </div>
        )}
      </div>
    </details>
  );
}
