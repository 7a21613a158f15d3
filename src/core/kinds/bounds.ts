import { formatMm } from '../units/format-length';
import type { Bounds } from './marks';

/** Values are held to a millionth of a millimetre. */
const isOver = (mm: number, mostMm: number): boolean => mm > mostMm + 1e-6;

export const isWithin = (mm: number, { atLeastMm, moreThanMm, atMostMm }: Bounds): boolean =>
  Number.isFinite(mm) &&
  (atLeastMm === undefined || !isOver(atLeastMm, mm)) &&
  (moreThanMm === undefined || mm > moreThanMm) &&
  (atMostMm === undefined || !isOver(mm, atMostMm));

/** Limits in words: `at least 20 mm and at most 10000 mm`. */
export const boundsText = ({ atLeastMm, moreThanMm, atMostMm }: Bounds): string =>
  [
    ...(moreThanMm !== undefined
      ? [`more than ${formatMm(moreThanMm)}`]
      : atLeastMm !== undefined
        ? [`at least ${formatMm(atLeastMm)}`]
        : []),
    ...(atMostMm === undefined ? [] : [`at most ${formatMm(atMostMm)}`]),
  ].join(' and ');
