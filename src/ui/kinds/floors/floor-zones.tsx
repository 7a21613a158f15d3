'use client';

import { useState } from 'react';
import { mmOf } from '@/core/dimensions/resolve-length';
import type { FloorPlate, FloorZone } from '@/core/floors/floor';
import { formatForEntry, formatLength } from '@/core/units/format-length';
import { ActionButton, CheckField, PlainField } from '../../fields/fields';
import { ID, length, outline, own, text, type FieldsOf } from '../../fields/declared/field-spec';
import { RecordFields } from '../../fields/declared/record-fields';
import { SomeLevels } from '../../fields/declared/some-levels';
import { useLengthReader } from '../../fields/length-field';
import type { Change } from '@/core/commands/command-inputs';
import { useSlice } from '../../session/store';
import { useRectangle } from '../../tools/use-rectangle';

const fieldsIn = (plate: FloorPlate): FieldsOf<FloorZone, Change<'floors.setZone', 'floor' | 'zone'>> => ({
  id: ID,
  name: text('Zone'),
  shiftMm: length(({ name }) => `SSL of ${name}, over its level`),
  buildUpMm: length(({ name }) => `Build-up of ${name}`, {
    fromNull: ['A build-up of its own', 100],
    toNull: 'Build-up as its level',
  }),
  thicknessMm: length(({ name }) => `Thickness of ${name}`, {
    ifNull: (_, { framework }) => mmOf(framework, plate.thicknessMm),
    toNull: 'As thick as its plate',
  }),
  outline: outline('Zone', ['Zone, wide', 'Zone, deep']),
  levels: own(({ record }) => <ZoneLevels plate={plate} zone={record} />),
});

/** At all levels of its plate, or at some. */
function ZoneLevels({ plate, zone }: { plate: FloorPlate; zone: FloorZone }) {
  const { solved, run } = useSlice('solved', 'run');
  const served = new Set(solved?.floors.filter((piece) => piece.plate === plate.id).map(({ level }) => level));
  return (
    <SomeLevels
      label={`${zone.name} at`}
      at={zone.levels}
      levels={(solved?.levels ?? []).filter(({ id }) => served.has(id))}
      words={['all its levels', 'some levels']}
      put={(levels) => run('floors.setZone', { floor: plate.id, zone: zone.id, levels })}
    />
  );
}

/** Parts of a floor plate with another SSL or build-up: those there are, and a new one drawn in the plan. */
export function FloorZones({ plate }: { plate: FloorPlate }) {
  const { solved, display, mayEdit, run, say } = useSlice('solved', 'display', 'mayEdit', 'run', 'say');
  const attempt = (refusal: string | null) => {
    if (refusal) say(refusal);
  };
  const levelName = (id: string) => solved?.levels.find((each) => each.id === id)?.name ?? '';
  return (
    <details className="border-t border-faint pt-1.5" open={plate.zones.length > 0 || undefined}>
      <summary className="text-ink2">Zones at another height</summary>
      <div className="flex flex-col gap-1.5 pt-1.5">
        {plate.zones.map((zone) => (
          <fieldset key={zone.id} className="flex flex-col gap-1 border-t border-faint pt-1.5 first:border-t-0">
            <legend className="sr-only">Zone {zone.name}</legend>
            <p className="flex items-baseline justify-between gap-2">
              <span>
                <strong>{zone.name}</strong>{' '}
                {zone.levels === 'all' ? 'at all its levels' : `at ${zone.levels.map(levelName).join(', ')}`}
                {stepWords(zone)}
              </span>
              {mayEdit && (
                <ActionButton
                  onClick={() => attempt(run('floors.removeZone', { floor: plate.id, zone: zone.id }))}
                  title={`Take ${zone.name} out`}
                >
                  Take out
                </ActionButton>
              )}
            </p>
            <RecordFields
              record={zone}
              fields={fieldsIn(plate)}
              building={plate.building}
              give={(part) => run('floors.setZone', { floor: plate.id, zone: zone.id, ...part })}
            />
          </fieldset>
        ))}
        {mayEdit && <NewZone plate={plate} />}
      </div>
    </details>
  );

  /** The step of its floor, where that is the same at all its levels. */
  function stepWords(zone: FloorZone): string {
    const steps = new Set(
      solved?.floors.flatMap((piece) => (piece.zone?.id === zone.id ? [piece.zone.stepMm] : [])) ?? [],
    );
    const [only] = steps;
    if (only === undefined || steps.size > 1) return '';
    if (only === 0) return ', no step';
    return `, a step of ${formatLength(Math.abs(only), display)} ${only > 0 ? 'up' : 'down'}`;
  }
}

function NewZone({ plate }: { plate: FloorPlate }) {
  const { level, solved, display, run, set } = useSlice('level', 'solved', 'display', 'run', 'set');
  const read = useLengthReader();
  const [isOpen, setOpen] = useState(false);
  const [name, setName] = useState('');
  const [shift, setShift] = useState(() => formatForEntry(-50, display));
  const [buildUp, setBuildUp] = useState('');
  const [isHereOnly, setHereOnly] = useState(true);
  const [refused, setRefused] = useState<string | null>(null);
  const rectangle = useRectangle([3000, 2000], isOpen);
  const here = solved?.levels.find(({ id }) => id === level);
  if (!isOpen)
    return (
      <span className="self-end">
        <ActionButton onClick={() => setOpen(true)}>A zone there …</ActionButton>
      </span>
    );
  const [s, b] = [read(shift), buildUp.trim() === '' ? null : read(buildUp)];
  const close = () => {
    setOpen(false);
    set({ ghost: null });
  };
  const add = () => {
    if (!s.ok) return setRefused(s.words);
    if (b && !b.ok) return setRefused(b.words);
    const refusal = run('floors.setZone', {
      floor: plate.id,
      ...(name.trim() ? { name: name.trim() } : {}),
      outline: rectangle.outline,
      levels: isHereOnly && level ? [level] : 'all',
      shiftMm: s.input,
      ...(b?.ok ? { buildUpMm: b.input } : {}),
    });
    setRefused(refusal);
    if (!refusal) close();
  };
  return (
    <fieldset className="flex flex-col gap-1 border-t border-faint pt-2">
      <legend className="text-ink2">Zone: drag it in the plan, or type</legend>
      <PlainField label="Name" value={name} onChange={setName} />
      {rectangle.fields.map((field) => (
        <PlainField key={field.label} {...field} />
      ))}
      <PlainField
        label="Top of slab (SSL) over its level"
        value={shift}
        onChange={setShift}
        note={s.words}
        wrong={!s.ok}
      />
      <PlainField
        label="Build-up"
        value={buildUp}
        onChange={setBuildUp}
        note={b?.words ?? 'empty: as its level'}
        wrong={b?.ok === false}
      />
      <CheckField label={`On level ${here?.name ?? ''} only`} value={isHereOnly} onChange={setHereOnly} />
      {refused && (
        <p role="alert" className="text-wrong">
          {refused}
        </p>
      )}
      <span className="flex gap-2 self-end">
        <ActionButton onClick={close}>Not now</ActionButton>
        <ActionButton weight="main" onClick={add} disabled={rectangle.wrong !== null}>
          Add the zone
        </ActionButton>
      </span>
    </fieldset>
  );
}
