'use client';

import { formatElevation, formatLength } from '@/core/units/format-length';
import { useSlice } from '../../session/store';
import { StairStoreys } from './stair-storeys';

/** Every stair of the building, storey by storey. */
export function StairTable() {
  const { solved, building, display, select } = useSlice('solved', 'building', 'display', 'select');
  const stairs = solved?.stairs.filter((stair) => stair.building === building) ?? [];
  if (stairs.length === 0)
    return <p className="p-5 text-ink2">No stair yet. Place one with the Stairs tools in the work path below.</p>;
  return (
    <div className="grid min-h-0 flex-1 auto-rows-min grid-cols-[repeat(auto-fill,minmax(330px,1fr))] gap-x-8 gap-y-5 overflow-y-auto p-5">
      {stairs.map((stair) => {
        const levels = solved!.levels.filter(({ id }) => id === stair.levels[0] || id === stair.levels.at(-1));
        return (
          <section key={stair.stair} aria-label={`Stair ${stair.name}`}>
            <h3 className="flex items-baseline justify-between">
              <button type="button" className="font-bold text-now" onClick={() => select([stair.stair])}>
                {stair.name}
              </button>
              <span className="figures text-[11px] text-ink2">
                flights {formatLength(stair.flightWidthMm, display)} wide,{' '}
                {levels.map(({ fflMm }) => formatElevation(fflMm, display)).join(' to ')}
              </span>
            </h3>
            <StairStoreys stair={stair} />
          </section>
        );
      })}
    </div>
  );
}
