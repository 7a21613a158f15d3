import { countDiffers, type Compared } from '../kinds/consequence';

export const columnsDiffer = ({ before, after }: Compared) =>
  countDiffers('columns', 'column piece', before.solved.columns.length, after.solved.columns.length);
