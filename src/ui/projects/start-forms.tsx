'use client';

import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import { ActionButton } from '../fields/fields';
import { HeavyWorkLine, useHeavyWork } from '../fields/heavy-work';
import { Box, DoButton, Outcome } from '../page/boxes';
import { useAsking } from '../page/use-asking';
import { bringProject, createProject } from '../session/server';
import { TemplateChoice, type ChosenTemplate } from './template-choice';

/** The ways to a new project: begun anew, or from a file. */
export function StartForms() {
  const router = useRouter();
  const { busy, said, ask } = useAsking();
  const chooser = useRef<HTMLInputElement>(null);
  const work = useHeavyWork();
  const [chosen, setChosen] = useState<ChosenTemplate | null>(null);
  const bring = (file: File) =>
    void ask(async () => {
      const { id } = await work.begin(`Reading ${file.name}`, (signal) => bringProject(file, signal));
      router.push(`/projects/${id}`);
    });
  return (
    <section aria-label="New projects" className="flex flex-col gap-3">
      <form
        aria-label="Start a project"
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          const form = new FormData(event.currentTarget);
          void ask(async () => {
            const asked = chosen && { key: chosen.template.key, numbers: chosen.numbers, system: chosen.system };
            const { id } = await createProject(
              String(form.get('name')),
              String(form.get('building')),
              asked ?? undefined,
            );
            router.push(`/projects/${id}`);
          });
        }}
      >
        <div className="flex items-end gap-3">
          <Box label="New project" name="name" required maxLength={120} placeholder="Its name" wide />
          <Box label="First building" name="building" required maxLength={80} defaultValue="Main building" wide />
          <DoButton disabled={busy}>{chosen ? 'Start with it' : 'Start and set up'}</DoButton>
          <ActionButton disabled={busy} onClick={() => chooser.current?.click()}>
            Bring a file
          </ActionButton>
          <input
            ref={chooser}
            type="file"
            aria-label="A project or framework file"
            accept=".zip,.json"
            className="sr-only"
            tabIndex={-1}
            onChange={(event) => {
              const file = event.target.files?.[0];
              event.target.value = '';
              if (file) bring(file);
            }}
          />
        </div>
        <TemplateChoice chosen={chosen} onChoose={setChosen} />
      </form>
      <HeavyWorkLine work={work} />
      <Outcome said={said} />
    </section>
  );
}
