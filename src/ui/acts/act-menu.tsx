'use client';

import { DropdownMenu } from 'radix-ui';
import type { Act } from '../kinds/kind-ui';
import { useProject } from '../session/store';
import { actsFor } from './acts';

const ITEM = 'cursor-pointer rounded-sm px-2.5 py-0.5 outline-none data-[highlighted]:bg-faint';

/** All that can be done with what is chosen, at a place of the window. */
export function ActMenu() {
  const project = useProject((shown) => shown);
  const at = project.menu;
  const onClose = () => project.set({ menu: null });
  const acts = at ? actsFor(project) : null;
  if (!at || !acts) return null;
  const item = (act: Act) => (
    <DropdownMenu.Item
      key={act.words}
      className={`${ITEM} ${act.weight === 'danger' ? 'text-wrong' : ''}`}
      onSelect={() => {
        const refusal = act.act(project);
        if (refusal) project.say(refusal);
      }}
    >
      {act.title ?? act.words}
    </DropdownMenu.Item>
  );
  return (
    <DropdownMenu.Root open modal={false} onOpenChange={(open) => !open && onClose()}>
      <DropdownMenu.Trigger asChild>
        <span className="fixed size-0" style={{ left: at.x, top: at.y }} aria-hidden="true" />
      </DropdownMenu.Trigger>
      <DropdownMenu.Content
        align="start"
        sideOffset={2}
        aria-label="What can be done with it"
        className="z-40 flex min-w-56 flex-col rounded-sm border border-ink3 bg-sheet p-1.5 shadow-lg"
        // It closes the list, and lets go of nothing else.
        onEscapeKeyDown={(event) => event.stopPropagation()}
        onCloseAutoFocus={(event) => event.preventDefault()}
      >
        {acts.few.map(item)}
        {acts.few.length > 0 && acts.more.length > 0 && (
          <DropdownMenu.Separator className="my-1 border-t border-faint" />
        )}
        {acts.more.map(item)}
      </DropdownMenu.Content>
    </DropdownMenu.Root>
  );
}
