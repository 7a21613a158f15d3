'use client';

import { useId, type ComponentProps, type ReactNode } from 'react';

const BOX = 'rounded-sm border border-hair bg-sheet px-2 py-1.5';

/** A labelled box of a page's form. */
export function Box({ label, wide, ...input }: { label: string; wide?: boolean } & ComponentProps<'input'>) {
  const id = useId();
  return (
    <span className={`flex flex-col ${wide ? 'flex-1' : ''}`}>
      <label htmlFor={id}>{label}</label>
      <input id={id} {...input} className={`${BOX} read-only:bg-faint`} />
    </span>
  );
}

/** A labelled choice of a page's form. */
export function Choice({
  label,
  children,
  ...select
}: { label: string; children: ReactNode } & ComponentProps<'select'>) {
  const id = useId();
  return (
    <span className="flex flex-col">
      <label htmlFor={id}>{label}</label>
      <select id={id} {...select} className={BOX}>
        {children}
      </select>
    </span>
  );
}

/** The button that does what a form is for. */
export function DoButton({
  children,
  grave = false,
  ...button
}: { children: ReactNode; grave?: boolean } & ComponentProps<'button'>) {
  return (
    <button
      type="submit"
      {...button}
      className={`rounded-sm px-4 py-1.5 font-semibold text-sheet disabled:opacity-50 ${grave ? 'bg-wrong' : 'bg-ink'}`}
    >
      {children}
    </button>
  );
}

/** What came of something: said where it was asked for. */
export function Outcome({ said }: { said: { text: string; isTrouble: boolean } | null }) {
  if (!said) return null;
  return (
    <p role={said.isTrouble ? 'alert' : 'status'} className={said.isTrouble ? 'text-wrong' : 'text-now'}>
      {said.text}
    </p>
  );
}
