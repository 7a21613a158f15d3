'use client';

import { useState } from 'react';
import { mmOf } from '@/core/dimensions/resolve-length';
import type { FloorException, FloorPlate } from '@/core/floors/floor';
import { ActionButton, CheckField, ChoiceField, PlainField } from '../../fields/fields';
import { LengthField, useLengthReader } from '../../fields/length-field';
import { useSlice, useProject } from '../../session/store';
import { ExceptionList } from '../../details/exception-list';
import { useRectangle } from '../../tools/use-rectangle';
import type { Change } from '@/core/commands/command-inputs';
import { asGiven } from '@/core/dimensions/uses';
import type { OutlineInput } from '@/core/outlines/outline-input';
import { OutlineFields } from '../../fields/declared/outline-fields';

/** What may differ of a plate at a level. */
type Except = Change<'floors.except', 'floor' | 'level' | 'upwards'>;

/** What differs at the current level of a floor plate, or from there up. */
export function FloorExceptions({ plate }: { plate: FloorPlate }) {
  const { framework, solved, level, run } = useSlice('framework', 'solved', 'level', 'run');
  const piece = solved?.floors.find((each) => each.plate === plate.id && each.level === level);
  return (
    <ExceptionList<FloorException, Except>
      exceptions={plate.exceptions}
      wordsOf={wordsOf}
      plain={{ leftOut: false, outline: null, thicknessMm: null, pulled: [], voids: [] }}
      change={(at, part) => run('floors.except', { floor: plate.id, ...at, ...part })}
    >
      {(here, { except, attempt }) => (
        <>
          <CheckField label="Left out" value={here?.leftOut ?? false} onChange={(leftOut) => attempt({ leftOut })} />
          <LengthField
            label="Thickness there"
            valueMm={
              here?.thicknessMm
                ? mmOf(framework, here.thicknessMm)
                : (piece?.thicknessMm ?? mmOf(framework, plate.thicknessMm))
            }
            onCommit={(thicknessMm) => except({ thicknessMm })}
          />
          <PullBack here={here} edges={piece?.outline.length ?? 0} onTake={except} />
          <OwnVoid onTake={(outline) => except({ voids: [...asGiven(framework, here?.voids ?? []), outline] })} />
          {here?.voids.map((each, i) => (
            <fieldset key={i} className="flex flex-col gap-1 border-t border-faint pt-1.5">
              <legend className="sr-only">Void {i + 1}</legend>
              <OutlineFields
                label={`Void ${i + 1}`}
                outline={each}
                sizes={[`Void ${i + 1}, wide`, `Void ${i + 1}, deep`]}
                building={plate.building}
                disabled={false}
                put={(next) =>
                  except({ voids: asGiven(framework, here.voids).map((old, k) => (k === i ? next : old)) })
                }
              />
              <span className="self-end">
                <ActionButton
                  onClick={() => attempt({ voids: asGiven(framework, here.voids).filter((_, k) => k !== i) })}
                >
                  Close void {i + 1}
                </ActionButton>
              </span>
            </fieldset>
          ))}
          {here?.pulled.map(({ edge, byMm }) => (
            <LengthField
              key={edge}
              label={`Edge ${edge + 1} pulled back by`}
              valueMm={mmOf(framework, byMm)}
              onCommit={(length) =>
                except({
                  pulled: asGiven(framework, here.pulled).flatMap((each) =>
                    each.edge !== edge ? [each] : length === 0 ? [] : [{ edge, byMm: length }],
                  ),
                })
              }
            />
          ))}
          {here?.outline && (
            <>
              <OutlineFields
                label="Outline there"
                outline={here.outline}
                sizes={['Outline there, wide', 'Outline there, deep']}
                building={plate.building}
                disabled={false}
                put={(outline) => except({ outline })}
              />
              <span className="self-end">
                <ActionButton onClick={() => attempt({ outline: null })}>As its plate’s outline</ActionButton>
              </span>
            </>
          )}
        </>
      )}
    </ExceptionList>
  );
}

const wordsOf = (each: FloorException): string =>
  [
    each.leftOut && 'left out',
    each.outline && 'another outline',
    each.thicknessMm !== null && 'another thickness',
    each.pulled.length > 0 && `${each.pulled.length} ${each.pulled.length === 1 ? 'edge' : 'edges'} pulled back`,
    each.voids.length > 0 && `${each.voids.length} ${each.voids.length === 1 ? 'void' : 'voids'}`,
  ]
    .filter(Boolean)
    .join(', ');

/** One edge pulled back by a length. Edges count counter-clockwise from the lower left. */
function PullBack({
  here,
  edges,
  onTake,
}: {
  here: FloorException | undefined;
  edges: number;
  onTake: (part: Except) => string | null;
}) {
  const framework = useProject((project) => project.framework);
  const read = useLengthReader();
  const [edge, setEdge] = useState('0');
  const [by, setBy] = useState('');
  const [refused, setRefused] = useState<string | null>(null);
  const length = by === '' ? null : read(by);
  const take = () => {
    if (!length?.ok) return setRefused(length?.words ?? 'Type how far');
    const pulled = (here?.pulled ?? []).filter((each) => each.edge !== Number(edge));
    const next = [...asGiven(framework, pulled), { edge: Number(edge), byMm: length.input }];
    const refusal = onTake({ pulled: next });
    setRefused(refusal);
    if (!refusal) setBy('');
  };
  return (
    <fieldset className="flex flex-col gap-1 border-t border-faint pt-2">
      <legend className="sr-only">Pull an edge back</legend>
      <ChoiceField
        label="Pull back edge"
        value={edge}
        choices={Array.from({ length: edges }, (_, i) => [String(i), String(i + 1)] as const)}
        onChoose={setEdge}
      />
      <PlainField
        label="by"
        value={by}
        onChange={setBy}
        note={refused ?? length?.words ?? null}
        wrong={refused !== null || length?.ok === false}
      />
      <span className="self-end">
        <ActionButton onClick={take} disabled={edges === 0}>
          Pull back
        </ActionButton>
      </span>
    </fieldset>
  );
}

/** A void of the plate's own, typed or drawn in the plan. */
function OwnVoid({ onTake }: { onTake: (outline: OutlineInput) => string | null }) {
  const { set, say } = useSlice('set', 'say');
  const [isOpen, setOpen] = useState(false);
  const rectangle = useRectangle([4000, 4000], isOpen);
  if (!isOpen)
    return (
      <span className="self-end border-t border-faint pt-2">
        <ActionButton onClick={() => setOpen(true)}>A void there …</ActionButton>
      </span>
    );
  return (
    <fieldset className="flex flex-col gap-1 border-t border-faint pt-2">
      <legend className="text-ink2">Void: drag it in the plan, or type</legend>
      {rectangle.fields.map((field) => (
        <PlainField key={field.label} {...field} />
      ))}
      <span className="flex gap-2 self-end">
        <ActionButton
          onClick={() => {
            setOpen(false);
            set({ ghost: null });
          }}
        >
          Not now
        </ActionButton>
        <ActionButton
          weight="main"
          onClick={() => {
            const refusal = rectangle.wrong ?? onTake(rectangle.outline);
            if (refusal) say(refusal);
            else setOpen(false);
          }}
        >
          Add the void
        </ActionButton>
      </span>
    </fieldset>
  );
}
