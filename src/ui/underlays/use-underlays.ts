import { useMemo } from 'react';
import { recordsOf } from '@/core/model/framework';
import type { Underlay } from '@/core/underlays/underlay';
import { useSlice } from '../session/store';
import { useSheets, type ReadSheet } from './use-sheets';

const nowhere = (): string => '';

/** The underlays shown in a view, with the drawings among them and where pictures are fetched from. */
export function useUnderlays(view: string): {
  underlays: Underlay[];
  sheets: Map<string, ReadSheet>;
  urlOf: (sha256: string) => string;
} {
  const { framework, building, level, session } = useSlice('framework', 'building', 'level', 'session');
  const underlays = useMemo(
    () =>
      recordsOf(framework, 'underlay').filter(
        (underlay) =>
          underlay.shown &&
          underlay.building === building &&
          underlay.view === view &&
          (underlay.level === null || underlay.level === level),
      ),
    [framework, building, level, view],
  );
  const sheets = useSheets(session, underlays);
  return { underlays, sheets, urlOf: session?.server.underlayUrl ?? nowhere };
}
