/** A person's initials: of the first and the last word of their name. */
function initialsOf(name: string): string {
  const words = name.split(/\s+/).filter((word) => word !== '');
  const letters = [words[0], ...(words.length > 1 ? [words.at(-1)] : [])].map((word) => [...(word ?? '')][0] ?? '');
  return letters.join('').toUpperCase();
}

/** A person as a disc with their initials; who they are is said in words too. */
export function Initials({ name, note, strong = false }: { name: string; note?: string; strong?: boolean }) {
  return (
    <span
      title={note ? `${name}, ${note}` : name}
      className={`grid size-[26px] shrink-0 place-items-center rounded-full text-[11px] font-bold ${strong ? 'bg-now text-sheet' : 'border border-ink3 bg-sheet text-ink'}`}
    >
      <span aria-hidden="true">{initialsOf(name)}</span>
      <span className="sr-only">{note ? `${name}, ${note}` : name}</span>
    </span>
  );
}
