import Link from 'next/link';
import type { ReactNode } from 'react';
import { Mark } from '../frame/mark';

interface PageFrameProps {
  title: string;
  /** The page this one hangs on. */
  back?: { href: string; name: string };
  /** What stands at the right of the title. */
  beside?: ReactNode;
  children: ReactNode;
}

/** A page beside the workspace: its title, the way back, and what it is about. */
export function PageFrame({ title, back, beside, children }: PageFrameProps) {
  return (
    <main className="mx-auto flex max-w-[1040px] flex-col gap-7 px-8 py-8">
      <header className="flex items-end justify-between gap-6 border-b border-ink pb-3">
        <div className="min-w-0">
          {back && (
            <Link href={back.href} className="text-now underline">
              {back.name}
            </Link>
          )}
          <h1 className="flex items-center gap-2.5 truncate text-[22px] font-bold">
            <Mark /> {title}
          </h1>
        </div>
        {beside && <div className="flex shrink-0 items-center gap-3 text-ink2">{beside}</div>}
      </header>
      {children}
    </main>
  );
}

/** A part of a page with its heading. */
export function PagePart({ title, note, children }: { title: string; note?: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="flex flex-col gap-3">
      <div>
        <h2 className="text-[15px] font-bold">{title}</h2>
        {note && <p className="max-w-[70ch] text-ink2">{note}</p>}
      </div>
      {children}
    </section>
  );
}
