import type { CommandInputs } from '../commands/command-inputs';
import { recordsOf } from '../model/framework';
import type { Chance } from './chance';

type Makers = {
  [Name in 'pitchedRoofs.add' | 'pitchedRoofs.change' | 'pitchedRoofs.setEdge' | 'pitchedRoofs.trimWalls']: (
    chance: Chance,
  ) => CommandInputs[Name];
};

/** Inputs of what makes and changes pitched roofs. */
export const ROOF_MAKERS: Makers = {
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
    ]),
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
