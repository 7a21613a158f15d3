import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';

interface TopPopoverProps {
  button: ReactNode;
  name: string;
  /** What is said of a button without words. */
  title?: string;
  /** Opened and closed from elsewhere as well. */
  open?: boolean;
  onOpenChange?: (open: boolean) => void;
  children: ReactNode;
}

/** A button of the top line that opens a panel below it. */
export function TopPopover({ button, name, title, open, onOpenChange, children }: TopPopoverProps) {
  return (
    <Popover.Root {...(open === undefined ? {} : { open })} {...(onOpenChange ? { onOpenChange } : {})}>
      <Popover.Trigger
        {...(title ? { title, 'aria-label': name } : {})}
        className={`rounded-sm border border-hair py-0.5 font-semibold hover:bg-faint ${title ? 'px-1.5 py-1' : 'px-2.5'}`}
      >
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
