import { EXAMPLES } from '../units/examples';
import type { LengthInput } from '../commands/length-input';
import { refuse, done, type Result } from '../model/result';
import type { SectionInput } from './column-input';

/** A section as typed: its shape and the texts of its sizes, still to be read as lengths. */
export type SectionTexts =
  | { shape: 'rectangle'; sizes: [string, string] }
  | { shape: 'circle'; sizes: [string] }
  | { shape: 'I'; sizes: [string, string, string, string] };

const EXAMPLE = `like ${EXAMPLES.section.metric}`;

/** Reads a section: `500x500`, `round 550`, `⌀550`, or an I-shape by width, depth, web and flange: `I 300x300x11x19`. */
export function parseSection(text: string): Result<SectionTexts> {
  const typed = text.trim();
  const round = /^(?:round|d|⌀|ø)\s*(.+)$/i.exec(typed);
  if (round) return done({ shape: 'circle', sizes: [round[1]!] });
  const isI = /^I\s+(.+)$/i.exec(typed);
  const sides = (isI ? isI[1]! : typed).split(/\s*[x×]\s*/i).filter((side) => side !== '');
  if (isI && sides.length === 4) return done({ shape: 'I', sizes: sides as [string, string, string, string] });
  if (!isI && sides.length === 2) return done({ shape: 'rectangle', sizes: sides as [string, string] });
  return refuse(`"${typed}" is no section; type one ${EXAMPLE}`, { at: 0 });
}

/** A typed section as a command takes it, each size read by `length`. */
export function sectionInput(typed: SectionTexts, length: (text: string) => LengthInput): SectionInput {
  const [a, b, c, d] = typed.sizes.map(length) as [LengthInput, LengthInput, LengthInput, LengthInput];
  if (typed.shape === 'circle') return { shape: 'circle', diameterMm: a };
  if (typed.shape === 'rectangle') return { shape: 'rectangle', widthMm: a, depthMm: b };
  return { shape: 'I', widthMm: a, depthMm: b, webMm: c, flangeMm: d };
}
