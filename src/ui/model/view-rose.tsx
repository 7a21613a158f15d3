import type { Look, Projection } from './rig';

interface ViewRoseProps {
  projection: Projection;
  hasChosen: boolean;
  onLook: (look: Look) => void;
  onProjection: (projection: Projection) => void;
}

/** The four sides, the roof in the middle, the usual corner outside: pressed, one looks from there. */
const PETALS: readonly { look: Look; letter: string; label: string; d: string; at: [number, number] }[] = [
  { look: 'north', letter: 'N', label: 'From the north', d: 'M32 4L46 20A18 18 0 0 0 18 20Z', at: [32, 14] },
  { look: 'east', letter: 'E', label: 'From the east', d: 'M60 32L44 46A18 18 0 0 0 44 18Z', at: [50, 32] },
  { look: 'south', letter: 'S', label: 'From the south', d: 'M32 60L18 44A18 18 0 0 0 46 44Z', at: [32, 50] },
  { look: 'west', letter: 'W', label: 'From the west', d: 'M4 32L20 18A18 18 0 0 0 20 46Z', at: [14, 32] },
];

/** A small rose to look from a side, from above, from a corner, at eye height, and at what is chosen. */
export function ViewRose({ projection, hasChosen, onLook, onProjection }: ViewRoseProps) {
  const press = (look: Look) => ({
    role: 'button',
    tabIndex: 0,
    className: 'cursor-pointer fill-sheet stroke-ink3 hover:fill-now-tint focus-visible:stroke-now',
    onClick: () => onLook(look),
    onKeyDown: (event: React.KeyboardEvent) => {
      if (event.key !== 'Enter' && event.key !== ' ') return;
      event.preventDefault();
      onLook(look);
    },
  });
  const button = 'rounded-sm border border-hair bg-sheet px-1.5 py-0.5 text-[11px] hover:bg-faint disabled:text-ink3';
  return (
    <div
      role="group"
      aria-label="Where one looks from"
      className="absolute top-3 right-4 flex flex-col items-end gap-1"
    >
      <svg width="76" height="76" viewBox="0 0 64 64" aria-hidden={false}>
        {PETALS.map(({ look, letter, label, d, at }) => (
          <g key={look}>
            <path d={d} aria-label={label} {...press(look)}>
              <title>{label}</title>
            </path>
            <text
              x={at[0]}
              y={at[1]}
              textAnchor="middle"
              dominantBaseline="central"
              className="pointer-events-none fill-ink text-[10px] font-semibold"
            >
              {letter}
            </text>
          </g>
        ))}
        <circle cx="32" cy="32" r="9" aria-label="From above" {...press('above')}>
          <title>From above</title>
        </circle>
        <path d="M28 34l4-5 4 5z" className="pointer-events-none fill-ink" />
      </svg>
      <span className="flex gap-1">
        <button type="button" className={button} onClick={() => onLook('corner')}>
          Corner
        </button>
        <button
          type="button"
          className={button}
          title="At the height of one's eyes over this level"
          onClick={() => onLook('eye')}
        >
          Eye
        </button>
        <button
          type="button"
          className={button}
          disabled={!hasChosen}
          title="Look at what is chosen, and turn about it"
          onClick={() => onLook('there')}
        >
          Chosen
        </button>
      </span>
      <button
        type="button"
        className={button}
        aria-pressed={projection === 'parallel'}
        title="Parallel lines stay parallel"
        onClick={() => onProjection(projection === 'parallel' ? 'perspective' : 'parallel')}
      >
        {projection === 'parallel' ? 'Parallel' : 'In perspective'}
      </button>
    </div>
  );
}
