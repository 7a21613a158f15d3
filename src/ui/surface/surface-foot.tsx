import type { LengthDisplay } from '@/core/units/format-length';
import { ScaleBar } from './scale-bar';
import { PX_PER_PAPER_MM } from './use-fitted-zoom';

interface SurfaceFootProps {
  pxPerMm: number;
  display: LengthDisplay;
  /** False where there is nothing to measure yet. */
  hasDrawing: boolean;
  note?: string;
  onFit: () => void;
}

/** Below a drawing: a scale bar, the scale, and the button that fits it. */
export function SurfaceFoot({ pxPerMm, display, hasDrawing, note, onFit }: SurfaceFootProps) {
  return (
    <div className="pointer-events-none absolute right-4 bottom-3 left-4 @container">
      <div className="flex items-end justify-end gap-6 text-[11px] whitespace-nowrap text-ink2 @max-[330px]:gap-3">
        {hasDrawing && (
          <>
            <ScaleBar
              pxPerMm={pxPerMm}
              unit={display.system === 'imperial' ? { name: 'ft', mm: 304.8 } : { name: 'm', mm: 1000 }}
            />
            {note && <span className="@max-[330px]:hidden">{note}</span>}
            <span className="figures">1 : {Math.round(PX_PER_PAPER_MM / Math.max(1e-6, pxPerMm))}</span>
          </>
        )}
        <button
          type="button"
          className="pointer-events-auto rounded-sm border border-hair bg-sheet px-2 py-0.5 font-semibold text-ink"
          onClick={onFit}
        >
          Fit
        </button>
      </div>
    </div>
  );
}
