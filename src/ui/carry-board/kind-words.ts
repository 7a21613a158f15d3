import type { BoardKind } from '@/core/carrying/board';

export const KIND_WORDS: Record<BoardKind, string> = {
  stair: 'Stairs',
  shaft: 'Shafts',
  wall: 'Walls',
  columnStack: 'Columns',
  floorPlate: 'Floors',
};
export const KIND_COLOUR: Record<BoardKind, string> = {
  stair: 'var(--color-stairs)',
  shaft: 'var(--color-shafts)',
  wall: 'var(--color-walls)',
  columnStack: 'var(--color-columns)',
  floorPlate: 'var(--color-floors)',
};
