import { parseAngles } from '@/core/units/parse-angles';
import { parseBaysIn } from '@/core/dimensions/resolve-length';
import type { Length } from '@/core/units/parse-length';
import { formatLength } from '@/core/units/format-length';
import { fieldUnit, useProject } from '../../session/store';

export interface ReadBays {
  ok: boolean;
  baysMm: number[];
  /** As a command takes them: those that name dimensions keep the names. */
  given: number[] | string;
  words: string;
}

/** Bays as a command takes them. */
const givenOf = (stored: readonly Length[]): number[] | string =>
  stored.every((bay) => typeof bay === 'number')
    ? (stored as number[])
    : stored.map((bay) => (typeof bay === 'number' ? `${bay}mm` : `(${bay.expr})`)).join(' ');

/** Reads lists of bays in the person's unit, with what each reads as. */
export function useBaysReader(): (text: string) => ReadBays {
  const display = useProject((project) => project.display);
  const framework = useProject((project) => project.framework);
  return (text) => {
    const parsed = parseBaysIn(framework, text, { unit: fieldUnit(display) });
    if (!parsed.ok) return { ok: false, baysMm: [], given: [], words: parsed.refusal.message };
    const { baysMm, running } = parsed.value;
    const overall = baysMm.reduce((sum, bay) => sum + bay, 0);
    const words = `${running ? 'Running distances: ' : ''}${baysMm.length + 1} lines, ${formatLength(overall, display)} overall`;
    return { ok: true, baysMm, given: givenOf(parsed.value.stored), words };
  };
}

/** What a list of radii reads as: rings, and how far out the last is. */
export const ringWords = (bays: ReadBays, write: (mm: number) => string): string =>
  bays.ok ? `${bays.baysMm.length} rings, out to ${write(bays.baysMm.reduce((sum, bay) => sum + bay, 0))}` : bays.words;

/** What a list of angles between rays reads as. */
export function readAnglesText(text: string): { ok: boolean; angles: number[]; words: string } {
  const parsed = parseAngles(text);
  if (!parsed.ok) return { ok: false, angles: [], words: parsed.refusal.message };
  const sum = Math.round(parsed.value.reduce((total, angle) => total + angle, 0) * 1e6) / 1e6;
  const rays = sum === 360 ? parsed.value.length : parsed.value.length + 1;
  return { ok: true, angles: parsed.value, words: `${rays} rays over ${sum}°` };
}
