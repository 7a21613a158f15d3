import type { ReactNode } from 'react';
import { ActionButton } from '../fields/fields';

/** What is being done by hand and asked for, over the plan, with the way out of it. */
export function ActStrip({
  name,
  asks,
  leave,
  leaving = 'Leave it',
  children,
}: {
  name: string;
  asks: string;
  leave: () => void;
  leaving?: string;
  children?: ReactNode;
}) {
  return (
    <div
      role="group"
      aria-label={`${name} by hand`}
      className="absolute top-3 left-3 z-20 flex max-w-[calc(100%-24px)] flex-wrap items-center gap-x-3 gap-y-1 rounded-sm border border-now bg-sheet px-2.5 py-1.5"
    >
      <span role="status">
        <b className="text-now">{name}.</b> {asks}
      </span>
      {children}
      <ActionButton onClick={leave}>{leaving}</ActionButton>
    </div>
  );
}
