/** Pixels across the strip, and where its parts stand. */
export const WIDTH = 251;
export const METRIC_X = { dimension: 17, name: 48, lineFrom: 64, lineTo: 180, mark: 182, elevation: 247 };
/** Feet and inches take more room. */
export const IMPERIAL_X = { ...METRIC_X, lineTo: 140, mark: 142 };
