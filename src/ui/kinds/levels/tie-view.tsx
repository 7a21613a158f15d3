'use client';

import { useState } from 'react';
import { tieTable } from '@/core/buildings/tie-table';
import { formatElevation, formatLength } from '@/core/units/format-length';
import { BuildingStrips } from './building-strips';
import { chooseBuilding, useProjectStore, useSlice } from '../../session/store';

/** The levels of two buildings side by side above the site datum, with the step where they meet. */
export function TieView() {
  const { solved, building, level, display } = useSlice('solved', 'building', 'level', 'display');
  const store = useProjectStore();
  const [other, setOther] = useState<string | null>(null);
  if (!solved || !building) return null;
  const others = solved.buildings.filter(({ id }) => id !== building).sort((a, b) => (a.name < b.name ? -1 : 1));
  const right = others.find(({ id }) => id === other) ?? others[0];
  const left = solved.buildings.find(({ id }) => id === building)!;
  if (!right) return null;
  const ties = tieTable(solved, left.id, right.id);
  const cell = 'border border-hair px-2 py-1';
  const side = (tie: { id: string; name: string; siteMm: number } | null, of: string) =>
    tie ? (
      <>
        <td className={`${cell} font-semibold ${tie.id === level ? 'bg-now-tint' : ''}`}>
          <button
            type="button"
            onClick={() => {
              if (of !== building) chooseBuilding(store, of);
              store.setState({ level: tie.id, selection: [tie.id] });
            }}
          >
            {tie.name}
          </button>
        </td>
        <td className={`${cell} figures text-right`}>{formatElevation(tie.siteMm, display)}</td>
      </>
    ) : (
      <td colSpan={2} className={cell} />
    );
  return (
    <section aria-label="Ties between buildings" className="mt-8">
      <h3 className="mb-2 flex items-baseline gap-2 font-bold">
        {left.name} beside{' '}
        {others.length > 1 ? (
          <select
            aria-label="The other building"
            className="rounded-sm border border-hair bg-sheet px-1.5 py-0.5 font-normal"
            value={right.id}
            onChange={({ target }) => setOther(target.value)}
          >
            {others.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        ) : (
          right.name
        )}
        <span className="font-normal text-ink2">heights above the site datum</span>
      </h3>
      <BuildingStrips />
      <table className="border-collapse" aria-label={`Ties of ${left.name} and ${right.name}`}>
        <thead>
          <tr>
            <th scope="col" colSpan={2} className="px-2 py-1 text-left">
              {left.name}
            </th>
            <th scope="col" className="px-2 py-1">
              Step
            </th>
            <th scope="col" colSpan={2} className="px-2 py-1 text-left">
              {right.name}
            </th>
          </tr>
        </thead>
        <tbody>
          {ties.map((tie) => (
            <tr key={(tie.left ?? tie.right)!.id}>
              {side(tie.left, left.id)}
              <td className={`${cell} figures text-center ${tie.stepMm ? 'text-look' : 'text-ink2'}`}>
                {tie.stepMm === null
                  ? ''
                  : tie.stepMm === 0
                    ? 'level'
                    : `${tie.stepMm > 0 ? '↑' : '↓'} ${formatLength(Math.abs(tie.stepMm), display)}`}
              </td>
              {side(tie.right, right.id)}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
