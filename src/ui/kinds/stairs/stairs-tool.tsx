'use client';

import { forReader } from '@/core/units/for-reader';
import { useEffect, useMemo, useRef, useState } from 'react';
import { resolveOutline } from '@/core/setting-out/resolve-outline';
import { counterClockwise } from '@/core/geometry/polygon';
import { freeName } from '@/core/commands/free-name';
import { previewStair } from '@/core/stairs/preview-stair';
import { projectRules, ruleChoices } from '@/core/rule-sets/rules-in';
import { ChoiceField, PlainField } from '../../fields/fields';
import { useSlice } from '../../session/store';
import { StairStoreys } from './stair-storeys';
import { goesRound, type StairForm } from '@/core/stairs/stair-form';
import { entryChoices, FIT_CHOICES, FORM_CHOICES, OPENING_CHOICES, TURN_CHOICES } from './stair-words';
import { useBegin } from '../../tools/use-begin';
import { LevelSpan } from '../../tools/level-span';
import { useGhost } from '../../tools/plan-busy';
import { ToolForm } from '../../tools/tool-form';
import { outlineShape, usePath } from '../../tools/use-path';
import { useLengthEntry } from '../../tools/use-length-entry';
import { useRectangle } from '../../tools/use-rectangle';
import type { CommandInputs } from '@/core/commands/command-inputs';
import { usePreview } from '../../session/use-preview';

const HOW = {
  well: 'Drag the well in the plan, or type. Each storey is climbed in it on its own.',
  corners:
    'Press the corners of the well in the plan, one after the other, or type the path. Flights go along its sides.',
  free: 'Press the corner where it begins, then which way it goes up, or type. It is as large as it must be.',
} as const;
const RECTANGLE = [
  { x: 0, y: 0 },
  { x: 1, y: 0 },
  { x: 1, y: 1 },
  { x: 0, y: 1 },
];

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
  const [fit, setFit] = useState<'well' | 'corners' | 'free'>('well');
  const well = useRectangle([2600, 5600], fit === 'well', () => adding.current());
  const path = usePath(fit === 'corners', { shape: outlineShape, end: () => adding.current() });
  const free = useBegin(fit === 'free');
  const wide = useLengthEntry(1000);
  const [name, setName] = useState('');
  const [rules, setRules] = useState(projectRules(framework));
  const [entry, setEntry] = useState('0');
  const [turn, setTurn] = useState<'left' | 'right'>('left');
  const [opening, setOpening] = useState<'well' | 'tight'>('well');
  const landing = useLengthEntry(0);
  const [span, setSpan] = useState<{ from: string | null; to: string | null }>({ from: null, to: null });
  const landingMm = landing.orZero;
  const { outline } = well;
  const { begin } = free;
  const flightMm = wide.ok ? wide.input : null;
  const place = useMemo(() => {
    if (fit === 'well') return { well: outline };
    const { place: at, points } = path.path ?? { place: '0,0', points: [] };
    return {
      ...(fit === 'free' ? { begin } : { well: { type: 'polygon' as const, place: at, points } }),
      ...(flightMm === null ? {} : { widthMm: flightMm }),
    };
  }, [fit, begin, flightMm, outline, path.path]);
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
      ...(fit === 'free' ? {} : { floorLandingMm: landingMm }),
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
  // Before it can be made: the sides of a rectangle.
  const drawnWell = useMemo(
    () => (fit === 'corners' ? counterClockwise(path.corners) : RECTANGLE),
    [fit, path.corners],
  );
  const sides = useMemo(() => entryChoices(drawnWell.length > 2 ? drawnWell : null), [drawnWell]);
  const chooseFit = (next: typeof fit) => {
    setFit(next);
    setEntry('0');
    if (next === 'corners' && !goesRound(form)) setForm('threeFlight');
  };
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
  const wideWrong = wide.ok ? null : wide.words;
  const placeWrong = {
    well: well.wrong,
    corners: path.corners.length < 3 ? 'Press three corners or more in the plan, or type a path' : wideWrong,
    free: free.wrong ?? wideWrong,
  }[fit];
  const add = () => {
    const refusal = placeWrong ?? (landing.ok ? null : landing.words) ?? run('stairs.add', input);
    if (refusal) return refusal;
    setName('');
    if (fit === 'corners') path.setText('');
    return null;
  };
  useEffect(() => {
    adding.current = add;
  });
  if (!mayEdit) return <p className="text-ink2">Press a stair in the plan to see how each storey is climbed.</p>;
  return (
    <ToolForm does="Add the stair" preview={placeWrong ? null : preview} act={add}>
      <p className="text-ink2">{HOW[fit]} The floors open by themselves.</p>
      <PlainField
        label="Name"
        value={name}
        onChange={setName}
        note={name === '' ? `empty: ${freeName(framework, 'stair')}` : null}
      />
      <ChoiceField label="Form" value={form} choices={FORM_CHOICES} onChoose={setForm} />
      <ChoiceField label="As large as" value={fit} choices={FIT_CHOICES} onChoose={chooseFit} />
      {fit === 'corners' && (
        <PlainField label="Path" value={path.text} onChange={path.setText} note={path.words} wrong={path.wrong} wide />
      )}
      {{ free: free.fields, well: well.fields, corners: [] }[fit].map((field) => (
        <PlainField key={field.label} {...field} />
      ))}
      {fit === 'free' && (
        <ChoiceField label="One goes up" value={free.towards} choices={free.choices} onChoose={free.setTowards} />
      )}
      {fit !== 'well' && <PlainField label="Flight, wide" {...wide.field} />}
      {fit !== 'free' && <ChoiceField label="One comes in from" value={entry} choices={sides} onChoose={setEntry} />}
      <ChoiceField label="Going up one turns" value={turn} choices={TURN_CHOICES} onChoose={setTurn} />
      {fit !== 'free' && (
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
