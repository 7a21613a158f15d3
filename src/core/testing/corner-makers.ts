import type { CommandInputs } from '../commands/command-inputs';
import { ownShape, type OwnShape } from '../elements/own-shape';
import { recordsOf } from '../model/framework';
import type { Id } from '../model/ids';
import type { Chance } from './chance';

/** Something with corners of its own, and its shape. */
function cornered({ framework, pick }: Chance): { id: Id; shape: OwnShape } {
  const shaped = (['shaft', 'wall', 'boundaryLine', 'floorPlate', 'ceiling'] as const)
    .flatMap((kind) => recordsOf(framework, kind))
    .flatMap((record) => {
      const shape = ownShape(framework, record, null);
      return shape?.hasCorners ? [{ id: record.id, shape }] : [];
    });
  return pick(shaped);
}

type Makers = {
  [Name in 'elements.moveCorner' | 'elements.addCorner' | 'elements.removeCorner']: (
    chance: Chance,
  ) => CommandInputs[Name];
};

/** Inputs of what is done to corners. */
export const CORNER_MAKERS: Makers = {
  'elements.moveCorner': (chance) => {
    const { id, shape } = cornered(chance);
    const corner = chance.pick([...shape.points.keys()]);
    return { id, corner, xMm: chance.between(-300, 300), yMm: chance.between(-300, 300) };
  },
  'elements.addCorner': (chance) => {
    const { id, shape } = cornered(chance);
    const side = chance.pick(shape.sides);
    const [a, b] = [shape.points[side]!, shape.points[(side + 1) % shape.points.length]!];
    const t = 0.3 + chance.random() * 0.4;
    const out = shape.outwards(side);
    const by = chance.between(-200, 200);
    return { id, side, xMm: a.x + (b.x - a.x) * t + out.x * by, yMm: a.y + (b.y - a.y) * t + out.y * by };
  },
  'elements.removeCorner': (chance) => {
    const { id, shape } = cornered(chance);
    return { id, corner: chance.pick([...shape.points.keys()]) };
  },
};
