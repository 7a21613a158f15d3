import type { BoardKind } from '@/core/carrying/board';
import { facet } from '@/core/kinds/kind';
import { definitionOf } from '@/core/kinds/registry';

const WORDS: Partial<Record<BoardKind, string>> = {
  stair: 'Stairs',
  shaft: 'Shafts',
  wall: 'Walls',
  columnStack: 'Columns',
  floorPlate: 'Floors',
};
const COLOURS: Partial<Record<BoardKind, string>> = {
  stair: 'var(--color-stairs)',
  shaft: 'var(--color-shafts)',
  wall: 'var(--color-walls)',
  columnStack: 'var(--color-columns)',
  floorPlate: 'var(--color-floors)',
};

/** What a kind is called over its columns of the board, and the colour of its bars. */
export const kindWords = (kind: BoardKind): string =>
  WORDS[kind] ?? facet(definitionOf(kind).bodies)?.heading ?? definitionOf(kind).records.words.many;
export const kindColour = (kind: BoardKind): string => COLOURS[kind] ?? 'var(--color-columns)';
