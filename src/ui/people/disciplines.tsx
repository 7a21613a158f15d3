'use client';

interface DisciplinesProps {
  /** Whom it is about, for who cannot see the row. */
  of: string;
  all: readonly string[];
  chosen: readonly string[];
  disabled?: boolean;
  onChange: (chosen: string[]) => void;
}

/** What a consultant speaks for: one of the project's disciplines, or several. */
export function Disciplines({ of, all, chosen, disabled, onChange }: DisciplinesProps) {
  const names = [...all, ...chosen.filter((name) => !all.includes(name))];
  return (
    <span role="group" aria-label={`Disciplines of ${of}`} className="flex flex-wrap gap-1.5">
      {names.map((name) => {
        const isChosen = chosen.includes(name);
        return (
          <button
            key={name}
            type="button"
            aria-pressed={isChosen}
            disabled={disabled}
            className={`rounded-sm border px-2 py-0.5 disabled:opacity-70 ${isChosen ? 'border-ink bg-faint font-semibold' : 'border-hair text-ink2'}`}
            onClick={() => onChange(isChosen ? chosen.filter((each) => each !== name) : [...chosen, name])}
          >
            {name}
          </button>
        );
      })}
    </span>
  );
}
