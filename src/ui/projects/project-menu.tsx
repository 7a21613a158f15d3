'use client';

import { Ellipsis } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import { may } from '@/core/people/powers';
import { askServer } from '../page/ask-server';
import { CopyDialog } from './copy-dialog';
import { DeleteDialog } from './delete-dialog';
import type { ListedProject } from '@/core/people/told';

const ITEM = 'cursor-pointer rounded-sm px-2.5 py-1 outline-none data-[highlighted]:bg-faint';

/** What one may do with a project of the list, from its row. */
export function ProjectMenu({ project, onChanged }: { project: ListedProject; onChanged: (said?: string) => void }) {
  const router = useRouter();
  const [open, setOpen] = useState<'copy' | 'delete' | null>(null);
  const { id, name, role, archived } = project;
  const url = `/api/projects/${id}`;
  const act = (work: Promise<unknown>, said: string) =>
    void work.then(
      () => onChanged(said),
      (error: Error) => onChanged(error.message),
    );
  return (
    <>
      <DropdownMenu.Root>
        <DropdownMenu.Trigger
          aria-label={`What to do with ${name}`}
          className="grid size-[30px] place-items-center rounded-sm border border-transparent hover:border-hair hover:bg-faint"
        >
          <Ellipsis size={16} aria-hidden="true" />
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            align="end"
            className="z-40 flex min-w-48 flex-col rounded-sm border border-ink3 bg-sheet p-1.5 shadow-lg"
          >
            <DropdownMenu.Item className={ITEM} onSelect={() => router.push(`/projects/${id}/people`)}>
              People
            </DropdownMenu.Item>
            {may(role, 'project') && (
              <DropdownMenu.Item className={ITEM} onSelect={() => router.push(`/projects/${id}/settings`)}>
                Settings
              </DropdownMenu.Item>
            )}
            {may(role, 'copy') && (
              <>
                <DropdownMenu.Item className={ITEM} onSelect={() => setOpen('copy')}>
                  Copy
                </DropdownMenu.Item>
                <DropdownMenu.Item className={ITEM} asChild>
                  <a href={`${url}/file`} download>
                    Download as one file
                  </a>
                </DropdownMenu.Item>
              </>
            )}
            {may(role, 'project') && (
              <DropdownMenu.Item
                className={ITEM}
                onSelect={() =>
                  act(
                    askServer('PATCH', url, { archived: !archived }),
                    archived ? `${name} is out of the archive` : `${name} is archived`,
                  )
                }
              >
                {archived ? 'Take out of the archive' : 'Archive'}
              </DropdownMenu.Item>
            )}
            {may(role, 'project') ? (
              <DropdownMenu.Item className={`${ITEM} text-wrong`} onSelect={() => setOpen('delete')}>
                Delete
              </DropdownMenu.Item>
            ) : (
              <DropdownMenu.Item
                className={ITEM}
                onSelect={() => act(askServer('POST', `${url}/leave`, {}), `You left ${name}`)}
              >
                Leave
              </DropdownMenu.Item>
            )}
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      {open === 'copy' && <CopyDialog project={project} onClose={() => setOpen(null)} onDone={onChanged} />}
      {open === 'delete' && <DeleteDialog project={project} onClose={() => setOpen(null)} onDone={onChanged} />}
    </>
  );
}
