import type { WallOpening } from '@/core/walls/wall';

/** A small drawing of an opening in plan, as the trade draws it. */
export function OpeningPicture({ opening, leaves }: Pick<WallOpening, 'opening' | 'leaves'>) {
  const swing = leaves === 2 ? 'M7 20V13A7 7 0 0 1 14 20M21 20V13A7 7 0 0 0 14 20' : 'M7 20V6A14 14 0 0 1 21 20';
  return (
    <svg viewBox="0 0 28 28" className="size-6" aria-hidden="true" fill="none" stroke="currentColor" strokeWidth="1.2">
      <path d="M1 20H7V24H1M27 20H21V24H27" fill="var(--color-faint)" />
      {opening === 'door' && <path d={swing} />}
      {opening === 'window' && <path d="M7 20H21M7 22H21M7 24H21" />}
      {opening === 'plain' && <path d="M7 20H21M7 24H21" strokeDasharray="2 2" />}
    </svg>
  );
}
