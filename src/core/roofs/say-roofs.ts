import { counted, type Listed, type Sentence } from '../kinds/said';
import { recordsOf } from '../model/framework';

export const roofSentence: Sentence<'roof'> = {
  title: ({ name }) => `Flat roof ${name}`,
  of: ({ id, level: own, walls, parapet }, { solved, level, area }) => {
    const slab = solved.floors.find(({ plate }) => plate === id);
    const covered = slab ? area(solved.profiles[slab.profile]!.areaMm2) : 'no area';
    const edge = parapet ? 'with a parapet' : 'without a parapet';
    return `At level ${level(own)} on ${counted(walls.length, 'wall')}, ${edge}; ${covered}.`;
  },
};

/** A roof is a slab and a wall to the views, and one thing to people. */
export const roofsListed: Listed = {
  heading: 'Roofs',
  things: ({ framework, shown }) =>
    recordsOf(framework, 'roof')
      .filter(({ level }) => level === shown.id)
      .map(({ id, name }) => ({ id, words: name })),
};
