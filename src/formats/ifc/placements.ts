import { listed, type Line } from './read-step';

type Vector = readonly [number, number, number];

/** Axes of a place in the file's unit: where its zero is, and its three directions. */
export interface Axes {
  origin: Vector;
  x: Vector;
  y: Vector;
  z: Vector;
}

const WORLD: Axes = { origin: [0, 0, 0], x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1] };

/** Types of the lines placements are made of. */
export const PLACEMENT_TYPES = [
  'IFCAXIS2PLACEMENT2D',
  'IFCAXIS2PLACEMENT3D',
  'IFCCARTESIANPOINT',
  'IFCCARTESIANTRANSFORMATIONOPERATOR3D',
  'IFCDIRECTION',
  'IFCLOCALPLACEMENT',
];

/** Deepest chain of placements that is followed; a damaged file may go round in a circle. */
const DEEPEST = 40;

const sum = (a: Vector, b: Vector): Vector => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
const scaled = (a: Vector, by: number): Vector => [a[0] * by, a[1] * by, a[2] * by];
const inner = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const outer = (a: Vector, b: Vector): Vector => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
const unit = (a: Vector): Vector => scaled(a, 1 / (Math.sqrt(inner(a, a)) || 1));

/** A direction given in axes, in the axes those are told in. */
export const turnedInto = (axes: Axes, [a, b, c]: Vector): Vector =>
  sum(sum(scaled(axes.x, a), scaled(axes.y, b)), scaled(axes.z, c));

/** A point given in axes, in the axes those are told in. */
export const placedInto = (axes: Axes, point: Vector): Vector => sum(axes.origin, turnedInto(axes, point));

/** Axes told in others, in what those are told in. */
export const within = (outerAxes: Axes, { origin, x, y, z }: Axes): Axes => ({
  origin: placedInto(outerAxes, origin),
  x: turnedInto(outerAxes, x),
  y: turnedInto(outerAxes, y),
  z: turnedInto(outerAxes, z),
});

/** A point told in the axes it is told from, in axes of that world: the way back of `placedInto`. */
export function seenFrom(axes: Axes, point: Vector): Vector {
  const from = sum(point, scaled(axes.origin, -1));
  return [inner(from, axes.x), inner(from, axes.y), inner(from, axes.z)];
}

/** Placements, points and directions of a file. What is missing or damaged is taken as nothing moved. */
export class Placements {
  private readonly known = new Map<string, Axes>();

  constructor(private readonly lines: ReadonlyMap<string, Line>) {}

  point(ref: string | undefined): Vector {
    return vector(this.lines.get(ref ?? '')?.args[0]) ?? [0, 0, 0];
  }

  /** Where an IfcAxis2Placement puts things; its third direction is square to both. */
  axes(ref: string | undefined): Axes {
    const line = this.lines.get(ref ?? '');
    if (!line) return WORLD;
    const direction = (of: string | undefined) => vector(this.lines.get(of ?? '')?.args[0]);
    if (line.type === 'IFCCARTESIANTRANSFORMATIONOPERATOR3D') {
      const [x, y] = [direction(line.args[0]) ?? WORLD.x, direction(line.args[1]) ?? WORLD.y];
      return squared(this.point(line.args[2]), direction(line.args[4]) ?? outer(x, y), x);
    }
    const is3d = line.type === 'IFCAXIS2PLACEMENT3D';
    const z = (is3d && direction(line.args[1])) || WORLD.z;
    return squared(this.point(line.args[0]), z, direction(line.args[is3d ? 2 : 1]) ?? WORLD.x);
  }

  /** Where an IfcLocalPlacement puts things, in the world of the file. */
  local(ref: string | undefined, depth = 0): Axes {
    const known = this.known.get(ref ?? '');
    if (known) return known;
    const line = this.lines.get(ref ?? '');
    if (line?.type !== 'IFCLOCALPLACEMENT' || depth > DEEPEST) return WORLD;
    const [parent, own] = line.args;
    const made = within(this.local(parent, depth + 1), this.axes(own));
    this.known.set(ref!, made);
    return made;
  }
}

function squared(origin: Vector, along: Vector, first: Vector): Axes {
  const z = unit(along);
  const x = unit(sum(first, scaled(z, -inner(first, z))));
  return { origin, x, y: outer(z, x), z };
}

/** `(1.,2.)` or `(1.,2.,3.)`; nothing for what is no list of numbers. */
function vector(argument: string | undefined): Vector | null {
  const numbers = listed(argument).map(Number);
  const [x, y, z = 0] = numbers;
  return x !== undefined && y !== undefined && numbers.every(Number.isFinite) ? [x, y, z] : null;
}
