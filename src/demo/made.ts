import type { Sent } from '@/core/commands/command-inputs';
import type { ROOM_USES } from '@/core/rooms/room';
import { corners } from './corners';

/** A building and a level that steps of a script are for. */
const HOUSE = 'Hall house';

/** Builds of walls that are used by name. */
export const TYPES: readonly Sent[] = [
  {
    command: 'walls.defineType',
    input: {
      name: 'Cell 100',
      layers: [
        { name: 'board', thicknessMm: 12.5, core: false },
        { name: 'studs', thicknessMm: 75, core: true },
        { name: 'board', thicknessMm: 12.5, core: false },
      ],
    },
  },
  {
    command: 'walls.defineType',
    input: {
      name: 'Practice 250',
      layers: [
        { name: 'board', thicknessMm: 25, core: false },
        { name: 'studs', thicknessMm: 75, core: true },
        { name: 'wool', thicknessMm: 50, core: false },
        { name: 'studs', thicknessMm: 75, core: false },
        { name: 'board', thicknessMm: 25, core: false },
      ],
    },
  },
];

/** Typed walls, doors and rooms of one storey of the hall house, in millimetres from the crossing A-1. */
export const storey = (level: string) => ({
  wall: (name: string, points: string, type = 'Interior 150'): Sent => ({
    command: 'walls.add',
    input: {
      building: HOUSE,
      name: `${level} ${name}`,
      type,
      place: 'A-1',
      points: corners(points),
      startsAt: { level },
    },
  }),
  /** `alongMm`: from the start of the wall's path to the nearer side. */
  door: (wall: string, alongMm: number, widthMm = 1010, leaves: 1 | 2 = 1): Sent => ({
    command: 'walls.addOpening',
    input: { wall: `${level} ${wall}`, opening: 'door', alongMm, widthMm, leaves },
  }),
  room: (name: string, use: (typeof ROOM_USES)[number], xMm: number, yMm: number): Sent => ({
    command: 'rooms.add',
    input: { building: HOUSE, level, name, use, place: { lines: ['A', '1'], xMm, yMm }, carriedUp: false },
  }),
});

/** The other side of the house: it is alike about line C. */
export const across = (yMm: number): number => 28_800 - yMm;

/** Inner faces of the envelope. */
export const FACE = { west: -430, east: 40_030, south: -430, north: 29_230 };

/** Doors and windows of a wall at levels. */
export const openings = (
  wall: string,
  opening: 'door' | 'window' | 'plain',
  alongsMm: readonly number[],
  size: { widthMm: number; heightMm: number; sillMm?: number; leaves?: 1 | 2; opens?: 'inwards' | 'outwards' },
  at: string[] | 'all' = 'all',
): Sent[] =>
  alongsMm.map((alongMm): Sent => ({ command: 'walls.addOpening', input: { wall, opening, alongMm, ...size, at } }));
