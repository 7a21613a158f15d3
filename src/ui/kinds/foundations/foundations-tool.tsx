'use client';

import { useState } from 'react';
import { FOUNDATION_FORMS, type FoundationForm } from '@/core/foundations/foundation';
import { firstLength } from '@/core/units/first-length';
import { ActionButton, ChoiceField, PlainField } from '../../fields/fields';
import { useLengthReader } from '../../fields/length-field';
import { useSlice } from '../../session/store';
import { usePreview } from '../../session/use-preview';
import { Refused } from '../../tools/refused';
import type { CommandInputs } from '@/core/commands/command-inputs';

const FORM_WORDS: Record<FoundationForm, string> = {
  raft: 'raft',
  pads: 'pads under columns',
  strips: 'strips under walls',
};
const USUAL: Record<FoundationForm, [thickness: number, width: number]> = {
  raft: [800, 0],
  pads: [600, 2000],
  strips: [500, 900],
};

/** A raft, pads or strips under what stands lowest, or under what is chosen. */
export function FoundationsTool() {
  const { framework, building, selection, display, run, mayEdit } = useSlice(
    'framework',
    'building',
    'selection',
    'display',
    'run',
    'mayEdit',
  );
  const read = useLengthReader();
  const [form, setForm] = useState<FoundationForm>('raft');
  const [thickness, setThickness] = useState(() => firstLength(USUAL.raft[0], display));
  const [width, setWidth] = useState('');
  const [refused, setRefused] = useState<string | null>(null);
  const [t, w] = [read(thickness), read(width)];
  const kind = form === 'pads' ? 'columnStack' : form === 'strips' ? 'wall' : null;
  const chosen = kind ? selection.filter((id) => framework.records.get(id)?.kind === kind) : [];
  const input: CommandInputs['foundations.add'] = {
    ...(building ? { building } : {}),
    form,
    thicknessMm: t.ok ? t.input : 0,
    ...(form === 'raft' || !w.ok ? {} : { widthMm: w.input, depthMm: w.input }),
    ...(chosen.length > 0 ? { under: chosen } : {}),
  };
  const preview = usePreview('foundations.add', input);
  const made = preview?.ok ? preview.value.changes.added.find((record) => record.kind === 'foundation') : undefined;
  const count = made?.kind === 'foundation' ? made.under.length : 0;
  const choose = (next: FoundationForm) => {
    setForm(next);
    setThickness(firstLength(USUAL[next][0], display));
    setWidth(next === 'raft' ? '' : firstLength(USUAL[next][1], display));
  };
  if (!mayEdit) return <p className="text-ink2">You may look, not change.</p>;
  return (
    <form
      className="flex flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        setRefused(run('foundations.add', input));
      }}
    >
      <ChoiceField
        label="Form"
        value={form}
        choices={FOUNDATION_FORMS.map((each) => [each, FORM_WORDS[each]] as const)}
        onChoose={choose}
      />
      <PlainField label="Thickness" value={thickness} onChange={setThickness} note={t.words} wrong={!t.ok} />
      {form !== 'raft' && (
        <PlainField
          label={form === 'pads' ? 'Square of' : 'Wide'}
          value={width}
          onChange={setWidth}
          note={w.words}
          wrong={!w.ok}
        />
      )}
      {form !== 'raft' && (
        <p className="text-[11px] text-ink2">
          {chosen.length > 0
            ? `Under the ${chosen.length} chosen.`
            : `Under all ${form === 'pads' ? 'columns' : 'walls'} that begin on the lowest level without one${count > 0 ? `: ${count}` : ''}. Choose some for fewer.`}
        </p>
      )}
      <Refused words={refused ?? (preview && !preview.ok && t.ok ? preview.refusal.message : null)} />
      <ActionButton weight="main" type="submit" disabled={!preview?.ok}>
        Add {form === 'raft' ? 'the raft' : form}
      </ActionButton>
    </form>
  );
}
