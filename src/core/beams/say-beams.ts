import { once, type Listed, type Sentence } from '../kinds/said';

export const beamSentence: Sentence<'beam'> = {
  of: ({ id, form, material }, { solved: { bodies }, write, level }) => {
    const own = bodies.filter(({ thing }) => thing === id);
    const names = own.map((body) => level(body.level));
    const what = `${form === 'beam' ? 'Beam' : 'Downstand'}, ${material}`;
    if (own.length === 0) return `${what}. It hangs under no level.`;
    const depths = [...new Set(own.map(({ bottomMm, topMm }) => write(topMm - bottomMm)))];
    const where = names.length === 1 ? `level ${names[0]}` : `${names.length} levels, ${names[0]} to ${names.at(-1)}`;
    return `${what}, ${depths.join(' and ')} under the slab of ${where}.`;
  },
};

/** Beams of the slab of a level, and those that hang over it. */
export const beamsListed: Listed = {
  heading: 'Beams',
  things: ({ solved, shown }) =>
    once(
      solved.bodies
        .filter(({ kind, level, seenAt }) => kind === 'beam' && (level === shown.id || seenAt === shown.id))
        .map(({ thing, name }) => ({ id: thing, words: name })),
    ),
};
