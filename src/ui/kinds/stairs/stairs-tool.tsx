'use client';

import { forReader } from '@/core/units/for-reader';
import { useEffect, useMemo, useRef, useState } from 'react';
import { resolveOutline } from '@/core/setting-out/resolve-outline';
import { freeName } from '@/core/commands/free-name';
import { previewStair } from '@/core/stairs/preview-stair';
import { projectRules, ruleChoices } from '@/core/rule-sets/rules-in';
import { ChoiceField, PlainField } from '../../fields/fields';
import { useSlice } from '../../session/store';
import { StairStoreys } from './stair-storeys';
import type { StairForm } from '@/core/stairs/stair-form';
import { ENTRY_CHOICES, FIT_CHOICES, FORM_CHOICES, OPENING_CHOICES, TURN_CHOICES } from './stair-words';
import { useBegin } from '../../tools/use-begin';
import { LevelSpan } from '../../tools/level-span';
import { useGhost } from '../../tools/plan-busy';
import { ToolForm } from '../../tools/tool-form';
import { useLengthEntry } from '../../tools/use-length-entry';
import { useRectangle } from '../../tools/use-rectangle';
import type { CommandInputs } from '@/core/commands/command-inputs';
import { usePreview } from '../../session/use-preview';

/** A stair in a well, or free: every storey is solved while it is placed. */
export function StairsTool() {
  const { framework, building, mayEdit, display, run, solved } = useSlice(
    'framework',
    'session',
    'building',
    'mayEdit',
    'display',
    'run',
    'solved',
  );
  // The latest is what Enter in the plan adds.
  const adding = useRef<() => string | null>(() => null);
  const [form, setForm] = useState<StairForm>('halfLanding');
  const [fit, setFit] = useState<'well' | 'free'>('well');
  const well = useRectangle([2600, 5600], fit === 'well', () => adding.current());
  const free = useBegin(fit === 'free');
  const wide = useLengthEntry(1000);
  const [name, setName] = useState('');
  const [rules, setRules] = useState(projectRules(framework));
  const [entry, setEntry] = useState<'0' | '1' | '2' | '3'>('0');
  const [turn, setTurn] = useState<'left' | 'right'>('left');
  const [opening, setOpening] = useState<'well' | 'tight'>('well');
  const landing = useLengthEntry(0);
  const [span, setSpan] = useState<{ from: string | null; to: string | null }>({ from: null, to: null });
  const landingMm = landing.orZero;
  const { outline } = well;
  const { begin } = free;
  const flightMm = wide.ok ? wide.input : null;
  const place = useMemo(
    () => (fit === 'free' ? { begin, ...(flightMm === null ? {} : { widthMm: flightMm }) } : { well: outline }),
    [fit, begin, flightMm, outline],
  );
  const input: CommandInputs['stairs.add'] = useMemo(
    () => ({
      ...(building ? { building } : {}),
      name: name.trim() || freeName(framework, 'stair'),
      form,
      ...place,
      entry: Number(entry),
      turn,
      rules,
      opening,
      ...(fit === 'well' ? { floorLandingMm: landingMm } : {}),
      ...(span.from ? { startsAt: { level: span.from } } : {}),
      ...(span.to ? { stopsAt: { level: span.to } } : {}),
    }),
    [building, name, framework, form, place, entry, turn, rules, opening, fit, landingMm, span],
  );
  const preview = usePreview('stairs.add', input);
  const shown = useMemo(() => {
    const added = preview?.ok ? preview.value.changes.added.find(({ kind }) => kind === 'stair') : undefined;
    return preview?.ok && added?.kind === 'stair'
      ? {
          ring: resolveOutline(preview.value.after, added.well),
          ...previewStair(preview.value.after, added),
        }
      : null;
  }, [preview]);
  const climbed = shown?.solved?.storeys.filter(({ steps }) => steps).length ?? 0;
  const storeys = shown?.solved?.storeys.length ?? 0;
  const note = shown ? `${climbed} of ${storeys} storeys climbed` : '';
  const lowest = shown?.solved?.storeys[0];
  const pieces = [
    ...(lowest?.flights.flatMap(({ ring }) => (ring ? [[...ring]] : [])) ?? []),
    ...(lowest?.tapered.map(({ ring }) => [...ring]) ?? []),
    ...(lowest?.landings.map(({ ring }) => [...ring]) ?? []),
  ];
  const ring = shown?.solved?.ring ?? shown?.ring;
  useGhost(ring ? { rings: [[...ring], ...pieces], points: [], note } : null);
  const add = () => {
    const wrong =
      (fit === 'free' ? (free.wrong ?? (wide.ok ? null : wide.words)) : well.wrong) ??
      (landing.ok ? null : landing.words);
    const refusal = wrong ?? run('stairs.add', input);
    if (!refusal) setName('');
    return refusal;
  };
  useEffect(() => {
    adding.current = add;
  });
  if (!mayEdit) return <p className="text-ink2">Press a stair in the plan to see how each storey is climbed.</p>;
  return (
    <ToolForm does="Add the stair" preview={(fit === 'free' ? free.wrong : well.wrong) ? null : preview} act={add}>
      <p className="text-ink2">
        {fit === 'free'
          ? 'Press the corner where it begins, then which way it goes up, or type. It is as large as it must be, and the floors open by themselves.'
          : 'Drag the well in the plan, or type. Each storey is climbed in it on its own, and the floors open by themselves.'}
      </p>
      <PlainField
        label="Name"
        value={name}
        onChange={setName}
        note={name === '' ? `empty: ${freeName(framework, 'stair')}` : null}
      />
      <ChoiceField label="Form" value={form} choices={FORM_CHOICES} onChoose={setForm} />
      <ChoiceField label="As large as" value={fit} choices={FIT_CHOICES} onChoose={setFit} />
      {(fit === 'free' ? free.fields : well.fields).map((field) => (
        <PlainField key={field.label} {...field} />
      ))}
      {fit === 'free' ? (
        <>
          <ChoiceField label="One goes up" value={free.towards} choices={free.choices} onChoose={free.setTowards} />
          <PlainField label="Flight, wide" {...wide.field} />
        </>
      ) : (
        <ChoiceField label="One comes in from" value={entry} choices={ENTRY_CHOICES} onChoose={setEntry} />
      )}
      <ChoiceField label="Going up one turns" value={turn} choices={TURN_CHOICES} onChoose={setTurn} />
      {fit === 'well' && (
        <PlainField
          label="Floor landing in the well"
          {...landing.field}
          note={landing.ok && landing.input === 0 ? '0: the floor outside is the landing' : landing.words}
        />
      )}
      <ChoiceField label="Rule set" value={rules} choices={ruleChoices(framework)} onChoose={setRules} />
      <ChoiceField label="Opening in the slabs" value={opening} choices={OPENING_CHOICES} onChoose={setOpening} />
      <LevelSpan from={span.from} to={span.to} onChange={(part) => setSpan((now) => ({ ...now, ...part }))} />
      {shown?.solved && solved && (
        <div role="status" className="border-t border-faint pt-1.5">
          <p className="font-semibold">{note}</p>
          <StairStoreys stair={shown.solved} />
          {shown.findings.map((finding) => (
            <p key={finding.key} className="text-wrong">
              {forReader(finding.message, display)}
            </p>
          ))}
        </div>
      )}
    </ToolForm>
  );
}
