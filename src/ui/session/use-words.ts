import { forReader } from '@/core/units/for-reader';
import { useProject } from './store';

/** Sentences of the core as this person reads them, in their unit. */
export function useWords(): (text: string) => string {
  const display = useProject((project) => project.display);
  return (text) => forReader(text, display);
}
