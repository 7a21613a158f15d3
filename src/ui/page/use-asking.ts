'use client';

import { useState } from 'react';

/** What is being asked of the server on a page: one thing at a time, and what came of it. */
export function useAsking() {
  const [busy, setBusy] = useState(false);
  const [said, setSaid] = useState<{ text: string; isTrouble: boolean } | null>(null);
  /** Does it, and says `done` or the refusal's words. Answers whether it was done. */
  const ask = async (work: () => Promise<string | void>): Promise<boolean> => {
    setBusy(true);
    setSaid(null);
    try {
      const done = await work();
      if (done) setSaid({ text: done, isTrouble: false });
      return true;
    } catch (error) {
      setSaid({ text: (error as Error).message, isTrouble: true });
      return false;
    } finally {
      setBusy(false);
    }
  };
  return { busy, said, ask, say: setSaid };
}
