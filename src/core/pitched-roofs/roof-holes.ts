import { clippedTo, less } from '../geometry/convex-clip';
import { convexParts } from '../geometry/convex-parts';
import { ringArea, type Ring } from '../geometry/polygon';
import type { Assembly } from '../slants/assembly';
import { slantOf, type Slant } from '../slants/slant';
import type { SolvedShaft } from '../solving/solved';
import type { SolvedStair } from '../stairs/solved-stair';
import { quantiseMm } from '../units/length-units';
import { facePieces } from './solve-pitched-roof';
import { goesOut } from './stairs-out';
import { topside, underOver, underside } from './under-roof';

/** A piece of the roof without what some convex rings take out of it. */
function without(slant: Slant, rings: readonly Ring[]): Slant[] {
  const met = rings.filter((ring) => Math.abs(ringArea(clippedTo(ring, slant))) > 1);
  if (met.length === 0) return [slant];
  const [low, top] = [underside(slant), topside(slant)];
  return met
    .reduce<Ring[]>((left, ring) => left.flatMap((piece) => less(piece, ring)), [slant.map(({ x, y }) => ({ x, y }))])
    .map((piece) =>
      slantOf(
        piece.map(({ x, y }) => {
          return { x, y, bottomMm: quantiseMm(low({ x, y })), topMm: quantiseMm(top({ x, y })) };
        }),
      ),
    );
}

/** What goes out through a roof: the outlines of shafts that reach its underside. */
function holesOf(roof: Assembly<'pitchedRoof'>, shafts: readonly SolvedShaft[]): Ring[] {
  const slants = roof.parts.flatMap((part) => part.slants);
  return shafts.flatMap(({ stages }) =>
    stages
      .filter(({ ring, topMm, bottomMm }) => {
        const over = underOver(slants, [ring]);
        return over !== null && topMm > over.lowMm + 1 && bottomMm < over.highMm;
      })
      .map(({ ring }) => ring),
  );
}

/** A roof with holes where shafts, stairs and walls go out through it; `walls`: those in plan. */
export function opened(
  roof: Assembly<'pitchedRoof'>,
  shafts: readonly SolvedShaft[],
  stairs: readonly SolvedStair[],
  walls: readonly Ring[],
): Assembly<'pitchedRoof'> {
  const slants = roof.parts.flatMap((part) => part.slants);
  const faces = facePieces(roof);
  const holes = [
    ...holesOf(roof, shafts),
    ...stairs.filter((stair) => goesOut(stair, faces)).map(({ ring }) => ring),
    ...walls.filter((ring) => underOver(slants, [ring]) !== null),
  ];
  if (holes.length === 0) return roof;
  const rings = holes.flatMap(convexParts);
  const parts = roof.parts.map((part) => ({ ...part, slants: part.slants.flatMap((slant) => without(slant, rings)) }));
  return { ...roof, parts, info: { ...roof.info, holes } };
}
