'use client';

import type { LabelRule } from '@/core/grids/grid';
import { CheckField, PlainField } from '../../fields/fields';

/** How the lines of one direction are labelled: the first label, then what is rarely changed behind a fold. */
export function LabelFields({
  way,
  rule,
  onChange,
}: {
  way: 'across' | 'up' | 'of rays' | 'of rings' | 'of lines';
  rule: LabelRule;
  onChange: (rule: LabelRule) => void;
}) {
  const set = (part: Partial<LabelRule>) => onChange({ ...rule, ...part });
  const isSound = /^(\d{1,4}|[A-Z]{1,3})$/.test(rule.first.trim());
  return (
    <>
      <PlainField
        label={`First label ${way}`}
        value={rule.first}
        onChange={(text) => set({ first: text.trim().toUpperCase() })}
        note={isSound ? null : 'a number or capital letters, like 1 or A'}
        wrong={!isSound}
      />
      <CheckField
        label={`Labels ${way} count down`}
        value={rule.descending}
        onChange={(descending) => set({ descending })}
      />
    </>
  );
}

/** Skipped characters, prefix and suffix. */
export function MoreLabelFields({
  way,
  rule,
  onChange,
}: {
  way: string;
  rule: LabelRule;
  onChange: (rule: LabelRule) => void;
}) {
  const set = (part: Partial<LabelRule>) => onChange({ ...rule, ...part });
  return (
    <>
      <PlainField
        label={`Leave out ${way}`}
        value={rule.skip}
        onChange={(text) => set({ skip: text.trim().toUpperCase() })}
      />
      <PlainField label={`Prefix ${way}`} value={rule.prefix} onChange={(prefix) => set({ prefix })} />
      <PlainField label={`Suffix ${way}`} value={rule.suffix} onChange={(suffix) => set({ suffix })} />
    </>
  );
}
