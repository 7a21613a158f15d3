'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { ActionButton } from './fields';

/** Work that takes a while: `words` say what is being done, and how far it is; `cancel` gives it up. */
export interface HeavyWork {
  words: string | null;
  cancel: () => void;
  /** Does it; what is under way already is given up. */
  begin: <T>(what: string, work: (signal: AbortSignal, tell: (words: string) => void) => Promise<T>) => Promise<T>;
}

/** Heavy work of one panel, given up when the panel closes. */
export function useHeavyWork(): HeavyWork {
  const [words, setWords] = useState<string | null>(null);
  const running = useRef<AbortController | null>(null);
  const cancel = useCallback(() => running.current?.abort(), []);
  useEffect(() => cancel, [cancel]);
  const begin: HeavyWork['begin'] = useCallback(async (what, work) => {
    running.current?.abort();
    const own = new AbortController();
    running.current = own;
    setWords(`${what} …`);
    try {
      return await work(own.signal, (part) => running.current === own && setWords(`${what}: ${part.toLowerCase()} …`));
    } finally {
      if (running.current === own) {
        running.current = null;
        setWords(null);
      }
    }
  }, []);
  return { words, cancel, begin };
}

/** What is being done, with a button that gives it up. */
export function HeavyWorkLine({ work }: { work: HeavyWork }) {
  if (work.words === null) return null;
  return (
    <p role="status" className="flex items-center justify-between gap-2">
      {work.words}
      <ActionButton onClick={work.cancel}>Cancel</ActionButton>
    </p>
  );
}
