'use client';

import { useProject } from '../session/store';
import { TopPopover } from './top-popover';

/** Who did what and when, latest first. */
export function History() {
  const history = useProject((project) => project.history);
  return (
    <TopPopover button="History" name="History">
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
    </TopPopover>
  );
}
