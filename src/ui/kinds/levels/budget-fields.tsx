'use client';

import { scaleLinear } from 'd3';
import { mmOf } from '@/core/dimensions/resolve-length';
import { BUDGET_ZONES, type BudgetZone } from '@/core/levels/budget';
import type { HeightBudget } from '@/core/levels/height-budget';
import type { Level } from '@/core/levels/level';
import { recordOf } from '@/core/model/framework';
import { formatLength } from '@/core/units/format-length';
import { LengthField } from '../../fields/length-field';
import { useProject, useSlice } from '../../session/store';

const WORDS: Record<BudgetZone, string> = {
  beamMm: 'Beam zone',
  servicesMm: 'Services zone',
  ceilingMm: 'Ceiling',
  targetMm: 'Clear height wanted',
};

/** How the height of a storey is spent: a stacked bar, and the zones to type, here or typically for the building. */
export function BudgetFields({ level }: { level: Level }) {
  const { framework, solved, mayEdit, run, say } = useSlice('framework', 'solved', 'mayEdit', 'run', 'say');
  const budget = solved?.budgets.find((each) => each.level === level.id);
  const typical = recordOf(framework, 'building', level.building)?.budget;
  if (!budget) return null;
  return (
    <details className="border-t border-faint pt-1.5">
      <summary className="font-semibold">Height budget</summary>
      <div className="flex flex-col gap-1.5 pt-2">
        <BudgetBar budget={budget} />
        {BUDGET_ZONES.map((zone) => {
          const own = level.budget?.[zone] ?? null;
          const typed = own ?? typical?.[zone] ?? 0;
          return (
            <div key={zone}>
              <LengthField
                label={WORDS[zone]}
                valueMm={mmOf(framework, typed)}
                disabled={!mayEdit}
                onCommit={(input) => run('levels.setBudget', { level: level.id, [zone]: input })}
              />
              {mayEdit && (own !== null || typed !== 0) && (
                <p className="text-right text-[11px] text-ink2">
                  {own === null ? 'as everywhere in the building' : 'this storey only'}
                  {own !== null && (
                    <>
                      {' · '}
                      <button
                        type="button"
                        className="font-semibold text-now"
                        aria-label={`${WORDS[zone]}: use it in all storeys`}
                        onClick={() => {
                          const refusal =
                            run('levels.setBudget', {
                              building: level.building,
                              [zone]: typeof own === 'number' ? own : own.expr,
                            }) ?? run('levels.setBudget', { level: level.id, [zone]: null });
                          if (refusal) say(refusal);
                        }}
                      >
                        use it in all storeys
                      </button>
                      {' · '}
                      <button
                        type="button"
                        className="font-semibold text-now"
                        aria-label={`${WORDS[zone]}: as in the others`}
                        onClick={() => {
                          const refusal = run('levels.setBudget', { level: level.id, [zone]: null });
                          if (refusal) say(refusal);
                        }}
                      >
                        as in the others
                      </button>
                    </>
                  )}
                </p>
              )}
            </div>
          );
        })}
      </div>
    </details>
  );
}

const PARTS: readonly (readonly [keyof HeightBudget, string, string])[] = [
  ['clearMm', 'clear', 'var(--color-now-tint)'],
  ['ceilingMm', 'ceiling', 'var(--color-hair)'],
  ['servicesMm', 'services', 'var(--color-shafts)'],
  ['beamMm', 'beam', 'var(--color-columns)'],
  ['slabMm', 'slab', 'var(--color-walls)'],
  ['buildUpMm', 'build-up', 'var(--color-floors)'],
];
const [WIDTH, HEIGHT] = [246, 26];

/** The storey's height as one bar from its floor to the next, with its parts in figures below. */
function BudgetBar({ budget }: { budget: HeightBudget }) {
  const display = useProject((project) => project.display);
  const x = scaleLinear([0, Math.max(budget.storeyMm, 1)], [0, WIDTH]);
  const isLow = budget.targetMm !== null && budget.clearMm < budget.targetMm;
  const parts = PARTS.map(([key, name, fill]) => ({ name, fill, mm: Math.max(0, budget[key] as number) }));
  const starts = parts.map((_, i) => parts.slice(0, i).reduce((sum, { mm }) => sum + mm, 0));
  return (
    <figure aria-label={`Height budget: ${formatLength(budget.clearMm, display)} clear`}>
      <svg width={WIDTH} height={HEIGHT} aria-hidden="true">
        {parts.map(({ name, fill, mm }, i) => (
          <rect key={name} x={x(starts[i]!)} y="4" width={Math.max(0, x(mm) - 0.5)} height="14" fill={fill} />
        ))}
        {budget.targetMm !== null && (
          <path
            d={`M${x(budget.targetMm)} 0 v${HEIGHT - 4}`}
            stroke={isLow ? 'var(--color-wrong)' : 'var(--color-now)'}
            strokeWidth="1.6"
          />
        )}
      </svg>
      <table className="w-full text-[11px]">
        <tbody>
          {parts
            .filter(({ mm, name }) => mm > 0 || name === 'clear')
            .map(({ name, fill, mm }) => (
              <tr key={name} className={name === 'clear' && isLow ? 'font-semibold text-wrong' : ''}>
                <th scope="row" className="flex items-center gap-1.5 text-left font-normal">
                  <span className="inline-block size-2 border border-ink3" style={{ background: fill }} />
                  {name}
                </th>
                <td className="figures text-right">
                  {formatLength(name === 'clear' ? budget.clearMm : mm, display)}
                  {name === 'clear' && budget.targetMm !== null
                    ? ` of ${formatLength(budget.targetMm, display)} wanted`
                    : ''}
                </td>
              </tr>
            ))}
        </tbody>
      </table>
    </figure>
  );
}
