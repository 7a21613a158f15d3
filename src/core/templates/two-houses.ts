import type { Sent } from '../commands/command-inputs';
import { alongSide, levelNames, opening, room, storeys, typeFor, wall, windowFor } from './parts';
import type { Template, TemplateSite } from './template';

const STAIR = { wide: 2000, deep: 4600 };

/** Over the roofs: parapets and the party wall between them. */
const OVER_ROOF_MM = 300;

/** Two buildings side by side, each with levels and a stair of its own, and one wall between them. */
export const TWO_HOUSES: Template = {
  key: 'two-houses',
  title: 'Two houses with a party wall',
  about: 'Two buildings side by side, each with its own levels and stair; one party wall stands between them.',
  numbers: [
    {
      key: 'width',
      label: 'Width of each, outside',
      form: 'length',
      atLeastMm: 6000,
      atMostMm: 20_000,
      begins: { metric: '7.2m', imperial: "24'" },
    },
    {
      key: 'depth',
      label: 'Depth, outside',
      form: 'length',
      atLeastMm: 8000,
      atMostMm: 25_000,
      begins: { metric: '11m', imperial: "36'" },
    },
    storeys('Storeys of each', '3@3m', "3@10'"),
    {
      key: 'higher',
      label: 'The second stands higher by',
      form: 'length',
      atLeastMm: -3000,
      atMostMm: 3000,
      begins: { metric: '0', imperial: "0'" },
    },
  ],
  steps: ({ list, length }, site) => {
    const { building, system } = site;
    const [width, depth, heights] = [length('width'), length('depth'), list('storeys')];
    const { type, thickMm } = typeFor('exterior', system);
    const { above, roof } = levelNames(heights.length, 0);
    const size = windowFor(Math.min(...heights));
    const w = Math.round(width * 0.2);
    const second = `${building.slice(0, 78)} 2`;
    const parapetOf = (ownSite: TemplateSite, name: string, xs: readonly number[]): Sent => ({
      command: 'walls.add',
      input: {
        building: ownSite.building,
        name,
        use: 'exterior',
        type,
        points: xs.map((xMm, i) => ({ xMm, yMm: i < 2 ? 0 : depth })),
        on: 'outside',
        outside: xs[0] === 0 ? 'right' : 'left',
        startsAt: { level: roof },
        stopsAt: { level: roof, face: 'FFL', offsetMm: OVER_ROOF_MM },
      },
    });
    const house = (name: string, on: string, i: number): Sent[] => {
      const ownSite = { building: name, system };
      const window = (side: 'south' | 'north', middle: number, at: string[]) =>
        opening(on, 'window', alongSide(width, depth, side, middle, w), { widthMm: w, ...size, at });
      // The stair lies along the outer side of each house, its foot towards the entrance.
      const inner = typeFor('interior', system).thickMm;
      const wellX = i === 0 ? thickMm : width - thickMm - STAIR.wide;
      const wallX = i === 0 ? wellX + STAIR.wide + inner / 2 : wellX - inner / 2;
      const wellY = depth / 2 - STAIR.deep / 2;
      return [
        {
          command: 'carry.wholeBuilding',
          input: {
            building: name,
            storeys: [...heights],
            outline: { type: 'rectangle', place: '0,0', widthMm: width, depthMm: depth },
            floorMm: 220,
            wall: type,
            parapetMm: null,
          },
        },
        ...[0.3, 0.7]
          .flatMap((part) => [
            window('south', width * part, part === (i === 0 ? 0.3 : 0.7) ? above.slice(1) : above),
            window('north', width * part, above),
          ])
          .filter(({ input }) => (input as { at: string[] }).at.length > 0),
        opening(on, 'door', alongSide(width, depth, 'south', width * (i === 0 ? 0.3 : 0.7), 1100), {
          widthMm: 1100,
          heightMm: 2200,
          at: ['00'],
        }),
        wall(
          ownSite,
          `Stair wall ${i + 1}`,
          'interior',
          [
            { xMm: wallX, yMm: wellY },
            { xMm: wallX, yMm: wellY + STAIR.deep },
          ],
          '00',
          roof,
        ),
        {
          command: 'stairs.add',
          input: {
            building: name,
            rules: 'private',
            well: {
              type: 'rectangle',
              place: { lines: null, xMm: wellX, yMm: wellY },
              widthMm: STAIR.wide,
              depthMm: STAIR.deep,
            },
            stopsAt: { level: above.at(-1)! },
          },
        },
        { command: 'guards.add', input: { building: name, rules: 'private', along: { of: 'edges' } } },
        room(ownSite, '00', 'Living', 'dwelling', width / 2, thickMm + 2000),
      ];
    };
    return [
      { command: 'buildings.add', input: { name: second, xMm: width, zeroMm: length('higher') } },
      ...house(building, 'W1', 0),
      ...house(second, 'W2', 1),
      {
        command: 'walls.makeParty',
        input: { walls: ['W1', 'W2'], name: 'Party', type: typeFor('party', system).type },
      },
      {
        command: 'walls.change',
        input: { wall: 'Party', stopsAt: { level: roof, face: 'FFL', offsetMm: OVER_ROOF_MM } },
      },
      // Each has its parapet on the three sides that are its own.
      parapetOf({ building, system }, 'Parapet 1', [width, 0, 0, width]),
      parapetOf({ building: second, system }, 'Parapet 2', [0, width, width, 0]),
    ];
  },
};
