import { useMemo } from 'react';
import type { Planned } from '@/core/commands/command';
import type { CommandInputs, CommandName, Sent } from '@/core/commands/command-inputs';
import type { Result } from '@/core/model/result';
import { useProject } from './store';

/** What a command would do, planned but not done; null while there is no input. Planned anew only when the input changes. */
export const usePreview = <Name extends CommandName>(
  command: Name,
  input: CommandInputs[Name] | null,
): Result<Planned> | null => usePreviewOf(input && ({ command, input } as Sent));

/** The same of a command that is put together elsewhere. */
export function usePreviewOf(sent: Sent | null): Result<Planned> | null {
  const session = useProject((project) => project.session);
  const key = JSON.stringify(sent);
  return useMemo(() => (key === 'null' ? null : (session?.previewOf(JSON.parse(key) as Sent) ?? null)), [session, key]);
}
