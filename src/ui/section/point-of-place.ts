import type { Point } from '@/core/geometry/point';
import type { Framework } from '@/core/model/framework';
import type { Id } from '@/core/model/ids';
import { readPlace } from '@/core/outlines/outline-input';
import { resolvePlace } from '@/core/outlines/resolve-place';

/** Where a place as typed lies in plan; null where there is no such crossing. */
export function pointOfPlace(framework: Framework, building: Id, place: string): Point | null {
  try {
    return resolvePlace(framework, readPlace(framework, building, place)).at;
  } catch {
    return null;
  }
}
