import type { CommandInputs } from '../commands/command-inputs';
import { recordsOf } from '../model/framework';
import type { Chance } from './chance';

type FallCommand =
  | 'roofOpenings.add'
  | 'roofOpenings.change'
  | 'fallLayers.add'
  | 'fallLayers.change'
  | 'fallLayers.addOutlets'
  | 'fallLayers.moveOutlet'
  | 'fallLayers.removeOutlet';
type Makers = {
  [
    Name in
      | 'pitchedRoofs.add'
      | 'pitchedRoofs.change'
      | 'pitchedRoofs.setEdge'
      | 'pitchedRoofs.addCourtyard'
      | 'pitchedRoofs.trimWalls'
      | FallCommand
  ]: (chance: Chance) => CommandInputs[Name];
};

const somewhere = ({ between }: Chance): string => `${between(0, 20_000)},${between(0, 15_000)}`;

/** Inputs of what makes and changes roofs. */
export const ROOF_MAKERS: Makers = {
  'fallLayers.add': (chance) => ({
    building: chance.building,
    slope: chance.pick(['2 %', '1:60', 1.5]),
    leastMm: chance.between(20, 80),
    outlets: chance.pick([[somewhere(chance)], [somewhere(chance), somewhere(chance)]]),
    edges: chance.pick([[], [{ edge: 0 }], [{ edge: 1, gutter: {} }]]),
  }),
  'fallLayers.change': ({ one, between, pick }) => ({
    fallLayer: one('fallLayer'),
    ...pick([{ slope: between(1, 5) }, { leastMm: between(20, 90) }, { edges: [{ edge: 2 }] }]),
  }),
  'fallLayers.addOutlets': (chance) => ({ fallLayer: chance.one('fallLayer'), places: [somewhere(chance)] }),
  'fallLayers.moveOutlet': (chance) => ({
    fallLayer: chance.one('fallLayer'),
    outlet: 0,
    place: somewhere(chance),
  }),
  'fallLayers.removeOutlet': ({ one }) => ({ fallLayer: one('fallLayer'), outlet: 0 }),
  'pitchedRoofs.add': ({ building, between, pick, levels }) => ({
    building,
    outline: pick([
      {
        type: 'rectangle' as const,
        place: `${between(0, 9000)},${between(0, 9000)}`,
        widthMm: between(4000, 15_000),
        depthMm: between(4000, 15_000),
      },
      {
        type: 'polygon' as const,
        place: '0,0',
        points: [
          { xMm: 0, yMm: 0 },
          { xMm: 12_000, yMm: 0 },
          { xMm: 12_000, yMm: between(3000, 5000) },
          { xMm: between(3000, 6000), yMm: 5000 },
          { xMm: 5000, yMm: 11_000 },
          { xMm: 0, yMm: 10_000 },
        ],
      },
    ]),
    eavesAt: { level: levels.at(-1)!, offsetMm: between(0, 1200) },
    overhangMm: between(0, 800),
    slope: pick([35, '1:1.5', '60 %']),
    edges: pick([[], [{ edge: 1, is: 'gable' as const }], [{ edge: 0, slope: between(20, 60) }]]),
  }),
  'pitchedRoofs.change': ({ one, between, pick }) => ({
    roof: one('pitchedRoof'),
    ...pick([
      { slope: between(15, 60) },
      { overhangMm: between(0, 900) },
      { ridgeMm: between(1500, 4000) },
      { ridgeMm: null },
      { measured: 'plumb' as const },
      { bays: { is: 'sawtooth' as const, along: 0, count: 3 }, edges: [] },
      { bays: null },
    ]),
  }),
  'pitchedRoofs.addCourtyard': ({ one, between }) => ({
    roof: one('pitchedRoof'),
    outline: {
      type: 'rectangle' as const,
      place: `${between(-7500, -3000)},${between(-38_500, -35_500)}`,
      widthMm: between(300, 900),
      depthMm: between(300, 900),
    },
  }),
  'roofOpenings.add': ({ between, one, pick }) => ({
    roof: one('pitchedRoof'),
    edge: 0,
    alongMm: between(3500, 5500),
    is: pick(['window', 'slope', 'saddle']),
    widthMm: between(600, 1200),
    heightMm: between(500, 900),
  }),
  'roofOpenings.change': ({ one, between, pick }) => ({
    opening: one('roofOpening'),
    ...pick([{ widthMm: between(500, 1200) }, { glazed: false }, { slope: between(0, 20) }]),
  }),
  'pitchedRoofs.trimWalls': ({ framework, building }) => {
    const own = recordsOf(framework, 'wall').find((wall) => wall.building === building && wall.passesClearMm === null);
    const roof = recordsOf(framework, 'pitchedRoof').find((each) => each.building === building);
    return { roof: roof?.id ?? 'PR1', walls: [own?.id ?? 'W1'] };
  },
  'pitchedRoofs.setEdge': ({ one, between, pick }) => ({
    roof: one('pitchedRoof'),
    edge: pick([0, 1, 2, 3]),
    ...pick([
      { is: 'gable' as const },
      { is: 'gable' as const, upper: { aboveMm: 1200, slope: 45 } },
      { slope: between(25, 60) },
      { slope: 70, upper: { aboveMm: 2000, slope: 30 } },
    ]),
  }),
};
