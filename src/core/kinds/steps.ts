/** Steps of the job at which things are made, in the order people do them. */
export const STEPS = ['levels', 'grids', 'columns', 'shafts', 'stairs', 'floors', 'walls'] as const;
export type Step = (typeof STEPS)[number];
