'use client';

import { useRef, useState } from 'react';
import { writePresets } from '@/core/grids/preset';
import type { ResolvedGrid } from '@/core/grids/resolve-grids';
import { recordsOf } from '@/core/model/framework';
import { fileStem } from '@/core/model/file-stem';
import { download } from '../../fields/download';
import { ActionButton, ChoiceField, PlainField } from '../../fields/fields';
import { HeavyWorkLine, useHeavyWork } from '../../fields/heavy-work';
import { useSlice } from '../../session/store';
import { Refused } from '../../tools/refused';

/** Bays kept under names in the project; out to a file and in from one. */
export function Presets({ systems }: { systems: readonly ResolvedGrid[] }) {
  const { framework, run, session } = useSlice('framework', 'run', 'session');
  const work = useHeavyWork();
  const [name, setName] = useState('');
  const [refused, setRefused] = useState<string | null>(null);
  const [chosen, setChosen] = useState('');
  const file = useRef<HTMLInputElement>(null);
  const presets = recordsOf(framework, 'bayPreset');
  const rectangular = systems.filter(({ record }) => record.shape === 'rectangular');
  const system = rectangular.find(({ id }) => id === chosen) ?? rectangular[0];
  const project = recordsOf(framework, 'project')[0]?.name ?? 'project';
  const take = async (picked: File | undefined) => {
    if (!picked || !session) return;
    try {
      const { presets: read } = await work.begin(`Reading ${picked.name}`, (signal, tell) =>
        session.server.readPresets(picked, signal, tell),
      );
      setRefused(run('presets.take', { presets: read }));
    } catch (error) {
      setRefused((error as Error).message);
    }
  };
  return (
    <details className="border-b border-faint pb-2">
      <summary className="font-semibold">Presets of bays</summary>
      <div className="flex flex-col gap-1.5 pt-1.5">
        {presets.map((preset) => (
          <div key={preset.id} className="flex items-baseline justify-between gap-2">
            <span>
              {preset.name}{' '}
              <span className="text-ink2">
                {preset.baysA.length + 1} × {preset.baysB.length + 1} lines
              </span>
            </span>
            <button
              type="button"
              className="text-[11px] text-wrong underline"
              aria-label={`Remove preset ${preset.name}`}
              onClick={() => setRefused(run('presets.remove', { name: preset.name }))}
            >
              remove
            </button>
          </div>
        ))}
        {presets.length === 0 && <p className="text-ink2">None yet.</p>}
        {system && (
          <form
            aria-label="Keep bays as a preset"
            className="flex flex-col gap-1.5"
            onSubmit={(event) => {
              event.preventDefault();
              const refusal = run('presets.save', { system: system.id, name: name.trim() });
              setRefused(refusal);
              if (!refusal) setName('');
            }}
          >
            {rectangular.length > 1 && (
              <ChoiceField
                label="Bays of"
                value={system.id}
                choices={rectangular.map(({ id, record }) => [id, record.name] as const)}
                onChoose={setChosen}
              />
            )}
            <PlainField label="Keep the bays as" value={name} onChange={setName} />
            <span className="self-end">
              <ActionButton type="submit" disabled={name.trim() === ''}>
                Keep them
              </ActionButton>
            </span>
          </form>
        )}
        <HeavyWorkLine work={work} />
        <Refused words={refused} />
        <div className="flex gap-2">
          <ActionButton
            disabled={presets.length === 0}
            onClick={() =>
              download(
                `${fileStem(`${project} bay presets`)}.json`,
                writePresets(presets.map(({ kind: _, id: _id, ...preset }) => preset)),
                'application/json',
              )
            }
          >
            Download
          </ActionButton>
          <ActionButton onClick={() => file.current?.click()}>Take from a file …</ActionButton>
          <input
            ref={file}
            type="file"
            accept=".json,application/json"
            className="sr-only"
            aria-label="File of bay presets"
            onChange={(event) => {
              void take(event.target.files?.[0]);
              event.target.value = '';
            }}
          />
        </div>
      </div>
    </details>
  );
}
