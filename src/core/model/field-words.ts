/** What fields of inputs are called by a designer, where their own name says it badly. */
const WORDS: Record<string, string> = {
  fflMm: 'elevation (FFL)',
  sslMm: 'structural level (SSL)',
  heightMm: 'height',
  buildUpMm: 'build-up',
  byMm: 'distance',
  byDeg: 'angle',
  xMm: 'distance east',
  yMm: 'distance north',
  x0Mm: 'distance east of the first line',
  y0Mm: 'distance north of the first line',
  zeroMm: 'height of the building’s zero',
  bayMm: 'bay',
  baysA: 'bays across',
  baysB: 'bays up',
  atMm: 'place along the line',
  alongMm: 'place along the wall',
  sillMm: 'sill',
  fromMm: 'inner radius',
  toMm: 'outer radius',
  widthMm: 'width',
  depthMm: 'depth',
  diameterMm: 'diameter',
  thicknessMm: 'thickness',
  clearMm: 'clear width',
  offsetMm: 'offset',
  shiftMm: 'shift',
  gapMm: 'gap',
  extensionMm: 'extension',
  parapetMm: 'height of the parapet',
  groundMm: 'height of the ground',
  eastingMm: 'easting',
  northingMm: 'northing',
  turnDeg: 'turn',
  startsAt: 'start',
  stopsAt: 'end',
  passesClearMm: 'clearance to slabs',
  zMm: 'height',
};

/** A field's name as a designer says it: `widthMm` is the width, `levelKind` the level kind. */
export function fieldWords(field: string): string {
  const known = WORDS[field];
  if (known !== undefined) return known;
  return field
    .replace(/(Mm|Deg|Mm2|Ratio)$/, '')
    .replace(/([a-z\d])([A-Z])/g, '$1 $2')
    .toLowerCase();
}

/** A path in an input as a designer says it: the width of the 2nd of the rows. Lists count from one. */
export const pathWords = (path: readonly (string | number)[]): string =>
  path.map((step) => (typeof step === 'number' ? String(step + 1) : fieldWords(step))).join(' › ');
