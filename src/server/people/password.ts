import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import * as common from '@zxcvbn-ts/language-common';

/** Guesses a password must withstand: more than a slow attack over the network gets through in years. */
const FEWEST_GUESSES_LOG10 = 8;
const SHORTEST = 10;
const LONGEST = 128;

let made: ZxcvbnFactory | undefined;
const measure = (): ZxcvbnFactory =>
  (made ??= new ZxcvbnFactory({ dictionary: common.dictionary, graphs: common.adjacencyGraphs, maxLength: LONGEST }));

/** What of a name or an e-mail goes into passwords: its words, and all of them together. */
const partsOf = (text: string): string[] => {
  const words = text
    .toLowerCase()
    .split(/[^\p{L}\d]+/u)
    .filter((word) => word.length > 1);
  return [...words, words.join('')].filter((part) => part !== '');
};

/** What is wrong with a password somebody chose, in words; null if nothing is. `about` is what others know of them. */
export function passwordFault(password: string, about: readonly string[]): string | null {
  if (!password.isWellFormed() || /[\u0000-\u001f]/u.test(password))
    return 'That password holds characters that cannot be typed';
  if (password.length < SHORTEST) return `A password has at least ${SHORTEST} characters`;
  if (password.length > LONGEST) return `A password has at most ${LONGEST} characters`;
  if (new Set(password.toLowerCase()).size < 4) return 'That password repeats a few characters. Choose another';
  const { guessesLog10 } = measure().check(password, about.flatMap(partsOf));
  return guessesLog10 < FEWEST_GUESSES_LOG10
    ? 'That password is common or easily guessed. Choose a longer one, of several words'
    : null;
}
