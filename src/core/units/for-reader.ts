import { examplesInFeet } from './examples';
import { formatArea, formatElevation, formatLength, formatVolume, type LengthDisplay } from './format-length';

const NUMBER = '[−-]?\\d+(?:\\.\\d+)?';
/** A length, several with one unit behind the last (`500, 0 mm`), an area, or an elevation as on a level mark. */
const LENGTHS = new RegExp(`((?:${NUMBER}(?:, | and | to | × |x))*${NUMBER}) mm(?![\\p{L}²³/])`, 'gu');
/** A list of bays behind what it is of: `: 2@7200 3600 mm`. */
const BAYS = new RegExp(`(?<=: |by )((?:\\d+@)?${NUMBER}(?: (?:\\d+@)?${NUMBER})*) mm(?![\\p{L}²³/])`, 'gu');
const VOLUME = /(?<![\d.])(\d+(?:\.\d+)?) m³/g;
const AREA = /(\d+(?:\.\d+)?) m²/g;
const ELEVATION = /(?<![\d\p{L}'’.])([+−±])(\d+\.\d{3})(?![\d.])/gu;

const numberOf = (text: string): number => Number(text.replace('−', '-'));

/**
 * A sentence of the core as a person reads it: what is written in millimetres there, in feet and inches for who works in
 * those. Sentences of the history that were written long ago read so as well.
 */
export function forReader(text: string, display: LengthDisplay): string {
  if (display.system === 'metric') return text;
  return examplesInFeet(text)
    .replace(BAYS, (_, bays: string) =>
      bays
        .split(' ')
        .map((bay) => bay.replace(/[^@]+$/, (mm) => formatLength(numberOf(mm), display)))
        .join(' '),
    )
    .replace(LENGTHS, (_, numbers: string) =>
      numbers.replace(new RegExp(NUMBER, 'g'), (number) => formatLength(numberOf(number), display)),
    )
    .replace(VOLUME, (_, volume: string) => formatVolume(Number(volume) * 1e9, display))
    .replace(AREA, (_, area: string) => formatArea(Number(area) * 1e6, display))
    .replace(ELEVATION, (_, sign: string, metres: string) =>
      formatElevation((sign === '−' ? -1 : 1) * Number(metres) * 1000, display),
    );
}
