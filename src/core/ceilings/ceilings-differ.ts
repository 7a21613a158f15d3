import { countDiffers, type Compared } from '../kinds/consequence';

export const ceilingsDiffer = ({ before, after }: Compared) =>
  countDiffers('floors', 'ceiling piece', before.solved.ceilings.length, after.solved.ceilings.length);
