'use client';

import { useState } from 'react';
import { formatBays, parseBays } from '@/core/units/parse-bays';
import { parseAngle } from '@/core/units/parse-angle';
import { formatForEntry, formatLength } from '@/core/units/format-length';
import type { Id } from '@/core/model/ids';
import type { SolvedLine } from '@/core/solving/solved';
import { ActionButton, PlainField } from '../fields/fields';
import { TakeFile } from '../setting-up/take-file';
import { fieldUnit, useProject } from '../session/store';
import { Refused } from './refused';

/** Grids: bays typed as lists, for a new system or anew for one that is there; or a drawing. */
export function GridsTool() {
  const { solved, building, mayEdit } = useProject((project) => project);
  const lines = solved?.lines.filter((line) => line.building === building) ?? [];
  const systems = [...new Set(lines.map(({ system }) => system))];
  const [adding, setAdding] = useState(false);
  if (!mayEdit) return <p className="text-ink2">Press a grid line in the plan to see its bay and label.</p>;
  return (
    <>
      {systems.map((system) => (
        <SystemFields key={system} system={system} lines={lines.filter((line) => line.system === system)} />
      ))}
      {systems.length > 0 && !adding ? (
        <ActionButton onClick={() => setAdding(true)}>Add another grid …</ActionButton>
      ) : (
        <NewGrid onDone={() => setAdding(false)} />
      )}
      {systems.length > 0 && (
        <p className="text-ink2">Press a grid line in the plan to relabel it, change its bay or split it.</p>
      )}
      <TakeFile kind="grid" />
    </>
  );
}

/** What a list of bays reads as, in the person's unit. */
function useBays(text: string) {
  const display = useProject((project) => project.display);
  const parsed = parseBays(text, { unit: fieldUnit(display) });
  if (!parsed.ok) return { ok: false as const, words: parsed.refusal.message };
  const { baysMm, running } = parsed.value;
  const overall = baysMm.reduce((sum, bay) => sum + bay, 0);
  return {
    ok: true as const,
    baysMm,
    words: `${running ? 'Running distances: ' : ''}${baysMm.length + 1} lines, ${formatLength(overall, display)} overall`,
  };
}

function NewGrid({ onDone }: { onDone: () => void }) {
  const { run, building, display } = useProject((project) => project);
  const [a, setA] = useState(display.system === 'imperial' ? "2@24' 12' 3@24'" : '2@7200 3600 3@7200');
  const [b, setB] = useState(display.system === 'imperial' ? "22' 2@26' 22'" : '6600 2@7800 6600');
  const [firstA, setFirstA] = useState('1');
  const [firstB, setFirstB] = useState('A');
  const [skip, setSkip] = useState('IO');
  const [turn, setTurn] = useState('0');
  const [refused, setRefused] = useState<string | null>(null);
  const baysA = useBays(a);
  const baysB = useBays(b);
  const angle = parseAngle(turn);
  const add = () => {
    if (!baysA.ok) return setRefused(baysA.words);
    if (!baysB.ok) return setRefused(baysB.words);
    if (!angle.ok) return setRefused(angle.refusal.message);
    const rule = (first: string) => ({ first: first.trim(), skip, prefix: '', suffix: '', descending: false });
    const refusal = run('grids.add', {
      ...(building ? { building } : {}),
      baysA: baysA.baysMm,
      baysB: baysB.baysMm,
      labelsA: rule(firstA),
      labelsB: rule(firstB),
      turnDeg: angle.value,
    });
    setRefused(refusal);
    if (!refusal) onDone();
  };
  return (
    <fieldset className="flex flex-col gap-1.5">
      <legend className="mb-1 font-semibold">New rectangular grid</legend>
      <PlainField wide label="Bays across" value={a} onChange={setA} note={baysA.words} wrong={!baysA.ok} />
      <PlainField wide label="Bays up" value={b} onChange={setB} note={baysB.words} wrong={!baysB.ok} />
      <PlainField label="First label across" value={firstA} onChange={setFirstA} />
      <PlainField label="First label up" value={firstB} onChange={setFirstB} />
      <PlainField label="Leave out characters" value={skip} onChange={(text) => setSkip(text.toUpperCase())} />
      <PlainField
        label="Turned by"
        value={turn}
        onChange={setTurn}
        note={angle.ok ? null : angle.refusal.message}
        wrong={!angle.ok}
      />
      <Refused words={refused} />
      <span className="self-end">
        <ActionButton weight="main" onClick={add}>
          Add the grid
        </ActionButton>
      </span>
    </fieldset>
  );
}

function SystemFields({ system, lines }: { system: Id; lines: SolvedLine[] }) {
  const { framework, display } = useProject((project) => project);
  const record = framework.records.get(system);
  const bays = (direction: 'a' | 'b') =>
    lines
      .filter((line) => line.direction === direction)
      .slice(1)
      .map(({ bayMm }) => bayMm);
  return (
    <fieldset className="flex flex-col gap-1.5">
      <legend className="mb-1 font-semibold">{record && 'name' in record ? record.name : 'Grid'}</legend>
      {(['a', 'b'] as const).map((direction) => {
        const text = formatBays(bays(direction), (mm) => formatForEntry(mm, display).replace(' ', '-'));
        return <BaysField key={`${direction} ${text}`} system={system} direction={direction} text={text} />;
      })}
    </fieldset>
  );
}

function BaysField({ system, direction, text }: { system: Id; direction: 'a' | 'b'; text: string }) {
  const { run } = useProject((project) => project);
  const [typed, setTyped] = useState(text);
  const [refused, setRefused] = useState<string | null>(null);
  const bays = useBays(typed);
  const take = () => {
    if (!bays.ok) return setRefused(bays.words);
    setRefused(run('grids.setBays', { system, direction, bays: bays.baysMm }));
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        take();
      }}
    >
      <PlainField
        wide
        label={direction === 'a' ? 'Bays across' : 'Bays up'}
        value={typed}
        onChange={setTyped}
        note={refused ?? bays.words}
        wrong={refused !== null || !bays.ok}
      />
      {typed !== text && (
        <span className="flex justify-end pt-1">
          <ActionButton type="submit">Take these bays</ActionButton>
        </span>
      )}
    </form>
  );
}
