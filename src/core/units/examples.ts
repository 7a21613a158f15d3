/** How something may be typed, in millimetres or metres and in feet and inches. Each can be typed as it stands. */
interface Example {
  metric: string;
  imperial: string;
}

/** Examples that sentences and fields give, by what they are of. */
export const EXAMPLES = {
  length: { metric: `3450, 3.45m, 11'-4 1/2" or 2*7.5m+150`, imperial: `11'-4 1/2", 136", 3450mm or 2*25'+6"` },
  point: { metric: '7200,6600 or C-4 + 1200,300 or 4.5m @ 30°', imperial: `24',22' or C-4 + 4',1' or 15' @ 30°` },
  section: {
    metric: '500x500, round 550 or I 300x300x11x19',
    imperial: `20"x20", round 22" or I 12"x12"x1/2"x3/4"`,
  },
  path: { metric: 'A-1; 18m e; 42m n; 18m w; close', imperial: `A-1; 60' e; 140' n; 60' w; close` },
  outline: { metric: '18m x 42m', imperial: `60' x 140'` },
  groundHeight: { metric: '5.4m', imperial: `18'` },
  newStoreys: { metric: '3@3.3m', imperial: `3@11'` },
  storeys: { metric: '8@3.45m', imperial: `8@11'-4"` },
  decimal: { metric: '3450 or 3.45m', imperial: `11.33' or 136"` },
  oneDecimal: { metric: '3,45m', imperial: `11.33'` },
  dimension: { metric: '3300 or clear + 250', imperial: `11' or clear + 10"` },
  shifts: { metric: '7200,0; 0,6600', imperial: `24',0; 0,22'` },
  crossing: { metric: 'A-1 + 0,3000', imperial: `A-1 + 0,10'` },
  elevation: { metric: 'level 02 to 10.35m', imperial: `level 02 to 34'` },
} as const satisfies Record<string, Example>;

/** A sentence with its examples in feet and inches. */
export const examplesInFeet = (text: string): string =>
  Object.values(EXAMPLES).reduce(
    (said, { metric, imperial }) => said.replaceAll(`like ${metric}`, `like ${imperial}`),
    text,
  );
