import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';

/** A button of the top line that opens a panel below it. */
export function TopPopover({ button, name, children }: { button: string; name: string; children: ReactNode }) {
  return (
    <Popover.Root>
      <Popover.Trigger className="rounded-sm border border-hair px-2.5 py-0.5 font-semibold hover:bg-faint">
        {button}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          collisionPadding={8}
          className="z-40 flex max-h-[75vh] w-96 flex-col gap-3 overflow-y-auto rounded-sm border border-ink3 bg-sheet p-3 shadow-lg"
          aria-label={name}
        >
          <h2 className="font-bold">{name}</h2>
          {children}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
