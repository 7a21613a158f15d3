import { counted, once, type Listed, type Sentence } from '../kinds/said';
import { assembliesOf } from '../slants/assembly';

export const guardSentence: Sentence<'guard'> = {
  title: ({ is, name }) => `${is === 'guard' ? 'Guard' : 'Handrail'} ${name}`,
  of: ({ id }, { solved, write }) => {
    const own = assembliesOf(solved.assemblies, 'guard').filter(({ thing }) => thing === id);
    if (own.length === 0) return 'It runs along nothing.';
    const metres = own.reduce((sum, { info }) => sum + info.lengthMm, 0);
    const posts = own.reduce((sum, { info }) => sum + info.posts, 0);
    return `${write(Math.round(metres))} long at ${counted(own.length, 'level')}, ${write(own[0]!.info.heightMm)} high, ${counted(posts, 'post')}.`;
  },
};

export const guardsListed: Listed = {
  heading: 'Guards and handrails',
  things: ({ solved, shown }) =>
    once(
      assembliesOf(solved.assemblies, 'guard')
        .filter(({ level }) => level === shown.id)
        .map(({ thing, name }) => ({ id: thing, words: name })),
    ),
};
