import { useSlice, type Step } from '../session/store';

/** Which of its tools a step shows: the one used last, also after other steps and views. Another one ends what is being placed. */
export function useWay<W extends string>(
  step: Step,
  ways: readonly (readonly [W, string])[],
): [way: W, choose: (next: W) => void] {
  const { ways: chosen, set } = useSlice('ways', 'set');
  const way = ways.find(([key]) => key === chosen[step])?.[0] ?? ways[0]![0];
  return [way, (next) => set({ ways: { ...chosen, [step]: next }, ghost: null })];
}
