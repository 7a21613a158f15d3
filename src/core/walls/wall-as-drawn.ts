import type { Curve } from '../geometry/curve';
import { distance, type Point } from '../geometry/point';
import { ringArea, type Ring } from '../geometry/polygon';
import type { WallFace } from './wall-faces';
import { faceDepth, offsetPath, stripsOf, WallPath, type Build } from './wall-path';

/** Layers of a wall, from the outside inwards, mm. */
export type DrawnLayers = readonly { name: string; core: boolean; thicknessMm: number }[];

/**
 * A wall as it will be while its corners are drawn: a ring for each straight part, and the lines between its layers. Its outside is
 * where `walls.add` would put it: left of an open path, and away from the middle of a closed one, unless it is said.
 */
export function wallAsDrawn(
  layers: DrawnLayers,
  on: WallFace,
  outside: 'left' | 'right' | 'auto',
  points: readonly Point[],
  closed: boolean,
): { rings: Ring[]; curves: Curve[] } {
  const run = points.filter((point, i) => i === 0 || distance(point, points[i - 1]!) > 1);
  if (run.length < (closed ? 3 : 2) || layers.length === 0) return { rings: [], curves: [] };
  const build = builtOf(layers);
  const isLeft = outside === 'left' || (outside === 'auto' && !(closed && ringArea(run) > 0));
  const path = new WallPath(run, closed, build, isLeft ? 1 : -1, faceDepth(build, on));
  const curves = build.layers.slice(1).flatMap(({ fromMm }) => {
    const line = offsetPath(run, closed, path.leftOf(fromMm));
    const all = closed ? [...line, line[0]!] : line;
    return all.slice(1).map((to, i): Curve => ({ kind: 'segment', from: all[i]!, to }));
  });
  return { rings: stripsOf(path, 0, build.thicknessMm), curves };
}

function builtOf(layers: DrawnLayers): Build {
  let at = 0;
  const built = layers.map(({ name, core, thicknessMm }) => {
    const fromMm = at;
    at += thicknessMm;
    return { name, core, fromMm, toMm: at };
  });
  const core = built.filter((layer) => layer.core);
  return { thicknessMm: at, layers: built, coreMm: [core[0]?.fromMm ?? 0, core.at(-1)?.toMm ?? at] };
}
