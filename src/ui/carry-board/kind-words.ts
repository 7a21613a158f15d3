import { onBoard } from '@/core/carrying/board';
import type { Kind } from '@/core/model/kinds';

/** What a kind is called over its columns of the board, and the colour of its bars. */
export const kindWords = (kind: Kind): string => onBoard(kind)!.heading;
export const kindColour = (kind: Kind): string => `var(--color-${onBoard(kind)!.colour})`;
