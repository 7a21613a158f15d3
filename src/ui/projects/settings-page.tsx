'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Project } from '@/core/buildings/building';
import type { Inviters } from '@/core/people/powers';
import { ActionButton } from '../fields/fields';
import { askServer } from '../page/ask-server';
import { Box, Choice, DoButton, Outcome } from '../page/boxes';
import { PageFrame } from '../page/page-frame';
import { useAsking } from '../page/use-asking';

interface Settings {
  name: string;
  units: 'metric' | 'imperial';
  disciplines: string[];
  inviters: Inviters;
  archived: boolean;
}

interface SettingsPageProps {
  projectId: string;
  settings: Settings;
  details: Details;
  ruleChoices: readonly (readonly [string, string])[];
}

type Details = NonNullable<Project['details']>;

/** What an owner sets about a project. */
export function SettingsPage({ projectId, settings, details: first, ruleChoices }: SettingsPageProps) {
  const router = useRouter();
  const { busy, said, ask } = useAsking();
  const [name, setName] = useState(settings.name);
  const [units, setUnits] = useState(settings.units);
  const [inviters, setInviters] = useState(settings.inviters);
  const [disciplines, setDisciplines] = useState(settings.disciplines.join(', '));
  const [details, setDetails] = useState(first);
  const text = (field: 'code' | 'client' | 'address', typed: string) =>
    setDetails({ ...details, [field]: typed === '' ? null : typed });
  const url = `/api/projects/${projectId}`;
  const save = () =>
    ask(async () => {
      const named = disciplines
        .split(',')
        .map((each) => each.trim())
        .filter((each) => each !== '');
      const renamed = name === settings.name ? {} : { name };
      const described = JSON.stringify(details) === JSON.stringify(first) ? {} : { details };
      const body = { ...renamed, ...described, units, inviters, disciplines: [...new Set(named)] };
      await askServer('PATCH', url, body);
      router.refresh();
      return 'Saved';
    });
  return (
    <PageFrame title={`Settings of ${settings.name}`} back={{ href: `/projects/${projectId}`, name: 'To the project' }}>
      <form
        aria-label="Settings"
        className="flex max-w-[560px] flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          void save();
        }}
      >
        <Box label="Name" value={name} required maxLength={120} onChange={({ target }) => setName(target.value)} />
        <span className="grid grid-cols-[160px_1fr] gap-3">
          <Box
            label="Code"
            value={details.code ?? ''}
            maxLength={30}
            onChange={({ target }) => text('code', target.value)}
          />
          <Box
            label="Client"
            value={details.client ?? ''}
            maxLength={120}
            onChange={({ target }) => text('client', target.value)}
          />
        </span>
        <Box
          label="Address, for title blocks"
          value={details.address ?? ''}
          maxLength={200}
          onChange={({ target }) => text('address', target.value)}
        />
        <Choice
          label="Rule set that new stairs are measured against"
          value={details.rules ?? 'public'}
          onChange={({ target }) => setDetails({ ...details, rules: target.value })}
        >
          {ruleChoices.map(([rules, title]) => (
            <option key={rules} value={rules}>
              {title}
            </option>
          ))}
        </Choice>
        <Choice
          label="Units people begin with"
          value={units}
          onChange={({ target }) => setUnits(target.value as Settings['units'])}
        >
          <option value="metric">Millimetres and metres</option>
          <option value="imperial">Feet and inches</option>
        </Choice>
        <Choice
          label="Who may invite"
          value={inviters}
          onChange={({ target }) => setInviters(target.value as Inviters)}
        >
          <option value="owners">Owners</option>
          <option value="designers">Owners and designers</option>
        </Choice>
        <Box
          label="Disciplines, parted by commas"
          value={disciplines}
          onChange={({ target }) => setDisciplines(target.value)}
        />
        <Outcome said={said} />
        <span className="flex gap-3">
          <DoButton disabled={busy}>Save</DoButton>
          <ActionButton
            disabled={busy}
            onClick={() =>
              void ask(async () => {
                await askServer('PATCH', url, { archived: !settings.archived });
                router.refresh();
                return settings.archived
                  ? 'It is out of the archive'
                  : 'It is archived: it can be looked at, not changed';
              })
            }
          >
            {settings.archived ? 'Take out of the archive' : 'Archive'}
          </ActionButton>
        </span>
      </form>
    </PageFrame>
  );
}
