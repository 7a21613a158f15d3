import type { Compared, Consequence } from '../kinds/consequence';
import type { Solved } from '../solving/solved';

/** Least difference of area that is said, mm². */
const LEAST_MM2 = 1000;

const areaOf = ({ floors, profiles }: Solved): number =>
  floors.reduce((sum, { profile }) => sum + profiles[profile]!.areaMm2, 0);

/** The sum of the net areas of floors, where it changes. */
export function floorsDiffer({ before, after, area }: Compared): Consequence[] {
  const [old, now] = [areaOf(before.solved), areaOf(after.solved)];
  if (Math.abs(now - old) <= LEAST_MM2) return [];
  return [{ about: 'floors', words: `Net area of floors ${area(old)} → ${area(now)}`, ids: [], level: null }];
}
