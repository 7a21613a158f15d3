'use client';

import { scaleLinear } from 'd3';
import { tieTable } from '@/core/buildings/tie-table';
import { spreadApart } from '@/core/drawing/spread';
import type { SolvedBuilding, SolvedLevel } from '@/core/solving/solved';
import { formatElevation, formatLength } from '@/core/units/format-length';
import { chooseBuilding, useProjectStore, useSlice } from '../../session/store';

const WIDTH = 170;
const GAP = 84;
const HEIGHT = 420;
const TEXT_PX = 13;

/** The levels of all buildings to one scale above the site datum, with the step where levels of neighbours meet. */
export function BuildingStrips() {
  const { solved, building, level, display } = useSlice('solved', 'building', 'level', 'display');
  const store = useProjectStore();
  if (!solved || !building) return null;
  const buildings = [...solved.buildings].sort((a, b) => a.at.x - b.at.x || (a.name < b.name ? -1 : 1));
  const levelsOf = (id: string) => solved.levels.filter((each) => each.building === id);
  const siteMm = (of: SolvedBuilding, each: SolvedLevel) => each.fflMm + of.zeroMm;
  const heights = buildings.flatMap((of) => levelsOf(of.id).map((each) => siteMm(of, each)));
  if (heights.length === 0) return null;
  const y = scaleLinear([Math.min(...heights), Math.max(...heights)], [HEIGHT - 16, 34]);
  const left = (i: number) => i * (WIDTH + GAP);
  return (
    <svg
      role="img"
      aria-label={`Levels of ${buildings.map(({ name }) => name).join(' and ')} side by side`}
      width={left(buildings.length) - GAP}
      height={HEIGHT}
      className="mb-4"
    >
      {buildings.map((of, i) => {
        const own = levelsOf(of.id);
        const places = spreadApart(
          own.map((each) => y(siteMm(of, each))),
          TEXT_PX,
        );
        return (
          <g key={of.id} transform={`translate(${left(i)} 0)`}>
            <text y={14} className="font-bold" fill="var(--color-ink)">
              {of.name}
            </text>
            {own.map((each, j) => {
              const at = y(siteMm(of, each));
              const isNow = each.id === level;
              return (
                <g
                  key={each.id}
                  className="cursor-pointer"
                  onClick={() => {
                    if (of.id !== building) chooseBuilding(store, of.id);
                    store.setState({ level: each.id, selection: [each.id] });
                  }}
                >
                  <path
                    d={`M${WIDTH} ${at}H62L46 ${places[j]}`}
                    fill="none"
                    stroke={isNow ? 'var(--color-now)' : 'var(--color-ink)'}
                    strokeWidth={isNow ? 2 : 1}
                    strokeDasharray={each.bounding ? undefined : '3 3'}
                  />
                  <text
                    x={0}
                    y={places[j]}
                    dominantBaseline="central"
                    fontSize={11}
                    className={isNow ? 'font-bold' : ''}
                    fill={isNow ? 'var(--color-now)' : 'var(--color-ink)'}
                  >
                    {each.name}
                  </text>
                  <text
                    x={WIDTH - 2}
                    y={at - 6}
                    textAnchor="end"
                    fontSize={10}
                    className="figures"
                    fill="var(--color-ink2)"
                  >
                    {formatElevation(siteMm(of, each), display)}
                  </text>
                </g>
              );
            })}
          </g>
        );
      })}
      {buildings.slice(1).map((right, i) => {
        const of = buildings[i]!;
        return tieTable(solved, of.id, right.id).map((tie) => {
          if (tie.stepMm === null || !tie.left || !tie.right) return null;
          const [from, to] = [y(tie.left.siteMm), y(tie.right.siteMm)];
          const x0 = left(i) + WIDTH;
          const isLevel = tie.stepMm === 0;
          return (
            <g key={`${tie.left.id} ${tie.right.id}`}>
              <path
                d={`M${x0} ${from}L${x0 + GAP + 62} ${to}`}
                fill="none"
                stroke={isLevel ? 'var(--color-now)' : 'var(--color-look)'}
                strokeDasharray={isLevel ? undefined : '4 3'}
              />
              <text
                x={x0 + GAP / 2 - 6}
                y={(from + to) / 2 - 5}
                textAnchor="middle"
                fontSize={10}
                className="figures"
                fill={isLevel ? 'var(--color-now)' : 'var(--color-look)'}
              >
                {isLevel ? 'level' : `${tie.stepMm > 0 ? '↑' : '↓'} ${formatLength(Math.abs(tie.stepMm), display)}`}
              </text>
            </g>
          );
        });
      })}
    </svg>
  );
}
