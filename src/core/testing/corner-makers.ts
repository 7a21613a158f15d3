import type { CommandInputs } from '../commands/command-inputs';
import { ownShape, type OwnShape } from '../elements/own-shape';
import { ownPath } from '../elements/path-corners';
import { distance } from '../geometry/point';
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
  [
    Name in
      | 'elements.moveCorner'
      | 'elements.addCorner'
      | 'elements.removeCorner'
      | 'walls.split'
      | 'walls.join'
      | 'walls.meet'
  ]: (chance: Chance) => CommandInputs[Name];
};

/** Inputs of what is done to corners, and to walls as wholes. */
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
  'walls.split': ({ one, between }) => ({ wall: one('wall'), alongMm: between(300, 6000) }),
  'walls.join': ({ framework, pick }) => {
    const walls = recordsOf(framework, 'wall').filter(({ closed }) => !closed);
    const ends = (wall: (typeof walls)[0]) => {
      const points = ownPath(framework, wall)!.corners;
      return [points[0]!, points.at(-1)!];
    };
    const pairs = walls.flatMap((a) =>
      walls
        .filter((b) => b.id !== a.id && ends(a).some((p) => ends(b).some((q) => distance(p, q) < 50)))
        .map((b) => [a.id, b.id] as const),
    );
    const [a, b] = pick(pairs);
    return { walls: [a, b] };
  },
  'walls.meet': ({ framework, pick }) => {
    const walls = recordsOf(framework, 'wall');
    const a = pick(walls);
    return { walls: [a.id, pick(walls.filter(({ id }) => id !== a.id)).id] };
  },
};
