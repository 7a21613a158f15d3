import { countDiffers, type Compared } from '../kinds/consequence';

export const foundationsDiffer = ({ before, after }: Compared) =>
  countDiffers('floors', 'foundation piece', before.solved.foundations.length, after.solved.foundations.length);
