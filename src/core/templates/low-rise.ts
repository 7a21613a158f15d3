import {
  BAY,
  alongSide,
  basements,
  ends,
  levelNames,
  levels,
  opening,
  room,
  storeys,
  sum,
  typeFor,
  wall,
  windowFor,
} from './parts';
import type { Template } from './template';

const STAIR = { wide: 2600, deep: 6000 };

/** A few storeys over a basement: a stair core at the back, columns within, walls that carry. */
export const LOW_RISE: Template = {
  key: 'low-rise',
  title: 'Low-rise with a basement',
  about: 'A few storeys with open floors: walls that carry, columns within, a stair at the back, a basement on a raft.',
  numbers: [
    {
      key: 'across',
      label: 'Bays across',
      ...BAY,
      least: 2,
      most: 12,
      begins: { metric: '3@7500', imperial: "3@25'" },
    },
    {
      key: 'deep',
      label: 'Bays deep',
      ...BAY,
      least: 2,
      most: 8,
      begins: { metric: '6600 8400', imperial: "22' 28'" },
    },
    storeys('Storeys from the ground up', '4.2m 2@3.5m', "14' 2@11'-6\""),
    basements('3.3m', "11'"),
  ],
  steps: ({ list }, site) => {
    const { building, system } = site;
    const [heights, below] = [list('storeys'), list('basements')];
    const [x, y] = [ends(list('across')), ends(list('deep'))];
    const [wide, deep] = [sum(list('across')), sum(list('deep'))];
    const outer = typeFor('exterior', system);
    const coreThick = typeFor('core', system).thickMm;
    const well = { x: (x[1]! + (x[2] ?? x[1]!)) / 2 - STAIR.wide / 2, y: deep - outer.thickMm - STAIR.deep };
    const row = y.at(-2)!;
    if (well.y - coreThick - 600 < row)
      return {
        refused: `The last bay holds the stair: it asks for ${(STAIR.deep + coreThick + outer.thickMm + 600) / 1000} m`,
        at: 'deep',
      };
    const { above, lowest, roof } = levelNames(heights.length, below.length);
    const size = windowFor(Math.min(...heights));
    const bays = x.slice(1).map((end, i) => ({ middle: (x[i]! + end) / 2, wide: Math.round((end - x[i]!) * 0.5) }));
    const up = y.slice(1).map((end, i) => ({ middle: (y[i]! + end) / 2, wide: Math.round((end - y[i]!) * 0.4) }));
    const window = (side: 'south' | 'east' | 'north' | 'west', middle: number, w: number, at: string[]) =>
      opening('W1', 'window', alongSide(wide, deep, side, middle, w), { widthMm: w, ...size, at });
    const inner = x.slice(1, -1).map((_, i) => String(i + 2));
    const rows = y.slice(1, -1).map((_, j) => 'ABCDEFGH'[j + 1]!);
    return [
      levels(site, heights, below),
      { command: 'grids.add', input: { building, baysA: [...list('across')], baysB: [...list('deep')] } },
      {
        command: 'carry.wholeBuilding',
        input: {
          building,
          outline: { type: 'rectangle', place: '0,0', widthMm: wide, depthMm: deep },
          floorMm: 260,
          wall: outer.type,
          parapetMm: 900,
        },
      },
      {
        command: 'columns.placeAtCrossings',
        input: { building, lines: [...inner, ...rows], section: { shape: 'rectangle', widthMm: 400, depthMm: 400 } },
      },
      wall(
        site,
        'Stair core',
        'core',
        [
          { xMm: well.x, yMm: deep - outer.thickMm },
          { xMm: well.x, yMm: well.y },
          { xMm: well.x + STAIR.wide, yMm: well.y },
          { xMm: well.x + STAIR.wide, yMm: deep - outer.thickMm },
        ],
        lowest,
        roof,
        { on: 'inside', outside: 'right', passesClearMm: 0 },
      ),
      opening('Stair core', 'door', STAIR.deep + 300, { widthMm: 1000 }),
      {
        command: 'stairs.add',
        input: {
          building,
          name: 'ST1',
          well: {
            type: 'rectangle',
            place: { lines: null, xMm: well.x, yMm: well.y },
            widthMm: STAIR.wide,
            depthMm: STAIR.deep,
          },
        },
      },
      ...bays
        .flatMap(({ middle, wide: w }, i) => [
          window('south', middle, w, i === 0 ? above.slice(1) : above),
          ...(Math.abs(middle - well.x - STAIR.wide / 2) < w / 2 + STAIR.wide
            ? []
            : [window('north', middle, w, above)]),
        ])
        .filter(({ input }) => !('at' in input) || (input.at as string[]).length > 0),
      // At the ground a second way out stands in the west, with windows over it.
      ...up
        .flatMap(({ middle, wide: w }, i) => [
          window('east', middle, w, above),
          window('west', middle, w, i === 0 ? above.slice(1) : above),
        ])
        .filter(({ input }) => !('at' in input) || (input.at as string[]).length > 0),
      opening('W1', 'door', alongSide(wide, deep, 'west', up[0]!.middle, 1000), {
        widthMm: 1000,
        opens: 'outwards',
        at: ['00'],
      }),
      opening('W1', 'door', alongSide(wide, deep, 'south', bays[0]!.middle, 1600), {
        widthMm: 1600,
        leaves: 2,
        opens: 'outwards',
        at: ['00'],
      }),
      room(site, '00', 'Open floor', 'office', x[1]! / 2, y[1]! / 2),
      ...(below.length > 0 ? [room(site, lowest, 'Store', 'storage', x[1]! / 2, y[1]! / 2)] : []),
    ];
  },
};
