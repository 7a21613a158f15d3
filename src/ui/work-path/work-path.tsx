'use client';

import { stepOfFinding } from '@/core/checks/step-of-finding';
import { type Step, useSlice } from '../session/store';
import { stepCounts } from './step-counts';

/** Steps that change nothing. */
const FOR_ALL: readonly Step[] = ['checks', 'issue'];

/** How many there are of each, as far as there are some. */
const several = (...all: readonly (readonly [n: number, one: string])[]): string =>
  all
    .filter(([n]) => n > 0)
    .map(([n, one]) => `${n} ${n === 1 ? one : `${one}s`}`)
    .join(', ') || 'nothing yet';

/** The steps of the job in the order people do them, each with its state. A guide, never a lock. */
export function WorkPath() {
  const { solved, framework, building, step, set, mayEdit, role } = useSlice(
    'solved',
    'framework',
    'building',
    'step',
    'set',
    'mayEdit',
    'role',
  );
  if (!solved) return <nav aria-label="Work path" className="h-[52px] border-t border-hair bg-sheet" />;
  const own = <T extends { building: string }>(things: readonly T[]) =>
    things.filter((thing) => thing.building === building);
  const findings = own(solved.findings);
  const steps = findings.map((finding) => stepOfFinding(framework, finding));
  const of = (step: Step) => steps.filter((each) => each === step).length;
  const counts = stepCounts(framework, solved, building);
  const many = (n: number, one: string, more = `${one}s`) => (n === 0 ? 'nothing yet' : `${n} ${n === 1 ? one : more}`);
  const path: [Step, string, string, number][] = [
    ['levels', 'Levels', many(counts.levels, 'level'), of('levels')],
    ['grids', 'Grids', many(counts.grids, 'line'), of('grids')],
    ['columns', 'Columns', many(counts.columns, 'stack'), of('columns')],
    ['shafts', 'Shafts', many(counts.shafts, 'shaft'), of('shafts')],
    ['stairs', 'Stairs', several([counts.stairs, 'stair'], [counts.ramps, 'ramp']), of('stairs')],
    ['floors', 'Floors & roof', several([counts.floors, 'plate'], [counts.roofs, 'roof']), of('floors')],
    ['walls', 'Walls', many(counts.walls, 'wall'), of('walls')],
    ['checks', 'Checks', findings.length === 0 ? 'no findings' : many(findings.length, 'finding'), findings.length],
    ['issue', 'Hand over', 'IFC, framework file', 0],
  ];
  // Everything stands on the levels: before there are any, their set-up is all there is to do.
  const isBare = counts.levels === 0;
  // Who only looks has two steps: what is found, and what can be taken away.
  const shown = mayEdit ? path : path.filter(([key]) => FOR_ALL.includes(key));
  return (
    <nav aria-label="Work path" className="flex border-t border-hair bg-sheet">
      {!mayEdit && role && (
        <p className="flex flex-[3] flex-col justify-center px-4 py-1.5">
          <b>You look at this as {role}</b>
          <span className="text-[11px] text-ink2">Choose anything to read about it; keep views of your own</span>
        </p>
      )}
      {shown.map(([key, name, state, count]) => (
        <button
          key={key}
          type="button"
          aria-pressed={isBare ? key === 'levels' : step === key}
          disabled={isBare && key !== 'levels'}
          className={`flex-1 border-t-[3px] px-4 py-1.5 text-left disabled:opacity-60 ${(isBare ? key === 'levels' : step === key) ? 'border-now bg-film' : 'border-transparent enabled:hover:bg-film'}`}
          onClick={() =>
            isBare
              ? document.querySelector<HTMLElement>('main input')?.focus()
              : set({ step: step === key ? null : key, busy: null, ghost: null })
          }
        >
          <span className="block font-bold">{name}</span>
          <span className={`block text-[11px] ${count > 0 ? 'font-semibold text-look' : 'text-ink2'}`}>
            {isBare
              ? key === 'levels'
                ? 'set them up above'
                : 'after the levels'
              : key !== 'checks' && count > 0
                ? `${state}, ${count} ${count === 1 ? 'finding' : 'findings'}`
                : state}
          </span>
        </button>
      ))}
    </nav>
  );
}
