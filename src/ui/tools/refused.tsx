/** A refusal in words, where the person is looking. */
export function Refused({ words }: { words: string | null }) {
  return words ? (
    <p role="alert" className="text-wrong">
      {words}
    </p>
  ) : null;
}
