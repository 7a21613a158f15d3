'use client';

import { useWords } from '../session/use-words';

/** A refusal in words, where the person is looking. */
export function Refused({ words }: { words: string | null }) {
  const inUnits = useWords();
  return words ? (
    <p role="alert" className="text-wrong">
      {inUnits(words)}
    </p>
  ) : null;
}
