'use client';

import { Popover } from 'radix-ui';
import { useProject } from '../session/store';

/** Who did what and when, latest first. */
export function History() {
  const history = useProject((project) => project.history);
  return (
    <Popover.Root>
      <Popover.Trigger className="rounded-sm border border-hair px-2.5 py-0.5 font-semibold hover:bg-faint">
        History
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          collisionPadding={8}
          className="z-50 max-h-[70vh] w-96 overflow-y-auto rounded-sm border border-ink3 bg-sheet p-3 shadow-lg"
          aria-label="History"
        >
          <h2 className="mb-2 font-bold">History</h2>
          {history.length === 0 && <p className="text-ink2">Nothing yet.</p>}
          <ol className="flex flex-col gap-1.5">
            {history.map(({ seq, sentence, author, at }) => (
              <li key={seq} className="border-t border-faint pt-1">
                {sentence}
                <span className="block text-[11px] text-ink2">
                  {author}, {new Date(at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })}
                </span>
              </li>
            ))}
          </ol>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
