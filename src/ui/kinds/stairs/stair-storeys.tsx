'use client';

import { forReader } from '@/core/units/for-reader';
import type { SolvedStair } from '@/core/stairs/solved-stair';
import { formatLength } from '@/core/units/format-length';
import { RuleSetsButton } from '../../rule-sets/rule-sets-dialog';
import { useSlice } from '../../session/store';

/** How each storey of a stair is climbed: the topmost first, with its verdict. */
export function StairStoreys({ stair }: { stair: SolvedStair }) {
  const { solved, display, level, set } = useSlice('solved', 'display', 'level', 'set');
  const name = (id: string) => solved?.levels.find((each) => each.id === id)?.name ?? '';
  const write = (mm: number) => formatLength(Math.round(mm * 10) / 10, display);
  const { headroomMm, title } = stair.measuredBy;
  return (
    <>
      <table className="figures w-full text-[11px]" aria-label={`Storeys of stair ${stair.name}`}>
        <thead>
          <tr className="text-left text-ink2">
            <th scope="col" className="font-normal">
              from
            </th>
            <th scope="col" className="text-right font-normal">
              steps
            </th>
            <th scope="col" className="text-right font-normal">
              riser
            </th>
            <th scope="col" className="text-right font-normal">
              going
            </th>
            <th scope="col" className="text-right font-normal">
              head
            </th>
          </tr>
        </thead>
        <tbody>
          {[...stair.storeys].reverse().map((storey) => {
            const isLow = storey.headroom !== null && storey.headroom.mm < headroomMm - 1e-3;
            return (
              <tr
                key={storey.level}
                className={`cursor-pointer border-t border-faint ${storey.level === level ? 'bg-now-tint' : ''}`}
                onClick={() => set({ level: storey.level })}
              >
                <th scope="row" className="text-left font-semibold">
                  {name(storey.level)}
                </th>
                {storey.steps ? (
                  <>
                    <td className="text-right">{storey.steps.flights.join(' + ')}</td>
                    <td className="text-right">{write(storey.steps.riserMm)}</td>
                    <td className="text-right">{write(storey.steps.goingMm)}</td>
                    <td className={`text-right ${isLow ? 'font-bold text-wrong' : ''}`}>
                      {storey.headroom ? write(Math.floor(storey.headroom.mm)) : 'open'}
                    </td>
                  </>
                ) : (
                  <td colSpan={4} className="text-right font-semibold text-wrong">
                    not climbed{storey.fixes[0] ? `: ${forReader(storey.fixes[0].words, display)}` : ''}
                  </td>
                )}
              </tr>
            );
          })}
        </tbody>
      </table>
      <span className="flex items-baseline justify-between gap-2">
        <p className="text-[11px] text-ink2">After “{title}”; indicative.</p>
        <span className="shrink-0 whitespace-nowrap">
          <RuleSetsButton shown={stair.rules} />
        </span>
      </span>
    </>
  );
}
