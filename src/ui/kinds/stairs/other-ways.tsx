'use client';

import { useMemo, useState } from 'react';
import { askedOf } from '@/core/stairs/asked-of';
import { climbedByForm } from '@/core/stairs/least-change';
import type { SolvedStair, StairStorey } from '@/core/stairs/solved-stair';
import type { Stair } from '@/core/stairs/stair';
import { stairCandidates, type StairAsked } from '@/core/stairs/stair-candidates';
import { FORM_WORDS } from '@/core/stairs/stair-form';
import { stairWell } from '@/core/stairs/stair-well';
import { formatLength } from '@/core/units/format-length';
import { ActionButton, TextField } from '../../fields/fields';
import { useProject, useSlice } from '../../session/store';

/** So many ways are listed at first. */
const SHOWN = 5;

/** A count of step risers for every storey, judged by the rule set; empty: as is best. */
export function RisersField({ record: stair }: { record: Stair }) {
  const run = useProject((project) => project.run);
  const mayEdit = useProject((project) => project.mayEdit);
  return (
    <TextField
      label="Step risers, each storey"
      value={stair.risers === null ? 'as is best' : String(stair.risers)}
      disabled={!mayEdit}
      onCommit={(typed) => {
        const text = typed.trim();
        const risers = text === '' || text === 'as is best' ? null : Number(text);
        if (risers !== null && !(Number.isInteger(risers) && risers >= 1 && risers <= 500))
          return 'A whole number from 1 to 500, or nothing for what is best';
        return run('stairs.change', { stair: stair.id, risers });
      }}
    />
  );
}

/** The other ways the storey in view could be climbed, best first, and the other forms that would do. */
export function OtherWays({ record: stair }: { record: Stair }) {
  const { solved, level } = useSlice('solved', 'level');
  const shown = solved?.stairs.find((each) => each.stair === stair.id);
  const here = shown?.storeys.find((each) => each.level === level);
  const asked = useAsked(stair, shown);
  if (!shown || !asked) return null;
  return (
    <div className="flex flex-col gap-2">
      {here && <Ways stair={stair} storey={here} asked={asked} />}
      <Forms stair={stair} storeys={shown.storeys} asked={asked} />
    </div>
  );
}

function useAsked(stair: Stair, shown: SolvedStair | undefined): Omit<StairAsked, 'heightMm'> | null {
  const framework = useProject((project) => project.framework);
  return useMemo(() => {
    const well = shown ? stairWell(shown.ring, stair) : null;
    return well && askedOf(framework, stair, well);
  }, [framework, stair, shown]);
}

function Ways({ stair, storey, asked }: { stair: Stair; storey: StairStorey; asked: Omit<StairAsked, 'heightMm'> }) {
  const { display, run, mayEdit } = useSlice('display', 'run', 'mayEdit');
  const [isAll, setIsAll] = useState(false);
  const { heightMm } = storey;
  const ways = useMemo(() => stairCandidates({ ...asked, heightMm }), [asked, heightMm]);
  const write = (mm: number) => formatLength(Math.round(mm * 10) / 10, display);
  const isChosen = stair.chosen.some((each) => each.level === storey.level);
  if (ways.length < 2 || !storey.steps) return null;
  const now = storey.steps.flights.join(' + ');
  return (
    <section aria-label="Ways to climb this storey" className="flex flex-col gap-1">
      <h4 className="text-[11px] text-ink2">Ways to climb {write(heightMm)}, best first</h4>
      <table className="figures w-full text-[11px]">
        <thead>
          <tr className="text-left text-ink2">
            {['risers', 'riser', 'going', '2R+G', 'pitch'].map((words) => (
              <th key={words} scope="col" className="font-normal">
                {words}
              </th>
            ))}
            <td />
          </tr>
        </thead>
        <tbody>
          {ways.slice(0, isAll ? 40 : SHOWN).map((way) => {
            const deal = way.flights.join(' + ');
            return (
              <tr key={deal} className={`border-t border-faint ${deal === now ? 'bg-now-tint' : ''}`}>
                <th scope="row" className="text-left font-semibold">
                  {deal}
                </th>
                <td>{write(way.riserMm)}</td>
                <td>{write(way.goingMm)}</td>
                <td>{write(way.paceMm)}</td>
                <td>{Math.round(way.pitchDeg * 10) / 10}°</td>
                <td className="text-right">
                  {deal !== now && mayEdit && (
                    <button
                      type="button"
                      className="text-now"
                      aria-label={`Climb it in ${deal}`}
                      onClick={() =>
                        run('stairs.choose', { stair: stair.id, level: storey.level, flights: way.flights })
                      }
                    >
                      take
                    </button>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <div className="flex gap-2">
        {ways.length > SHOWN && (
          <ActionButton onClick={() => setIsAll(!isAll)}>{isAll ? 'Fewer' : `More of ${ways.length}`}</ActionButton>
        )}
        {isChosen && mayEdit && (
          <ActionButton onClick={() => run('stairs.choose', { stair: stair.id, level: storey.level, flights: null })}>
            As is best again
          </ActionButton>
        )}
      </div>
    </section>
  );
}

function Forms({
  stair,
  storeys,
  asked,
}: {
  stair: Stair;
  storeys: readonly StairStorey[];
  asked: Omit<StairAsked, 'heightMm'>;
}) {
  const { run, mayEdit } = useSlice('run', 'mayEdit');
  const [isOpen, setIsOpen] = useState(false);
  const heights = storeys.map(({ heightMm }) => heightMm).join();
  const forms = useMemo(() => {
    if (!isOpen) return [];
    const { form: _, ...rest } = asked;
    return climbedByForm(
      { ...rest, widthMm: stair.widthMm === null ? null : rest.widthMm },
      heights.split(',').map(Number),
    );
  }, [isOpen, asked, heights, stair.widthMm]);
  return (
    <section aria-label="Which form would fit" className="flex flex-col gap-1">
      <ActionButton onClick={() => setIsOpen(!isOpen)}>
        {isOpen ? 'Forms, less' : `Which form would fit ${stair.isFree ? 'its storeys' : 'this well'}?`}
      </ActionButton>
      {isOpen && (
        <ul className="text-[11px]">
          {forms.map(({ form, climbed }) => (
            <li key={form} className="flex justify-between gap-2 border-t border-faint py-0.5">
              <span className={form === stair.form ? 'font-bold' : ''}>{FORM_WORDS[form]}</span>
              <span className={climbed === storeys.length ? '' : 'text-ink2'}>
                {climbed} of {storeys.length}
                {form !== stair.form && climbed > 0 && mayEdit && (
                  <button
                    type="button"
                    className="ml-2 text-now"
                    aria-label={`Use the form ${FORM_WORDS[form]}`}
                    onClick={() => run('stairs.change', { stair: stair.id, form })}
                  >
                    use
                  </button>
                )}
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
