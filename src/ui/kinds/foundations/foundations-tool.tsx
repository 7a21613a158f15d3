'use client';

import { useState } from 'react';
import { FOUNDATION_FORMS, type FoundationForm } from '@/core/foundations/foundation';
import { ChoiceField, PlainField } from '../../fields/fields';
import { useSlice } from '../../session/store';
import { usePreview } from '../../session/use-preview';
import { ToolForm } from '../../tools/tool-form';
import { useLengthEntry } from '../../tools/use-length-entry';
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
  const { framework, building, selection, run, mayEdit } = useSlice(
    'framework',
    'building',
    'selection',
    'run',
    'mayEdit',
  );
  const [form, setForm] = useState<FoundationForm>('raft');
  const [t, w] = [useLengthEntry(USUAL.raft[0]), useLengthEntry(null)];
  const kind = form === 'pads' ? 'columnStack' : form === 'strips' ? 'wall' : null;
  const chosen = kind ? selection.filter((id) => framework.records.get(id)?.kind === kind) : [];
  const input: CommandInputs['foundations.add'] = {
    ...(building ? { building } : {}),
    form,
    thicknessMm: t.orZero,
    ...(form === 'raft' || !w.ok ? {} : { widthMm: w.input, depthMm: w.input }),
    ...(chosen.length > 0 ? { under: chosen } : {}),
  };
  const preview = usePreview('foundations.add', input);
  const made = preview?.ok ? preview.value.changes.added.find((record) => record.kind === 'foundation') : undefined;
  const count = made?.kind === 'foundation' ? made.under.length : 0;
  const choose = (next: FoundationForm) => {
    setForm(next);
    t.begin(USUAL[next][0]);
    w.begin(next === 'raft' ? null : USUAL[next][1]);
  };
  if (!mayEdit) return <p className="text-ink2">You may look, not change.</p>;
  return (
    <ToolForm
      does={form === 'raft' ? 'Add the raft' : `Add ${form}`}
      isReady={preview?.ok ?? false}
      preview={t.ok ? preview : null}
      act={() => run('foundations.add', input)}
    >
      <ChoiceField
        label="Form"
        value={form}
        choices={FOUNDATION_FORMS.map((each) => [each, FORM_WORDS[each]] as const)}
        onChoose={choose}
      />
      <PlainField label="Thickness" {...t.field} />
      {form !== 'raft' && <PlainField label={form === 'pads' ? 'Square of' : 'Wide'} {...w.field} />}
      {form !== 'raft' && (
        <p className="text-[11px] text-ink2">
          {chosen.length > 0
            ? `Under the ${chosen.length} chosen.`
            : `Under all ${form === 'pads' ? 'columns' : 'walls'} that begin on the lowest level without one${count > 0 ? `: ${count}` : ''}. Choose some for fewer.`}
        </p>
      )}
    </ToolForm>
  );
}
