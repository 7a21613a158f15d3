import type { Listed, Sentence } from '../kinds/said';
import { recordsOf } from '../model/framework';

export const coreSentence: Sentence<'core'> = {
  of: ({ members }) => `${members.length} walls, shafts and stairs that are moved, copied and carried as one.`,
};

export const coresListed: Listed = {
  heading: 'Cores',
  things: ({ framework, shown }) =>
    recordsOf(framework, 'core')
      .filter(({ building }) => building === shown.building)
      .map(({ id, name }) => ({ id, words: name })),
};
