import type { Listed, Sentence } from '../kinds/said';
import { heldLine } from './held-line';

export const settingOutSentence: Sentence<'settingOutLine'> = {
  of: ({ id, source }, { framework, solved, write }) => {
    const line = solved.settingOut.find((each) => each.id === id);
    const from = line?.from ?? `line ${heldLine(framework, source)?.label ?? 'without a label'}`;
    return `${write(Math.abs(line?.offsetMm ?? 0))} from ${from}, which it follows.`;
  },
};

export const settingOutListed: Listed = {
  heading: 'Setting-out lines',
  things: ({ solved, shown }) =>
    solved.settingOut
      .filter(({ building }) => building === shown.building)
      .map(({ id, name }) => ({ id, words: name })),
};
