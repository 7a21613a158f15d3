import { useMemo } from 'react';
import { withMembers } from '@/core/cores/core';
import type { Id } from '@/core/model/ids';
import { useSlice } from './store';

/** What is chosen, the parts of chosen cores with it: what views show as chosen. */
export function useChosen(): ReadonlySet<Id> {
  const { framework, selection } = useSlice('framework', 'selection');
  return useMemo(() => new Set([...selection, ...withMembers(framework, selection)]), [framework, selection]);
}
