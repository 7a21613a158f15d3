import { useEffect, useState } from 'react';
import type { CoreAsked, CoreProposals } from '@/core/cores/propose';
import { useSlice } from '../../session/store';

/** What is typed is asked for once it has stood this long. */
const PAUSE_MS = 300;

/** What was found, with what it was asked for: that may be typed over since. */
export interface FoundCores extends CoreProposals {
  of: CoreAsked;
}

/** Arrangements of a core, worked out by the worker; those of before until there are others. */
export function useCoreProposals(asked: CoreAsked | null): { found: FoundCores | null; isWorking: boolean } {
  const { solved, session } = useSlice('solved', 'session');
  const key = JSON.stringify(asked);
  const [found, setFound] = useState<{ key: string; cores: FoundCores } | null>(null);
  useEffect(() => {
    if (key === 'null' || !solved || !session) return;
    let isCurrent = true;
    const timer = setTimeout(() => {
      const of = JSON.parse(key) as CoreAsked;
      session.cores(of).then(
        (proposals) => isCurrent && setFound({ key, cores: { ...proposals, of } }),
        // A worker that breaks down is begun anew by the next solve.
        () => undefined,
      );
    }, PAUSE_MS);
    return () => {
      isCurrent = false;
      clearTimeout(timer);
    };
  }, [key, solved, session]);
  return { found: asked && found ? found.cores : null, isWorking: asked !== null && found?.key !== key };
}
