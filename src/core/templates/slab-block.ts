import type { Sent } from '../commands/command-inputs';
import { BAY, alongSide, ends, levelNames, opening, room, storeys, sum, typeFor, wall, windowFor } from './parts';
import type { Template } from './template';

const STAIR = { wide: 2600, deep: 6000 };

/** Rooms to both sides of a corridor, a stair at each end. */
export const SLAB_BLOCK: Template = {
  key: 'slab-block',
  title: 'Slab block',
  about: 'Rooms with their doors and windows to both sides of a corridor, a stair near each end, on walls that carry.',
  numbers: [
    { key: 'bays', label: 'Bays along', ...BAY, least: 4, most: 30, begins: { metric: '9@5400', imperial: "9@18'" } },
    {
      key: 'depth',
      label: 'Depth, outside',
      form: 'length',
      atLeastMm: 16_400,
      atMostMm: 30_000,
      begins: { metric: '16.8m', imperial: "56'" },
    },
    {
      key: 'corridor',
      label: 'Corridor, clear',
      form: 'length',
      atLeastMm: 1200,
      atMostMm: 4000,
      begins: { metric: '1800', imperial: "6'" },
    },
    storeys('Storeys from the ground up', '7@3.1m', '7@10\'-4"'),
  ],
  steps: ({ list, length }, site) => {
    const { building, system } = site;
    const [bays, heights] = [list('bays'), list('storeys')];
    const [x, depth, clear] = [ends(bays), length('depth'), length('corridor')];
    const wide = sum(bays);
    const { type, thickMm } = typeFor('exterior', system);
    const inner = typeFor('interior', system).thickMm;
    const { above, roof } = levelNames(heights.length, 0);
    const [south, north] = [depth / 2 - clear / 2, depth / 2 + clear / 2];
    const room1 = depth - thickMm - north - inner;
    if (room1 < STAIR.deep)
      return {
        refused: `Beside the corridor ${(room1 / 1000).toFixed(2)} m are left: a stair asks for ${STAIR.deep / 1000} m`,
        at: 'depth',
      };
    if (Math.min(bays[0]!, bays.at(-1)!) < thickMm + STAIR.wide + 2 * inner + 1200)
      return { refused: 'The first and last bay hold a stair and a store: make them longer', at: 'bays' };
    const between = (name: string, at: number, from: number, to: number) =>
      wall(
        site,
        name,
        'interior',
        [
          { xMm: at, yMm: from },
          { xMm: at, yMm: to },
        ],
        '00',
        roof,
      );
    // The wells stand against the first and the last wall across, towards the ends.
    const wells = [x[1]! - inner / 2 - STAIR.wide, x.at(-2)! + inner / 2];
    const enclosing = [wells[0]! - inner / 2, wells[1]! + STAIR.wide + inner / 2];
    const size = windowFor(Math.min(...heights));
    const middle = (i: number) => (x[i]! + x[i + 1]!) / 2;
    const last = bays.length - 1;
    const door = (wallName: string, at: number) => opening(wallName, 'door', at - thickMm - 500, { widthMm: 1000 });
    return [
      {
        command: 'carry.wholeBuilding',
        input: {
          building,
          storeys: [...heights],
          outline: { type: 'rectangle', place: '0,0', widthMm: wide, depthMm: depth },
          floorMm: 220,
          wall: type,
          parapetMm: 1100,
        },
      },
      { command: 'grids.add', input: { building, baysA: [...bays], baysB: [depth] } },
      // The face towards the corridor is where its clear width says.
      ...(
        [
          ['South', south - inner / 2],
          ['North', north + inner / 2],
        ] as const
      ).map(([side, at]) =>
        wall(
          site,
          `${side} corridor`,
          'interior',
          [
            { xMm: thickMm, yMm: at },
            { xMm: wide - thickMm, yMm: at },
          ],
          '00',
          roof,
        ),
      ),
      ...x
        .slice(1, -1)
        .flatMap((at, i) => [
          between(`South ${i + 1}`, at, thickMm, south - inner),
          between(`North ${i + 1}`, at, north + inner, depth - thickMm),
        ]),
      ...enclosing.map((at, i) => between(`Stair ${i + 1}`, at, north + inner, depth - thickMm)),
      ...wells.map((at, i): Sent => ({
        command: 'stairs.add',
        input: {
          building,
          name: `ST${i + 1}`,
          well: {
            type: 'rectangle',
            place: { lines: null, xMm: at, yMm: north + inner },
            widthMm: STAIR.wide,
            depthMm: room1,
          },
        },
      })),
      ...bays.flatMap((bay, i): Sent[] => {
        const isEnd = i === 0 || i === last;
        const store =
          i === 0 ? (thickMm + enclosing[0]! - inner / 2) / 2 : (enclosing[1]! + inner / 2 + wide - thickMm) / 2;
        const window = (side: 'south' | 'north') =>
          opening('W1', 'window', alongSide(wide, depth, side, middle(i), Math.round(bay * 0.4)), {
            widthMm: Math.round(bay * 0.4),
            ...size,
          });
        const named = isEnd ? 'Store' : `Flat ${i + last + 1}`;
        return [
          ...(i === 1 ? [] : [window('south')]),
          ...(isEnd ? [] : [window('north')]),
          door('South corridor', middle(i)),
          door('North corridor', isEnd ? store : middle(i)),
          ...(isEnd ? [door('North corridor', wells[i === 0 ? 0 : 1]! + STAIR.wide / 2)] : []),
          ...(i === 1
            ? [
                room(site, '00', 'Entrance', 'circulation', middle(i), thickMm + 2400, false),
                ...(above.length > 1 ? [room(site, '01', 'Flat 2', 'dwelling', middle(i), thickMm + 2400)] : []),
              ]
            : [room(site, '00', `Flat ${i + 1}`, 'dwelling', middle(i), thickMm + 2400)]),
          room(site, '00', named, isEnd ? 'storage' : 'dwelling', isEnd ? store : middle(i), depth - thickMm - 2400),
        ];
      }),
      // The way in goes through the second bay, at the ground; above it is a window like the others.
      ...(above.length > 1
        ? [
            opening('W1', 'window', alongSide(wide, depth, 'south', middle(1), Math.round(bays[1]! * 0.4)), {
              widthMm: Math.round(bays[1]! * 0.4),
              ...size,
              at: above.slice(1),
            }),
          ]
        : []),
      opening('W1', 'door', alongSide(wide, depth, 'south', middle(1), 1600), {
        widthMm: 1600,
        leaves: 2,
        opens: 'outwards',
        at: ['00'],
      }),
      // Both ends of the corridor lead out at the ground.
      ...(['west', 'east'] as const).map((side) =>
        opening('W1', 'door', alongSide(wide, depth, side, depth / 2, 1000), {
          widthMm: 1000,
          opens: 'outwards',
          at: ['00'],
        }),
      ),
      room(site, '00', 'Corridor', 'circulation', wide / 2, depth / 2),
    ];
  },
};
