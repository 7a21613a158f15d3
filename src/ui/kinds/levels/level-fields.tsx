'use client';

import { AlertDialog } from 'radix-ui';
import { useState } from 'react';
import type { Change } from '@/core/commands/command-inputs';
import { none } from '@/core/kinds/kind';
import { type Level } from '@/core/levels/level';
import { LEVEL_KINDS } from '@/core/levels/level-kinds';
import { removalPreview, type EndsChoice } from '@/core/levels/remove-level';
import { levelById } from '@/core/levels/resolve-levels';
import { formatArea } from '@/core/units/format-length';
import { BUILDING, check, choice, ID, KIND, length, own, type FieldsOf } from '../../fields/declared/field-spec';
import { RecordFields } from '../../fields/declared/record-fields';
import { ActionButton, ChoiceField, PlainField, TextField } from '../../fields/fields';
import { LengthField, useLengthReader } from '../../fields/length-field';
import { readPlaceText } from '../../fields/place-text';
import { useSlice } from '../../session/store';
import { TypicalFields } from './typical-fields';
import { BudgetFields } from './budget-fields';
import { OutlineFields } from '../../fields/declared/outline-fields';

const FIELDS: FieldsOf<Level, Change<'levels.change', 'level'>> = {
  kind: KIND,
  id: ID,
  building: BUILDING,
  name: own(Names),
  title: none('It is typed beside the name'),
  from: none('Which level holds it follows from their order'),
  heightMm: own(Heights),
  buildUpMm: length('Floor build-up'),
  levelKind: choice(
    'Kind',
    LEVEL_KINDS.map((kind) => [kind, kind === 'datum' ? 'datum only' : kind] as const),
  ),
  extent: own(PartOfPlan),
  wayOut: own(WayOut),
  locked: check('Locked: other edits cannot move it'),
  budget: own(Storey),
};

/** Fields of a level: every one it has; and its removal with a look at what that reaches. */
export function LevelFields({ record: level }: { record: Level }) {
  const { run, mayEdit } = useSlice('run', 'mayEdit');
  const [removing, setRemoving] = useState(false);
  return (
    <div className="flex flex-col gap-1.5">
      <RecordFields
        record={level}
        fields={FIELDS}
        building={level.building}
        give={(part) => run('levels.change', { level: level.id, ...part })}
      />
      {mayEdit && (
        <ActionButton weight="danger" onClick={() => setRemoving(true)}>
          Remove this level …
        </ActionButton>
      )}
      {removing && <RemoveDialog level={level} onClose={() => setRemoving(false)} />}
    </div>
  );
}

const WAY_OUT_CHOICES = [
  ['ground', 'if it is the ground'],
  ['yes', 'yes'],
  ['no', 'no'],
] as const;

/** Whether one gets out of the building at this level. */
function WayOut({ record: level }: { record: Level }) {
  const { run, mayEdit, say, solved } = useSlice('run', 'mayEdit', 'say', 'solved');
  const isExit = solved?.waysOut.find((each) => each.level === level.id)?.isExit ?? false;
  return (
    <>
      <ChoiceField
        label="Way out of the building"
        value={level.wayOut === null ? 'ground' : level.wayOut ? 'yes' : 'no'}
        choices={WAY_OUT_CHOICES}
        disabled={!mayEdit}
        onChoose={(value) => {
          const wayOut = value === 'ground' ? null : value === 'yes';
          const refusal = run('levels.change', { level: level.id, wayOut });
          if (refusal) say(refusal);
        }}
      />
      {level.wayOut === null && isExit && (
        <p className="text-right text-[11px] text-ink3">it is: nearest to the building’s zero</p>
      )}
    </>
  );
}

function Names({ record: level }: { record: Level }) {
  const { run, mayEdit } = useSlice('run', 'mayEdit');
  const rename = (part: Change<'levels.rename', 'level'>) => run('levels.rename', { level: level.id, ...part });
  return (
    <>
      <TextField label="Name" value={level.name} disabled={!mayEdit} onCommit={(name) => rename({ name })} />
      <TextField label="Use" value={level.title} disabled={!mayEdit} onCommit={(title) => rename({ title })} />
    </>
  );
}

/** How high it lies, how high its storey is, and whether levels beyond move along. */
function Heights({ record: level }: { record: Level }) {
  const { solved, mode, run, mayEdit } = useSlice('solved', 'mode', 'run', 'mayEdit');
  const shown = solved?.levels.find(({ id }) => id === level.id);
  if (!shown) return null;
  return (
    <>
      <LengthField
        label="Finished floor at (FFL)"
        valueMm={shown.fflMm}
        disabled={!mayEdit}
        onCommit={(fflMm) => run('levels.setElevation', { level: level.id, fflMm, mode })}
      />
      {shown.storeyHeightMm !== null && (
        <LengthField
          label="Floor to floor"
          valueMm={shown.storeyHeightMm}
          disabled={!mayEdit}
          onCommit={(heightMm) => run('levels.setHeight', { level: level.id, heightMm, mode })}
        />
      )}
      <ModeField />
    </>
  );
}

function PartOfPlan({ record: level }: { record: Level }) {
  if (level.levelKind !== 'mezzanine') return null;
  return level.extent ? <Extent level={level} /> : <NewExtent level={level} />;
}

/** Its slab's area, what follows it, and how the height of its storey is spent. */
function Storey({ record: level }: { record: Level }) {
  const { solved, display } = useSlice('solved', 'display');
  const floors = solved?.floors.filter((piece) => piece.level === level.id) ?? [];
  const area = floors.reduce((sum, piece) => sum + solved!.profiles[piece.profile]!.areaMm2, 0);
  return (
    <>
      <p className="border-t border-faint pt-1.5 text-ink2">
        {floors.length === 0 ? 'No slab here.' : `Net floor area ${formatArea(area, display)}.`}
      </p>
      <TypicalFields key={level.id} level={level} />
      <BudgetFields level={level} />
    </>
  );
}

/** A mezzanine's part of the plan. Columns within it are parted there. */
function Extent({ level }: { level: Level }) {
  const { run, say, mayEdit } = useSlice('run', 'say', 'mayEdit');
  if (!level.extent) return null;
  return (
    <div className="flex flex-col gap-1.5 border-l-2 border-hair pl-2">
      <OutlineFields
        label="Extent"
        outline={level.extent}
        sizes={['Extent, width', 'Extent, depth']}
        building={level.building}
        disabled={!mayEdit}
        put={(extent) => run('levels.change', { level: level.id, extent })}
      />
      <span className="self-end">
        <ActionButton
          disabled={!mayEdit}
          onClick={() => {
            const refusal = run('levels.change', { level: level.id, extent: null });
            if (refusal) say(refusal);
          }}
        >
          No extent
        </ActionButton>
      </span>
    </div>
  );
}

/** A rectangle for a mezzanine that has no extent yet, from its lower left corner. */
function NewExtent({ level }: { level: Level }) {
  const { display, run, mayEdit } = useSlice('display', 'run', 'mayEdit');
  const read = useLengthReader();
  const [place, setPlace] = useState('');
  const [width, setWidth] = useState('');
  const [depth, setDepth] = useState('');
  const [refused, setRefused] = useState<string | null>(null);
  const [w, d, at] = [read(width), read(depth), readPlaceText(place, display)];
  const take = () => {
    if (!at.ok) return setRefused(at.refusal.message);
    if (!w.ok) return setRefused(w.words);
    if (!d.ok) return setRefused(d.words);
    const extent = { type: 'rectangle' as const, place: at.value.input, widthMm: w.input, depthMm: d.input };
    setRefused(run('levels.change', { level: level.id, extent }));
  };
  return (
    <form
      aria-label="Extent of the mezzanine"
      className="flex flex-col gap-1 border-l-2 border-hair pl-2"
      onSubmit={(event) => {
        event.preventDefault();
        take();
      }}
    >
      <PlainField
        label="Extent, corner at"
        value={place}
        onChange={setPlace}
        note={place && !at.ok ? at.refusal.message : null}
      />
      <PlainField label="Extent, width" value={width} onChange={setWidth} note={width === '' ? null : w.words} />
      <PlainField label="Extent, depth" value={depth} onChange={setDepth} note={depth === '' ? null : d.words} />
      {refused && (
        <p role="alert" className="text-[11px] text-wrong">
          {refused}
        </p>
      )}
      <span className="flex justify-end gap-2">
        <ActionButton type="submit" disabled={!mayEdit}>
          Take this extent
        </ActionButton>
      </span>
    </form>
  );
}

/** Whether levels beyond move along; shared with the height strip, and remembered. */
function ModeField() {
  const { mode, set, mayEdit } = useSlice('mode', 'set', 'mayEdit');
  return (
    <ChoiceField
      label="When it moves"
      value={mode}
      disabled={!mayEdit}
      choices={[
        ['push', 'push those beyond'],
        ['only', 'only this one'],
      ]}
      onChoose={(next) => set({ mode: next })}
    />
  );
}

const ENDS: readonly (readonly [EndsChoice, string])[] = [
  ['nextLevel', 'go to the next level'],
  ['keepHeight', 'stay where they are'],
  ['delete', 'are deleted'],
];

function RemoveDialog({ level, onClose }: { level: Level; onClose: () => void }) {
  const { framework, run, say, select } = useSlice('framework', 'run', 'say', 'select');
  const [ends, setEnds] = useState<EndsChoice>('nextLevel');
  const resolved = levelById(framework, level.id);
  const reached = resolved ? removalPreview(framework, resolved) : [];
  return (
    <AlertDialog.Root open onOpenChange={(open) => !open && onClose()}>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-40 bg-ink/10" />
        <AlertDialog.Content className="fixed top-1/4 left-1/2 z-50 flex w-96 -translate-x-1/2 flex-col gap-3 rounded-sm border border-ink3 bg-sheet p-4 shadow-lg">
          <AlertDialog.Title className="text-[15px] font-bold">Remove level {level.name}?</AlertDialog.Title>
          <AlertDialog.Description className="text-ink2">
            {reached.length === 0
              ? 'Nothing starts, stops or stands there. The other levels stay where they are.'
              : `It reaches ${reached.length} things. The other levels stay where they are.`}
          </AlertDialog.Description>
          {reached.length > 0 && (
            <>
              <ul className="max-h-40 list-disc overflow-y-auto pl-4">
                {reached.map((line, i) => (
                  <li key={i}>{line}</li>
                ))}
              </ul>
              <ChoiceField label="Things that start or stop there" value={ends} choices={ENDS} onChoose={setEnds} />
            </>
          )}
          <div className="flex justify-end gap-2">
            <AlertDialog.Cancel asChild>
              <button type="button" className="rounded-sm border border-hair px-2.5 py-1 font-semibold">
                Keep it
              </button>
            </AlertDialog.Cancel>
            <ActionButton
              weight="danger"
              onClick={() => {
                const refusal = run('levels.remove', { level: level.id, ends });
                onClose();
                if (refusal) say(refusal);
                else select([]);
              }}
            >
              Remove level {level.name}
            </ActionButton>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
