'use client';

import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';

/** A question on a page that is answered or closed before anything else is done there. */
export function PageDialog({ title, onClose, children }: { title: string; onClose: () => void; children: ReactNode }) {
  return (
    <Dialog.Root open onOpenChange={(isOpen) => !isOpen && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/25" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-24 left-1/2 z-50 flex w-[440px] -translate-x-1/2 flex-col gap-3 rounded-sm border border-ink3 bg-sheet p-5 shadow-lg"
        >
          <Dialog.Title className="text-[15px] font-bold">{title}</Dialog.Title>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
