import { formatVolume } from '../units/format-length';
import type { Listed, Sentence } from '../kinds/said';
import { recordsOf } from '../model/framework';

export const foundationSentence: Sentence<'foundation'> = {
  of: ({ id, form, material, top }, { solved, level }) => {
    const pieces = solved.foundations.filter(({ foundation }) => foundation === id);
    const volume = pieces.reduce((sum, { volumeMm3 }) => sum + volumeMm3, 0);
    const what = form === 'raft' ? 'A raft' : `${pieces.length} ${form}`;
    return `${what} of ${material} under level ${level(top.level)}; ${formatVolume(volume)}.`;
  },
};

export const foundationsListed: Listed = {
  heading: 'Foundations',
  things: ({ framework, shown }) =>
    recordsOf(framework, 'foundation')
      .filter(({ top }) => top.level === shown.id)
      .map(({ id, name }) => ({ id, words: name })),
};
