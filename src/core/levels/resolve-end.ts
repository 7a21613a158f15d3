import { mmOf } from '../dimensions/resolve-length';
import type { End } from '../model/fields';
import type { Framework } from '../model/framework';
import { quantiseMm } from '../units/length-units';
import { levelById, type ResolvedLevel } from './resolve-levels';

/** Height of an end, given how to find the soffit at its level. */
export function endMm(framework: Framework, end: End, soffitAt: (level: ResolvedLevel) => number): number {
  const level = levelById(framework, end.level);
  if (!level) return 0;
  const face = end.face === 'FFL' ? level.fflMm : end.face === 'SSL' ? level.sslMm : soffitAt(level);
  return quantiseMm(face + mmOf(framework, end.offsetMm));
}
