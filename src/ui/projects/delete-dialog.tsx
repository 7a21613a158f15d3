'use client';

import { useState } from 'react';
import { ActionButton } from '../fields/fields';
import { askServer } from '../page/ask-server';
import { Box, DoButton, Outcome } from '../page/boxes';
import { PageDialog } from '../page/page-dialog';
import { useAsking } from '../page/use-asking';
import type { ListedProject } from '@/core/people/told';

interface DeleteDialogProps {
  project: ListedProject;
  onClose: () => void;
  onDone: (said: string) => void;
}

/** Asks once, by the project's name. */
export function DeleteDialog({ project, onClose, onDone }: DeleteDialogProps) {
  const { busy, said, ask } = useAsking();
  const [typed, setTyped] = useState('');
  const { id, name } = project;
  return (
    <PageDialog title={`Delete ${name}`} onClose={onClose}>
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void ask(async () => {
            await askServer('DELETE', `/api/projects/${id}`, { name: typed });
            onClose();
            onDone(`${name} is deleted. For 30 days it can be brought back below`);
          });
        }}
      >
        <p>
          Nobody can open it any more. Its owners can bring it back for 30 days; then it is gone for good, with its
          history and files.
        </p>
        <Box label={`Type its name, ${name}`} value={typed} required onChange={(e) => setTyped(e.target.value)} />
        <Outcome said={said} />
        <span className="flex gap-3">
          <DoButton grave disabled={busy || typed.trim() !== name.trim()}>
            Delete
          </DoButton>
          <ActionButton onClick={onClose}>Keep it</ActionButton>
        </span>
      </form>
    </PageDialog>
  );
}
