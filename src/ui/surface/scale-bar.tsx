/** A bar of a round length at the drawing's scale. */
export function ScaleBar({ pxPerMm, unit }: { pxPerMm: number; unit: { name: string; mm: number } }) {
  const count = [1, 2, 5, 10, 20, 50, 100].find((n) => n * unit.mm * pxPerMm > 60) ?? 200;
  const px = count * unit.mm * pxPerMm;
  return (
    <svg width={px + 36} height="20" aria-hidden="true">
      <rect x="0.5" y="2" width={px / 2} height="4" fill="var(--color-ink)" />
      <rect x={px / 2} y="2" width={px / 2} height="4" fill="none" stroke="var(--color-ink)" />
      <text x="0" y="17" className="figures text-[10px]" fill="currentColor">
        0
      </text>
      <text x={px - 6} y="17" className="figures text-[10px]" fill="currentColor">
        {count} {unit.name}
      </text>
    </svg>
  );
}
