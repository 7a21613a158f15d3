'use client';

import { useMemo, useState } from 'react';
import { beamStrip } from '@/core/beams/solve-beams';
import { BEAM_FORMS, type Beam } from '@/core/beams/beam';
import { ChoiceField, PlainField } from '../../fields/fields';
import { readPlaceText, writePlace } from '../../fields/place-text';
import { useSlice } from '../../session/store';
import { usePreview } from '../../session/use-preview';
import { useGhost, usePlanPoints } from '../../tools/plan-busy';
import { ToolForm } from '../../tools/tool-form';
import { useLengthEntry } from '../../tools/use-length-entry';
import type { CommandInputs } from '@/core/commands/command-inputs';

/** A beam or downstand between two places, pressed in the plan or typed. */
export function BeamsTool() {
  const { framework, building, level, solved, display, run, mayEdit } = useSlice(
    'framework',
    'building',
    'level',
    'solved',
    'display',
    'run',
    'mayEdit',
  );
  const [form, setForm] = useState<Beam['form']>('beam');
  const [from, setFrom] = useState('');
  const [to, setTo] = useState('');
  const [w, d] = [useLengthEntry(300), useLengthEntry(300)];
  const [everywhere, setEverywhere] = useState<'all' | 'here'>('here');
  usePlanPoints(
    mayEdit && building
      ? (at, phase) => {
          if (phase !== 'press') return;
          const text = writePlace(framework, building, at.x, at.y, display);
          // The first press says where it begins, the second where it ends; a third begins another one.
          setFrom(from === '' || to !== '' ? text : from);
          setTo(from === '' || to !== '' ? '' : text);
        }
      : null,
  );
  const [start, stop] = useMemo(
    () => [from, to].map((text) => (text.trim() === '' ? null : readPlaceText(text, display))),
    [from, to, display],
  );
  // The plan of a level shows the beams over it: the beam hangs under the slab of the next level.
  const storeys = (solved?.levels ?? []).filter((each) => each.building === building && each.bounding);
  const above = storeys[storeys.findIndex(({ id }) => id === level) + 1];
  const input: CommandInputs['beams.add'] | null =
    building && start?.ok && stop?.ok && w.ok && d.ok
      ? {
          building,
          form,
          from: start.value.input,
          to: stop.value.input,
          widthMm: w.input,
          depthMm: d.input,
          ...(everywhere === 'here' && above ? { levels: { at: [above.id] } } : {}),
        }
      : null;
  const preview = usePreview('beams.add', input);
  const made = preview?.ok ? preview.value.changes.added.find(({ kind }) => kind === 'beam') : undefined;
  const strip = made?.kind === 'beam' && preview?.ok ? beamStrip(preview.value.after, made) : null;
  useGhost(strip && { rings: [[...strip.ring]], points: [], note: form });
  if (!mayEdit) return <p className="text-ink2">You may look, not change.</p>;
  const noteOf = (result: typeof start, words: string) =>
    result ? (result.ok ? result.value.words : result.refusal.message) : words;
  return (
    <ToolForm
      does={`Add the ${form}`}
      isReady={preview?.ok ?? false}
      preview={preview}
      act={() => {
        if (!input) return 'Say where it begins and where it ends';
        const refusal = run('beams.add', input);
        if (refusal === null) {
          setFrom('');
          setTo('');
        }
        return refusal;
      }}
    >
      <p className="text-ink2">
        Press where it begins and where it ends. It hangs under the slab over this level, dashed in its plan.
      </p>
      <ChoiceField
        label="Form"
        value={form}
        choices={BEAM_FORMS.map((each) => [each, each] as const)}
        onChoose={setForm}
      />
      <PlainField
        label="From"
        value={from}
        onChange={setFrom}
        note={noteOf(start!, 'like A-1')}
        wrong={start?.ok === false}
      />
      <PlainField label="To" value={to} onChange={setTo} note={noteOf(stop!, 'like A-2')} wrong={stop?.ok === false} />
      <PlainField label="Wide" {...w.field} />
      <PlainField label="Deep, under the slab" {...d.field} />
      <ChoiceField
        label="At"
        value={everywhere}
        choices={[
          ['here', `under ${above?.name ?? 'this level'} only`],
          ['all', 'all levels'],
        ]}
        onChoose={setEverywhere}
      />
    </ToolForm>
  );
}
