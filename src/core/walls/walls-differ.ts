import { countDiffers, type Compared } from '../kinds/consequence';

export const wallsDiffer = ({ before, after }: Compared) =>
  countDiffers('walls', 'wall piece', before.solved.walls.length, after.solved.walls.length);
