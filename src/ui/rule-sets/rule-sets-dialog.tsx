'use client';

import { Dialog } from 'radix-ui';
import { X } from 'lucide-react';
import { useState } from 'react';
import { LIMITS, LIMIT_NAMES, type Limit, type RulesOf } from '@/core/rule-sets/limits';
import { baseRules, ownRules } from '@/core/rule-sets/own-rules';
import type { OwnRuleSet } from '@/core/rule-sets/rule-set';
import { ruleChoices } from '@/core/rule-sets/rules-in';
import { recordsOf } from '@/core/model/framework';
import { RULE_SETS, STAIR_RULES, type RuleSet } from '@/core/stairs/rule-sets';
import { formatForEntry, type LengthDisplay } from '@/core/units/format-length';
import { ActionButton, ChoiceField, PlainField } from '../fields/fields';
import { useLengthReader } from '../fields/length-field';
import { useProject, useSlice } from '../session/store';
import { Refused } from '../tools/refused';

const PART_WORDS: Record<keyof RulesOf, string> = {
  stairs: 'Stairs',
  guards: 'Guards and handrails',
  ramps: 'Ramps and sloped floors',
  escape: 'Ways out',
};
const PARTS = Object.keys(PART_WORDS) as (keyof RulesOf)[];
const RAMP_BASE_CHOICES = [
  ['public', 'public, model code'],
  ['general', 'general access'],
  ['sliding', 'by the rise of each flight'],
] as const;

/** A button that opens the rule sets of the project. */
export function RuleSetsButton({ shown }: { shown: string }) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <>
      <ActionButton onClick={() => setIsOpen(true)}>Rule sets…</ActionButton>
      {isOpen && <RuleSetsDialog first={shown} onClose={() => setIsOpen(false)} />}
    </>
  );
}

/** Every limit of a rule set with where it comes from; those of the project's own can be changed one by one. */
function RuleSetsDialog({ first, onClose }: { first: string; onClose: () => void }) {
  const { framework, mayEdit } = useSlice('framework', 'mayEdit');
  const choices = ruleChoices(framework);
  const [chosen, setChosen] = useState(first);
  const [source, setSource] = useState('');
  // A copy is chosen by its name until it is there.
  const own = recordsOf(framework, 'ruleSet').find(({ id, name }) => id === chosen || name === chosen);
  const shown = own?.id ?? (choices.some(([key]) => key === chosen) ? chosen : 'public');
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/25" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-y-8 left-1/2 z-50 flex w-[820px] -translate-x-1/2 flex-col gap-3 rounded-sm border border-ink3 bg-sheet p-5 shadow-lg"
        >
          <span className="flex items-baseline justify-between">
            <Dialog.Title className="text-[15px] font-bold">Rule sets</Dialog.Title>
            <Dialog.Close aria-label="Close" className="rounded-sm p-1 hover:bg-faint">
              <X size={16} aria-hidden="true" />
            </Dialog.Close>
          </span>
          <p className="text-ink2">
            What stairs, ramps, guards and ways out are measured against. Indicative: whoever signs the building checks
            them.
          </p>
          <span className="grid grid-cols-2 gap-x-8 gap-y-1.5">
            <ChoiceField label="Rule set" value={shown} choices={choices} onChoose={setChosen} />
            {mayEdit && <Copying key={shown} from={shown} onCopied={setChosen} />}
          </span>
          {own ? (
            <OwnHead own={own} source={source} setSource={setSource} />
          ) : (
            <p className="text-[11px] text-ink2">
              It comes with the program and stays as it is. Copy it to change a limit.
            </p>
          )}
          <LimitTable
            own={own ?? null}
            rules={own ? ownRules(own) : baseRules({ base: shown as RuleSet, rampBase: rampBaseOf(shown as RuleSet) })}
            source={source}
          />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

const rampBaseOf = (base: RuleSet) => (base === 'private' ? ('sliding' as const) : base);

function Copying({ from, onCopied }: { from: string; onCopied: (name: string) => void }) {
  const run = useProject((project) => project.run);
  const title = RULE_SETS.some((each) => each === from) ? STAIR_RULES[from as RuleSet].title : '';
  const [name, setName] = useState('');
  const [refused, setRefused] = useState<string | null>(null);
  return (
    <form
      aria-label="Copy this rule set"
      className="flex flex-col gap-1"
      onSubmit={(event) => {
        event.preventDefault();
        const typed = name.trim();
        if (typed === '') return setRefused('Type a name for the copy');
        const refusal = run('ruleSets.copy', { from, name: typed });
        setRefused(refusal);
        if (!refusal) onCopied(typed);
      }}
    >
      <span className="flex items-end gap-2">
        <PlainField label="Name of a copy" value={name} onChange={setName} />
        <ActionButton type="submit">{title === '' ? 'Copy it' : 'Copy'}</ActionButton>
      </span>
      <Refused words={refused} />
    </form>
  );
}

function OwnHead({ own, source, setSource }: { own: OwnRuleSet; source: string; setSource: (text: string) => void }) {
  const { mayEdit, run, say } = useSlice('mayEdit', 'run', 'say');
  const told = (refusal: string | null) => {
    if (refusal) say(refusal);
  };
  return (
    <span className="grid grid-cols-2 gap-x-8 gap-y-1.5">
      <p className="text-[11px] text-ink2">
        Copied from “{STAIR_RULES[own.base].title}”; {own.limits.length}{' '}
        {own.limits.length === 1 ? 'limit differs' : 'limits differ'}.
      </p>
      <ChoiceField
        label="Of ramps, copied from"
        value={own.rampBase}
        choices={RAMP_BASE_CHOICES}
        disabled={!mayEdit}
        onChoose={(ramps) => told(run('ruleSets.change', { ruleSet: own.id, ramps }))}
      />
      {mayEdit && (
        <>
          <PlainField
            label="Limits you change now come from"
            value={source}
            onChange={setSource}
            note={source.trim() === '' ? 'like: Fire engineer, letter of 3 May' : null}
          />
          <span className="self-start justify-self-end">
            <ActionButton onClick={() => told(run('ruleSets.remove', { ruleSet: own.id }))}>
              Delete this rule set
            </ActionButton>
          </span>
        </>
      )}
    </span>
  );
}

const written = (value: number | null | undefined, { unit }: Limit, display: LengthDisplay): string =>
  value === null || value === undefined
    ? 'no limit'
    : unit === 'mm'
      ? formatForEntry(value, display)
      : unit === 'yes or no'
        ? value === 1
          ? 'yes'
          : 'no'
        : String(Math.round(value * 100) / 100);

interface TableProps {
  own: OwnRuleSet | null;
  rules: RulesOf;
  source: string;
}

function LimitTable({ own, rules, source }: TableProps) {
  const { display } = useSlice('display');
  return (
    <div className="min-h-0 flex-1 overflow-y-auto border-t border-hair" tabIndex={0} role="region" aria-label="Limits">
      <table className="w-full">
        {PARTS.map((part) => (
          <tbody key={part}>
            <tr>
              <th scope="rowgroup" colSpan={3} className="bg-faint px-1 py-1 text-left font-bold">
                {PART_WORDS[part]}
              </th>
            </tr>
            {LIMIT_NAMES.filter((name) => LIMITS[name]!.of === part && LIMITS[name]!.read(rules) !== undefined).map(
              (name) => (
                <LimitRow
                  key={`${own?.id ?? ''} ${name}`}
                  name={name}
                  own={own}
                  value={written(LIMITS[name]!.read(rules), LIMITS[name]!, display)}
                  from={own?.limits.find(({ limit }) => limit === name)?.source ?? rules[part].source}
                  source={source}
                />
              ),
            )}
          </tbody>
        ))}
      </table>
    </div>
  );
}

interface RowProps {
  name: string;
  own: OwnRuleSet | null;
  value: string;
  /** Where it comes from. */
  from: string;
  /** Where it comes from when it is changed now. */
  source: string;
}

function LimitRow({ name, own, value, from, source }: RowProps) {
  const { display, mayEdit, run, say } = useSlice('display', 'mayEdit', 'run', 'say');
  const read = useLengthReader();
  const [typed, setTyped] = useState<string | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const limit = LIMITS[name]!;
  const differs = own?.limits.some((each) => each.limit === name) ?? false;
  const commit = () => {
    if (typed === null || typed === value || !own) return setTyped(null);
    const refusal = give(typed.trim());
    setRefused(refusal);
    if (!refusal) setTyped(null);
  };
  const give = (text: string): string | null => {
    if (source.trim() === '') return 'Say above where it comes from';
    const set = (given: number | string | null) =>
      run('ruleSets.setLimit', { ruleSet: own!.id, limit: name, value: given, source: source.trim() });
    if (/^(no limit|none|)$/i.test(text)) return set(null);
    if (limit.unit === 'yes or no')
      return /^(y|yes|1)$/i.test(text) ? set(1) : /^(n|no|0)$/i.test(text) ? set(0) : 'Type yes or no';
    if (limit.unit === 'mm') {
      const length = read(text);
      return length.ok ? set(length.input) : length.words;
    }
    const number = Number(text.replace(',', '.'));
    return Number.isFinite(number) ? set(number) : 'Type a number';
  };
  const unit =
    limit.unit === 'mm' ? (display.system === 'metric' ? 'mm' : '') : limit.unit === 'yes or no' ? '' : limit.unit;
  return (
    <tr className="border-t border-faint align-baseline">
      <th scope="row" className={`py-0.5 pl-1 text-left ${differs ? 'font-semibold' : 'font-normal'}`}>
        {limit.words}
      </th>
      <td className="w-52 whitespace-nowrap">
        {own && mayEdit ? (
          <input
            aria-label={limit.words}
            aria-invalid={refused !== null}
            className={`figures w-24 rounded-sm border bg-sheet px-1.5 text-right ${refused ? 'border-wrong' : 'border-hair'}`}
            value={typed ?? value}
            onChange={(event) => {
              setTyped(event.target.value);
              setRefused(null);
            }}
            onKeyDown={(event) => {
              if (event.key === 'Enter') commit();
              if (event.key === 'Escape' && typed !== null) {
                event.stopPropagation();
                setTyped(null);
                setRefused(null);
              }
            }}
            onBlur={commit}
          />
        ) : (
          <span className="figures inline-block w-24 text-right">{value}</span>
        )}{' '}
        <span className="text-[11px] text-ink2">{value === 'no limit' ? '' : unit}</span>
        {refused && (
          <p role="alert" className="text-[11px] whitespace-normal text-wrong">
            {refused}
          </p>
        )}
      </td>
      <td className="text-[11px] text-ink2">
        {from}
        {differs && mayEdit && (
          <button
            type="button"
            className="ml-2 underline hover:text-ink"
            onClick={() => {
              const refusal = run('ruleSets.resetLimit', { ruleSet: own!.id, limit: name });
              if (refusal) say(refusal);
            }}
          >
            as it came
          </button>
        )}
      </td>
    </tr>
  );
}
