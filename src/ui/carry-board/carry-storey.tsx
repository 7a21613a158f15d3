'use client';

import { Popover } from 'radix-ui';
import { useMemo, useState } from 'react';
import { standingIn } from '@/core/carrying/carry-commands';
import { CARRY_KINDS, CARRY_WORDS } from '@/core/carrying/carried';
import type { CarryKind } from '@/core/kinds/carry-kinds';
import { ActionButton, CheckField, ChoiceField } from '../fields/fields';
import { useSlice } from '../session/store';
import { usePreview } from '../session/use-preview';
import { useTrial } from '../session/use-trial';
import { ConsequenceList } from './consequence-list';
import type { CommandInputs } from '@/core/commands/command-inputs';

/** Carries what stands in the current storey to another, kind by kind, with what it brings about said first. */
export function CarryStorey() {
  const { level, solved, building, mayEdit } = useSlice('level', 'solved', 'building', 'mayEdit');
  const [isOpen, setOpen] = useState(false);
  const here = solved?.levels.find(({ id }) => id === level);
  if (!mayEdit || !here || here.building !== building || !here.bounding) return null;
  return (
    <Popover.Root open={isOpen} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <button type="button" className="ml-auto rounded-sm bg-ink px-2.5 py-1 font-semibold text-sheet">
          Carry storey {here.name} …
        </button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          className="z-40 flex max-h-[70vh] w-[360px] flex-col gap-2 overflow-y-auto rounded-sm border border-hair bg-sheet p-3.5 shadow-lg"
          aria-label={`Carry storey ${here.name}`}
        >
          <Carrying key={here.id} from={here.id} onDone={() => setOpen(false)} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Carrying({ from, onDone }: { from: string; onDone: () => void }) {
  const { framework, solved, building, run, say } = useSlice('framework', 'solved', 'building', 'run', 'say');
  const counts = useMemo(() => standingIn(framework, from), [framework, from]);
  const present = CARRY_KINDS.filter((kind) => counts.has(kind));
  const [left, setLeft] = useState<ReadonlySet<CarryKind>>(new Set(['entranceDoors']));
  const levels = (solved?.levels ?? []).filter((each) => each.building === building && each.bounding);
  const rank = levels.findIndex(({ id }) => id === from);
  const [to, setTo] = useState(levels[rank + 1]?.id ?? levels[rank - 1]?.id ?? '');
  const kinds = present.filter((kind) => !left.has(kind));
  const input: CommandInputs['carry.storeys'] | null = kinds.length > 0 && to ? { from, to, kinds } : null;
  const preview = usePreview('carry.storeys', input);
  const changes = useTrial(preview?.ok ? preview.value.after : null);
  const touched = preview?.ok ? preview.value.changes.patched.length : 0;
  const standing = [...counts].reduce(
    (sum, [kind, n]) => sum + (kinds.includes(kind) && !OPENINGS.includes(kind) ? n : 0),
    0,
  );
  const carry = () => {
    if (!input) return;
    const refusal = run('carry.storeys', input);
    if (refusal) say(refusal);
    else onDone();
  };
  return (
    <form
      className="flex flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        carry();
      }}
    >
      <ChoiceField
        label="To level"
        value={to}
        choices={[...levels]
          .reverse()
          .flatMap(({ id, name, title }) => (id === from ? [] : [[id, `${name} ${title}`.trim()] as const]))}
        onChoose={setTo}
      />
      <fieldset className="grid grid-cols-2 gap-x-3 gap-y-1">
        <legend className="sr-only">What is carried</legend>
        {present.map((kind) => (
          <CheckField
            key={kind}
            label={`${counts.get(kind)} ${CARRY_WORDS.get(kind)}`}
            value={!left.has(kind)}
            onChange={(is) =>
              setLeft((now) => {
                const next = new Set(now);
                if (is) next.delete(kind);
                else next.add(kind);
                return next;
              })
            }
          />
        ))}
      </fieldset>
      {preview?.ok ? (
        <p role="status" className="font-semibold">
          {touched} of {standing} carried; {Math.max(0, standing - touched)} stand there already
        </p>
      ) : (
        <p role="status" className="text-wrong">
          {preview && !preview.ok ? preview.refusal.message : 'Choose what is carried'}
        </p>
      )}
      {changes ? (
        <ConsequenceList changes={changes} />
      ) : (
        preview?.ok && <p className="text-ink3">Working out what follows …</p>
      )}
      <span className="self-end">
        <ActionButton type="submit" weight="main" disabled={!preview?.ok}>
          Carry
        </ActionButton>
      </span>
    </form>
  );
}

const OPENINGS: readonly CarryKind[] = ['doors', 'entranceDoors', 'windows', 'plainOpenings'];
