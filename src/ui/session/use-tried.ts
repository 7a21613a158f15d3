import { useCallback, useEffect, useRef } from 'react';
import type { Sent } from '@/core/commands/command-inputs';
import { useSlice } from './store';

/** What a drag comes to: tried in every view while it goes on, and done at its end. */
export interface Tried {
  /** Shows what a command would bring about; null: what there is. The same again is not asked for. */
  show: (sent: Sent | null) => void;
  /** Does what was shown last, unless it was given up, and shows what there is; what is refused is said. */
  done: (isTaken: boolean) => void;
}

/** Tries what is dragged. Let go of in any other way, by Esc or because the thing is gone, nothing of it stays. */
export function useTried(id: string, onLeft: () => void): Tried {
  const { session, send, say } = useSlice('session', 'send', 'say');
  const last = useRef<Sent | null>(null);
  const show = useCallback(
    (sent: Sent | null) => {
      if (JSON.stringify(sent) === JSON.stringify(last.current)) return;
      last.current = sent;
      session?.try(sent);
    },
    [session],
  );
  useEffect(
    () => () => {
      last.current = null;
      session?.try(null);
      onLeft();
    },
    [session, id, onLeft],
  );
  const done = (isTaken: boolean) => {
    const sent = last.current;
    last.current = null;
    const refusal = isTaken && sent ? send(sent) : null;
    session?.try(null);
    if (refusal) say(refusal);
  };
  return { show, done };
}
