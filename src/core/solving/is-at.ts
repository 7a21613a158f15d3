/** True if something that is there between two heights is there at this one, to a millimetre. */
export const isAt = ({ lowMm, highMm }: { lowMm: number | null; highMm: number | null }, atMm: number): boolean =>
  (lowMm === null || atMm >= lowMm - 1) && (highMm === null || atMm <= highMm + 1);
