import { useMemo } from 'react';
import type { Planned } from '@/core/model/command';
import type { Json } from '@/core/model/json';
import type { Result } from '@/core/model/result';
import { useProject } from './store';

/** What a command would do, planned but not done; null while there is no input. Planned anew only when the input changes. */
export function usePreview(command: string, input: Json | null): Result<Planned> | null {
  const session = useProject((project) => project.session);
  const key = JSON.stringify(input);
  return useMemo(
    () => (key === 'null' ? null : (session?.preview(command, JSON.parse(key) as Json) ?? null)),
    [session, command, key],
  );
}
