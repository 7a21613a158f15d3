import type { Act } from '../kinds/kind-ui';
import type { HandAct } from '../session/busy';

/** An act that is done in the plan with what is chosen. */
export const byHand = (words: string, act: HandAct['act'], title: string): Act => ({
  words,
  title,
  act: ({ selection, set }) => {
    set({ act: { act, ids: [...selection] }, tab: 'plan', step: null, busy: null, ghost: null });
    return null;
  },
});
