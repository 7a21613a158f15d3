import type { Listed, Sentence } from '../kinds/said';
import { counted } from '../kinds/said';
import { sectionWords } from './section-shape';

export const columnSentence: Sentence<'columnStack'> = {
  title: ({ id }, { solved }) => {
    const mark = solved.columns.find(({ stack }) => stack === id)?.mark;
    return mark === undefined ? 'Column stack' : `Column stack ${mark}`;
  },
  of: ({ id, material }, { solved, write, level }) => {
    const pieces = solved.columns.filter(({ stack }) => stack === id);
    const [first, last] = [pieces[0], pieces.at(-1)];
    if (!first || !last) return 'It runs through no storey.';
    const section = sectionWords(first.section, write);
    return `${section} ${material}, from ${level(first.level)} up to the soffit above ${level(last.level)}: ${counted(pieces.length, 'storey')}.`;
  },
};

export const columnsListed: Listed = {
  heading: 'Columns',
  things: ({ solved, shown }) =>
    solved.columns.filter(({ level }) => level === shown.id).map(({ stack, mark }) => ({ id: stack, words: mark })),
};
