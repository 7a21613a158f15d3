'use client';

import { useMemo, useState } from 'react';
import type { CommandInputs } from '@/core/commands/command-inputs';
import { freeName } from '@/core/commands/free-name';
import { rampRuleChoices } from '@/core/rule-sets/rules-in';
import type { Ramp } from '@/core/ramps/ramp';
import { readSlope, slopeInFull } from '@/core/ramps/slope-words';
import { solveRamp } from '@/core/ramps/solve-ramp';
import { formatLength } from '@/core/units/format-length';
import { ChoiceField, PlainField } from '../../fields/fields';
import { useSlice } from '../../session/store';
import { usePreview } from '../../session/use-preview';
import { LevelSpan } from '../../tools/level-span';
import { useGhost } from '../../tools/plan-busy';
import { ToolForm } from '../../tools/tool-form';
import { useBegin } from '../../tools/use-begin';
import { useLengthEntry } from '../../tools/use-length-entry';
import { TURN_CHOICES } from '../stairs/stair-words';
import { RAMP_FORM_CHOICES } from './ramp-words';

/** A ramp from the middle of its foot: pressed, or typed; it is worked out while it is placed. */
export function RampsTool() {
  const { framework, solved, building, level, mayEdit, display, run } = useSlice(
    'framework',
    'solved',
    'building',
    'level',
    'mayEdit',
    'display',
    'run',
  );
  const begin = useBegin(true);
  const [name, setName] = useState('');
  const [form, setForm] = useState<Ramp['form']>('straight');
  const [turn, setTurn] = useState<'left' | 'right'>('left');
  const [rules, setRules] = useState<Ramp['rules']>('public');
  const [slope, setSlope] = useState('');
  const [wide, rise, radius] = [useLengthEntry(1500), useLengthEntry(0), useLengthEntry(5000)];
  const [span, setSpan] = useState<{ from: string | null; to: string | null }>({ from: level, to: level });
  const slopeRatio = slope.trim() === '' ? null : readSlope(slope);
  const slopeIsWrong = slope.trim() !== '' && slopeRatio === null;
  const storeys = (solved?.levels ?? []).filter((each) => each.building === building && each.bounding);
  const stop = span.to ?? storeys.at(-1)?.id;
  const input: CommandInputs['ramps.add'] = {
    ...(building ? { building } : {}),
    name: name.trim() || freeName(framework, 'ramp'),
    form,
    place: begin.begin.place,
    towardsDeg: begin.begin.towardsDeg,
    turn,
    rules,
    slopeRatio,
    widthMm: wide.orZero,
    ...(form === 'circular' ? { radiusMm: radius.orZero } : {}),
    ...(span.from ? { startsAt: { level: span.from } } : {}),
    ...(stop ? { stopsAt: { level: stop, offsetMm: rise.orZero } } : {}),
  };
  const entries = [wide, rise, ...(form === 'circular' ? [radius] : [])];
  const wrong =
    begin.wrong ??
    entries.find((each) => !each.ok)?.words ??
    (slopeIsWrong ? 'Type a slope like 1:12, 8 % or 4.8°' : null);
  const preview = usePreview('ramps.add', wrong ? null : input);
  const made = useMemo(() => {
    const added = preview?.ok ? preview.value.changes.added.find(({ kind }) => kind === 'ramp') : undefined;
    return preview?.ok && added?.kind === 'ramp' ? solveRamp(preview.value.after, added) : null;
  }, [preview]);
  const said = made
    ? `${formatLength(Math.round(made.info.runMm), display)} long, ${slopeInFull(made.info.slopeRatio)}, ${made.info.landings} landings`
    : 'Say how far it rises: choose the level it stops at, or type a height over it';
  useGhost(made ? { rings: made.info.rings.map(({ ring }) => [...ring]), points: [], note: said } : null);
  if (!mayEdit) return <p className="text-ink2">You may look, not change.</p>;
  return (
    <ToolForm
      does="Add the ramp"
      isReady={made !== null}
      preview={wrong ? null : preview}
      wrong={wrong}
      act={() => {
        const refusal = run('ramps.add', input);
        if (!refusal) setName('');
        return refusal;
      }}
    >
      <p className="text-ink2">
        Press the middle of its foot, then which way it goes, or type. Where a slab would lie too low over it, it opens.
      </p>
      <PlainField
        label="Name"
        value={name}
        onChange={setName}
        note={name === '' ? `empty: ${freeName(framework, 'ramp')}` : null}
      />
      <ChoiceField label="Form" value={form} choices={RAMP_FORM_CHOICES} onChoose={setForm} />
      {begin.fields.map((field) => (
        <PlainField key={field.label} {...field} />
      ))}
      <ChoiceField label="One goes" value={begin.towards} choices={begin.choices} onChoose={begin.setTowards} />
      {form !== 'straight' && <ChoiceField label="One turns" value={turn} choices={TURN_CHOICES} onChoose={setTurn} />}
      <PlainField label="Width" {...wide.field} />
      {form === 'circular' && <PlainField label="Radius of its middle" {...radius.field} />}
      <LevelSpan
        mayBeOther
        from={span.from}
        to={span.to}
        onChange={(part) => setSpan((now) => ({ ...now, ...part }))}
      />
      <PlainField label="Stops over that level by" {...rise.field} />
      <ChoiceField label="Rule set" value={rules} choices={rampRuleChoices(framework)} onChoose={setRules} />
      <PlainField
        label="Slope"
        value={slope}
        onChange={setSlope}
        note={slope.trim() === '' ? 'empty: as steep as it may be' : slopeRatio ? `= ${slopeInFull(slopeRatio)}` : null}
        wrong={slopeIsWrong}
      />
      <p role="status" className="border-t border-faint pt-1.5">
        {said}
        {made && made.info.verdict !== 'ok' && <span className="text-wrong"> {made.info.verdict.join('; ')}</span>}
      </p>
    </ToolForm>
  );
}
