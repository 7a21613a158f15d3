import type { Listed, Sentence } from '../kinds/said';
import { heightClasses } from './under-slopes';

export const roomSentence: Sentence<'room'> = {
  title: ({ number, name }) => `Room ${number} ${name}`,
  of: ({ id, use, level: own }, { solved, level, area, write }) => {
    const regions = solved.rooms.filter(({ room }) => room === id);
    if (regions.length === 0) return 'It lies in no closed region of walls.';
    const where = regions.length === 1 ? `at level ${level(own)}` : `at ${regions.length} levels`;
    const classes = regions.flatMap((region) => heightClasses(solved, region) ?? []);
    const high = (which: 'over1500Mm2' | 'over2300Mm2') => area(classes.reduce((sum, each) => sum + each[which], 0));
    const under =
      classes.length > 0
        ? ` Under the roof ${write(1500)} high and more: ${high('over1500Mm2')}; ${write(2300)}: ${high('over2300Mm2')}.`
        : '';
    return `For ${use}, ${where}; ${area(regions.reduce((sum, { netMm2 }) => sum + netMm2, 0))} in all.${under}`;
  },
};

export const roomsListed: Listed = {
  heading: 'Rooms',
  things: ({ solved, shown }) =>
    solved.rooms.flatMap(({ level, room, number }) =>
      level === shown.id && room !== null ? [{ id: room, words: number }] : [],
    ),
};

export const boundarySentence: Sentence<'boundaryLine'> = {
  of: ({ level: own }, { level }) => `Divides the rooms of level ${level(own)} without a wall.`,
};

export const boundariesListed: Listed = {
  heading: 'Boundary lines',
  things: ({ solved, shown }) =>
    solved.boundaries
      .filter(({ level }) => level === shown.id)
      .map(({ line }, i) => ({ id: line, words: `Boundary ${i + 1}` })),
};
