import { countDiffers, type Compared } from '../kinds/consequence';
import type { Solved } from '../solving/solved';

const count = ({ bodies }: Solved): number => bodies.filter(({ kind }) => kind === 'beam').length;

export const beamsDiffer = ({ before, after }: Compared) =>
  countDiffers('floors', 'beam piece', count(before.solved), count(after.solved));
