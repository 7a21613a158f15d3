'use client';

import { useState } from 'react';
import { ActionButton } from '../fields/fields';
import { askServer } from '../page/ask-server';
import { Box, DoButton, Outcome } from '../page/boxes';
import { PageDialog } from '../page/page-dialog';
import { useAsking } from '../page/use-asking';
import type { ListedProject } from '@/core/people/told';

interface CopyDialogProps {
  project: ListedProject;
  onClose: () => void;
  onDone: (said: string) => void;
}

/** What a copy takes along. */
export function CopyDialog({ project, onClose, onDone }: CopyDialogProps) {
  const { busy, said, ask } = useAsking();
  const [name, setName] = useState(`${project.name}, copy`);
  const [people, setPeople] = useState(false);
  const [files, setFiles] = useState(true);
  return (
    <PageDialog title={`Copy ${project.name}`} onClose={onClose}>
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void ask(async () => {
            await askServer('POST', `/api/projects/${project.id}/copy`, { name, people, files });
            onClose();
            onDone(`${name} is made`);
          });
        }}
      >
        <Box label="Name of the copy" value={name} required maxLength={120} onChange={(e) => setName(e.target.value)} />
        <label className="flex gap-2">
          <input type="checkbox" checked={people} onChange={(e) => setPeople(e.target.checked)} />
          With its people: each in the role they have
        </label>
        <label className="flex gap-2">
          <input type="checkbox" checked={files} onChange={(e) => setFiles(e.target.checked)} />
          With what is laid under its plans
        </label>
        <p className="text-ink2">The history goes along. You own the copy.</p>
        <Outcome said={said} />
        <span className="flex gap-3">
          <DoButton disabled={busy}>Copy</DoButton>
          <ActionButton onClick={onClose}>Keep as it is</ActionButton>
        </span>
      </form>
    </PageDialog>
  );
}
