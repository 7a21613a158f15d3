import { useEffect, useState } from 'react';
import { consequences, type Consequence } from '@/core/carrying/consequences';
import type { Framework } from '@/core/model/framework';
import { solve } from '@/core/solving/solve';
import { useSlice } from './store';

/** What is typed is tried out once it has stood this long. */
const PAUSE_MS = 350;

/** What a framework tried on the side would bring about against the one that is; null until it is worked out. */
export function useTrial(tried: Framework | null): Consequence[] | null {
  const { framework, solved, display } = useSlice('framework', 'solved', 'display');
  const [found, setFound] = useState<{ of: Framework; changes: Consequence[] } | null>(null);
  useEffect(() => {
    if (!tried || !solved) return;
    const timer = setTimeout(() => {
      const changes = consequences({ framework, solved }, { framework: tried, solved: solve(tried) }, display);
      setFound({ of: tried, changes });
    }, PAUSE_MS);
    return () => clearTimeout(timer);
  }, [tried, framework, solved, display]);
  return tried && found?.of === tried ? found.changes : null;
}
