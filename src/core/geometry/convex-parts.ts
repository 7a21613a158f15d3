import { isConvex } from './convex-clip';
import { counterClockwise, type Ring } from './polygon';
import { triangulate } from './triangulate';

/** A ring as convex ones, counter-clockwise: itself where it is one, else its triangles. */
export function convexParts(ring: Ring): Ring[] {
  const turned = counterClockwise(ring);
  if (isConvex(turned)) return [turned];
  const { triangles } = triangulate({ outer: turned, holes: [] });
  return Array.from({ length: triangles.length / 3 }, (_, i) =>
    counterClockwise([0, 1, 2].map((k) => turned[triangles[i * 3 + k]!]!)),
  );
}
