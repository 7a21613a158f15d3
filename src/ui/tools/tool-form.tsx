'use client';

import { useState, type ReactNode } from 'react';
import type { Result } from '@/core/model/result';
import { ActionButton } from '../fields/fields';
import { Refused } from './refused';

interface ToolFormProps {
  label?: string;
  /** What its button says it does. */
  does: ReactNode;
  /** Does it; answers why not, or null. */
  act: () => string | null;
  isReady?: boolean;
  /** What it would do as it stands: why it would be refused is said before it is pressed. */
  preview?: Result<unknown> | null;
  /** Something wrong that came from the plan. */
  wrong?: string | null;
  children: ReactNode;
  /** What is there already, under the button. */
  below?: ReactNode;
}

/** The form of a tool: its fields, why it cannot be done, and the button that does it; Enter does it as well. */
export function ToolForm({ label, does, act, isReady = true, preview, wrong, children, below }: ToolFormProps) {
  const [refused, setRefused] = useState<string | null>(null);
  const standing = preview && !preview.ok ? preview.refusal.message : null;
  return (
    <form
      aria-label={label}
      className="flex flex-col gap-2"
      // What was refused is another thing once something was changed.
      onChange={() => setRefused(null)}
      onSubmit={(event) => {
        event.preventDefault();
        setRefused(act());
      }}
    >
      {children}
      <Refused words={refused ?? wrong ?? standing} />
      <span className="self-end">
        <ActionButton type="submit" weight="main" disabled={!isReady}>
          {does}
        </ActionButton>
      </span>
      {below}
    </form>
  );
}
