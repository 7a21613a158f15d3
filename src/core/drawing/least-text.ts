import type { Primitive } from './drawing';

/** What has to be written smaller than this to fit is left out of a drawing, for nobody could read it, mm on paper. */
const LEAST_TEXT_MM = 1.5;

/** A drawing's scale, 1 : scale, and the least height of what is written in it where it is another, mm on paper. */
export interface Written {
  scale: number;
  leastTextMm?: number;
}

/** The least height of what is written in a drawing, in the model's millimetres. */
export const leastText = ({ scale, leastTextMm = LEAST_TEXT_MM }: Written): number => leastTextMm * scale;

/** A drawing without what is written too small to be read. */
export const readable = (primitives: readonly Primitive[], view: Written): Primitive[] => {
  const least = leastText(view);
  // What was worked out to be just so high is not left out for the last bits of a number.
  return primitives.filter((each) => each.type !== 'text' || each.heightMm >= least * (1 - 1e-9));
};

/** A letter is about so wide, in heights of its text; so much is kept free around it. */
export const LETTER_WIDTH = 0.64;
const KEPT_FREE = 0.25;

/** How high a text is written at most in a room so wide and high. */
export const fitting = (text: string, wideMm: number, highMm: number, mostMm: number): number =>
  Math.min(mostMm, wideMm / (text.length * LETTER_WIDTH + KEPT_FREE), highMm / (1 + KEPT_FREE));
