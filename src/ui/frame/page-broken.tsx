'use client';

import Link from 'next/link';
import { ActionButton } from '../fields/fields';
import { RescueButton } from './session-trouble';

/** A page that broke down as a whole: what can be done about it, and the work taken out. */
export function PageBroken({ onAgain }: { onAgain: () => void }) {
  return (
    <main className="grid h-full min-h-[300px] place-items-center">
      <div role="alert" className="flex max-w-[460px] flex-col gap-3">
        <h1 className="text-[18px] font-bold">This page stopped</h1>
        <p>
          What was acknowledged is saved, and what was not is kept in this browser: it is sent when the project is
          opened again.
        </p>
        <div className="flex flex-wrap items-center gap-3">
          <ActionButton weight="main" onClick={onAgain}>
            Open it again
          </ActionButton>
          <RescueButton />
          <Link className="font-semibold text-now underline" href="/">
            Back to the projects
          </Link>
        </div>
      </div>
    </main>
  );
}
