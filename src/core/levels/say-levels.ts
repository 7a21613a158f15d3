import type { Sentence } from '../kinds/said';

export const levelSentence: Sentence<'level'> = {
  title: ({ name, title }) => `Level ${name}${title ? ` ${title}` : ''}`,
  of: ({ id }, { solved, write, elevation }) => {
    const level = solved.levels.find((each) => each.id === id);
    if (!level) return 'It is not worked out yet.';
    const storey = level.storeyHeightMm === null ? '' : `, ${write(level.storeyHeightMm)} to the next level`;
    return `FFL ${elevation(level.fflMm)}${storey}.`;
  },
};
