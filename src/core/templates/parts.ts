import type { Sent } from '../commands/command-inputs';
import { usualType, startingTypes } from '../walls/wall-type';
import type { WallUse } from '../walls/wall';
import type { LengthSystem, TemplateNumber, TemplateSite } from './template';

/** What templates are made of: pieces that several of them have. */

/** Letters of lines across, as grids give them. */
export const LETTERS = 'ABCDEFGHJKLMNPQRSTUVWXYZ';

/** Storeys and basements are typed alike in every template. */
export const STOREY = { form: 'list', atLeastMm: 2400, atMostMm: 12_000, least: 1, most: 60 } as const;
const BASEMENT = { ...STOREY, least: 0, most: 8, mayBeEmpty: true } as const;
export const BAY = { form: 'list', atLeastMm: 3000, atMostMm: 15_000 } as const;

/** Names of the levels a building gets: basements downwards, 00, storeys, the roof. */
export function levelNames(storeys: number, basements: number): { above: string[]; lowest: string; roof: string } {
  const above = Array.from({ length: storeys }, (_, i) => String(i).padStart(2, '0'));
  return { above, lowest: basements > 0 ? `B${basements}` : '00', roof: 'RF' };
}

export const sum = (list: readonly number[]): number => list.reduce((total, mm) => total + mm, 0);

/** Where each bay begins, and the end of the last. */
export const ends = (bays: readonly number[]): number[] =>
  bays.reduce<number[]>((at, mm) => [...at, at.at(-1)! + mm], [0]);

/** A rectangle as corners of a path, counter-clockwise from its lower left one. */
export const ring = (x: number, y: number, w: number, d: number) => [
  { xMm: x, yMm: y },
  { xMm: x + w, yMm: y },
  { xMm: x + w, yMm: y + d },
  { xMm: x, yMm: y + d },
];

/** The type a use of wall begins with, and its thickness. */
export function typeFor(use: WallUse, system: LengthSystem) {
  const name = usualType(use, system);
  const type = startingTypes(system).find((each) => each.name === name)!;
  return { type, thickMm: sum(type.layers.map(({ thicknessMm }) => thicknessMm)) };
}

/** Along a closed wall round a rectangle: where a piece of a width begins whose middle is at a place of one side. */
export function alongSide(
  w: number,
  d: number,
  side: 'south' | 'east' | 'north' | 'west',
  middle: number,
  wide: number,
) {
  const before = { south: middle, east: w + middle, north: w + d + (w - middle), west: w + d + w + (d - middle) };
  return before[side] - wide / 2;
}

export interface WindowSize {
  heightMm: number;
  sillMm: number;
}

/** The windows of a storey so high: less where it is low. */
export const windowFor = (storeyMm: number, sillMm = 900): WindowSize => ({
  sillMm,
  heightMm: Math.min(1500, storeyMm - sillMm - 700),
});

/** One opening of a wall of a building. */
export const opening = (
  wall: string,
  kind: 'door' | 'window' | 'plain',
  alongMm: number,
  more: { widthMm: number; heightMm?: number; sillMm?: number; leaves?: 1 | 2; opens?: 'outwards'; at?: string[] },
): Sent => ({ command: 'walls.addOpening', input: { wall, opening: kind, alongMm, ...more } });

/** A wall through storeys, by corners from the building’s zero. */
export const wall = (
  { building, system }: TemplateSite,
  name: string,
  use: WallUse,
  points: readonly { xMm: number; yMm: number }[],
  startsAt: string,
  stopsAt: string,
  more: { closed?: boolean; on?: 'outside' | 'inside'; outside?: 'right'; passesClearMm?: number } = {},
): Sent => ({
  command: 'walls.add',
  input: {
    building,
    name,
    use,
    type: typeFor(use, system).type,
    points,
    startsAt: { level: startsAt },
    stopsAt: { level: stopsAt, face: 'soffit' },
    ...more,
  },
});

/** A room named once, and in every storey above where its region is the same. */
export const room = (
  { building }: TemplateSite,
  level: string,
  name: string,
  use: 'circulation' | 'dwelling' | 'office' | 'storage' | 'trade' | 'plant',
  xMm: number,
  yMm: number,
  carriedUp = true,
): Sent => ({
  command: 'rooms.add',
  input: { building, level, name, use, place: { lines: null, xMm, yMm }, carriedUp },
});

/** Levels by heights: what every template begins with. */
export const levels = ({ building }: TemplateSite, above: readonly number[], below: readonly number[] = []): Sent => ({
  command: 'levels.setUp',
  input: { building, above: [...above], below: [...below] },
});

/** A storey list that begins with these texts. */
export const storeys = (label: string, metric: string, imperial: string): TemplateNumber => ({
  key: 'storeys',
  label,
  ...STOREY,
  begins: { metric, imperial },
});
export const basements = (metric: string, imperial: string): TemplateNumber => ({
  key: 'basements',
  label: 'Basements downwards',
  ...BASEMENT,
  begins: { metric, imperial },
});

/** A parapet round a rectangle, over the floor of a level. */
export const parapet = (
  { building, system }: TemplateSite,
  name: string,
  at: { x: number; y: number; w: number; d: number },
  level: string,
  heightMm: number,
): Sent => ({
  command: 'walls.add',
  input: {
    building,
    name,
    use: 'exterior',
    type: typeFor('exterior', system).type,
    points: ring(at.x, at.y, at.w, at.d),
    closed: true,
    on: 'outside',
    startsAt: { level },
    stopsAt: { level, face: 'FFL', offsetMm: heightMm },
  },
});
