import { useEffect, useState } from 'react';
import type { Consequence } from '@/core/carrying/consequences';
import type { Framework } from '@/core/model/framework';
import { useSlice } from './store';

/** What is typed is tried out once it has stood this long. */
const PAUSE_MS = 350;

/** What a framework tried on the side would bring about against the one that is, worked out by the worker; null until it is. */
export function useTrial(tried: Framework | null): Consequence[] | null {
  const { solved, display, session } = useSlice('solved', 'display', 'session');
  const [found, setFound] = useState<{ of: Framework; changes: Consequence[] } | null>(null);
  useEffect(() => {
    if (!tried || !solved || !session) return;
    let isCurrent = true;
    const timer = setTimeout(() => {
      session.bringsAbout(tried, display).then(
        (changes) => isCurrent && setFound({ of: tried, changes }),
        // A worker that breaks down is begun anew by the next solve; until then nothing is said.
        () => undefined,
      );
    }, PAUSE_MS);
    return () => {
      isCurrent = false;
      clearTimeout(timer);
    };
  }, [tried, solved, session, display]);
  return tried && found?.of === tried ? found.changes : null;
}
