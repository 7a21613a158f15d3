import { MM_PER_UNIT, quantiseMm } from './length-units';

/** How a person sees lengths. It is theirs alone and never stored in the framework. */
export type LengthDisplay =
  { system: 'metric'; unit: 'mm' | 'm' } | { system: 'imperial'; denominator: 2 | 4 | 8 | 16 | 32 | 64 };

export const METRIC: LengthDisplay = { system: 'metric', unit: 'mm' };
export const IMPERIAL: LengthDisplay = { system: 'imperial', denominator: 16 };

/** Drops trailing zeros of a decimal: `3.450` → `3.45`, `3.0` → `3`. */
const trim = (text: string): string => (text.includes('.') ? text.replace(/\.?0+$/, '') : text);

/** Writes a length for reading: `3450`, `3.45 m`, `11'-4 1/2"`. Metric shows tenths of a millimetre at most. */
export function formatLength(mm: number, display: LengthDisplay = METRIC): string {
  if (display.system === 'imperial') return feetInches(mm, display.denominator);
  const text = display.unit === 'm' ? trim((mm / 1000).toFixed(4)) : trim(mm.toFixed(1));
  const plain = text === '-0' ? '0' : text;
  return (display.unit === 'm' ? `${plain} m` : plain).replace('-', '−');
}

/**
 * Writes a length into a sentence of the core: in millimetres, with the unit. Who reads in feet and inches is shown it in those
 * by {@link forReader}; nothing else writes lengths into sentences.
 */
export const formatMm = (mm: number): string => `${formatLength(mm)} mm`;

/** Writes an elevation with its sign, as on a level mark: `+5.400`, `±0.000`, `−3.900`, `+17'-8 5/8"`. */
export function formatElevation(mm: number, display: LengthDisplay = METRIC): string {
  const sign = Math.abs(mm) < 0.05 ? '±' : mm < 0 ? '−' : '+';
  if (display.system === 'imperial') return sign + feetInches(Math.abs(mm), display.denominator);
  return sign + (Math.abs(mm) / 1000).toFixed(3);
}

/** A length as a field shows it: `isRounded` where the text is not all of the value. */
export interface ShownLength {
  text: string;
  isRounded: boolean;
}

/** Sixty-fourths of an inch are as fine as anybody reads. */
const FINEST = 64;

/**
 * Writes a length for a field. In feet and inches one that is no whole 64th is rounded to one and marked with ≈: what it is
 * exactly the field tells beside it, and as long as nobody types there it stays that.
 */
export function formatForField(mm: number, display: LengthDisplay): ShownLength {
  if (display.system === 'metric') return { text: formatForEntry(mm, display), isRounded: false };
  const parts = (mm / MM_PER_UNIT.inch) * FINEST;
  const isRounded = quantiseMm((Math.round(parts) * MM_PER_UNIT.inch) / FINEST) !== quantiseMm(mm);
  const text = feetInches(mm, FINEST).replace('−', '-');
  return { text: isRounded ? `≈ ${text}` : text, isRounded };
}

/**
 * Writes a length so that, typed back, it is the same length to the model's grain, in whatever unit: what is no whole 64th of
 * an inch is written in millimetres.
 */
export function formatForEntry(mm: number, display: LengthDisplay): string {
  const metric = trim(mm.toFixed(6)).replace(/^-0$/, '0');
  if (display.system === 'metric') return metric;
  const { text, isRounded } = formatForField(mm, display);
  return isRounded ? `${metric}mm` : text;
}

function feetInches(mm: number, denominator: number): string {
  const parts = Math.round((Math.abs(mm) / MM_PER_UNIT.inch) * denominator);
  const feet = Math.floor(parts / (12 * denominator));
  const inches = Math.floor((parts - feet * 12 * denominator) / denominator);
  let top = parts % denominator;
  let bottom = denominator;
  while (top > 0 && top % 2 === 0) {
    top /= 2;
    bottom /= 2;
  }
  const fraction = top > 0 ? ` ${top}/${bottom}` : '';
  return `${mm < 0 && parts > 0 ? '−' : ''}${feet}'-${inches}${fraction}"`;
}

/** Area in the person's system: `46.2 m²` or `497 ft²`. */
export function formatArea(mm2: number, display: LengthDisplay = METRIC): string {
  if (display.system === 'imperial') return `${(mm2 / (304.8 * 304.8)).toFixed(0)} ft²`;
  return `${(mm2 / 1e6).toFixed(1)} m²`;
}

/** Writes a volume: `12.50 m³`, `441.4 ft³`; one too small for that with the figures it takes to say something. */
export function formatVolume(mm3: number, display: LengthDisplay = METRIC): string {
  const [size, unit, places] =
    display.system === 'imperial' ? [mm3 / (304.8 * 304.8 * 304.8), 'ft³', 1] : [mm3 / 1e9, 'm³', 2];
  const isSmall = Math.abs(size) < 0.1 && size !== 0;
  return `${isSmall ? Number(size.toPrecision(2)) : size.toFixed(places)} ${unit}`;
}
