'use client';

import { useState } from 'react';
import type { RoomWay, WaysOut } from '@/core/escape/ways-out';
import { projectRules } from '@/core/rule-sets/rules-in';
import { formatLength } from '@/core/units/format-length';
import { RuleSetsButton } from '../../rule-sets/rule-sets-dialog';
import { useSlice } from '../../session/store';
import { useGhost } from '../../tools/plan-busy';

/** A way as it is drawn: there and back. */
const drawn = ({ points }: RoomWay) => [...points, ...points.slice(1, -1).reverse()];

const called = ({ number, name }: RoomWay): string => `${number} ${name}`.trim() || 'a room without a name';

/** How one gets out of each level: stairs, widths, how far one walks; the ways of the level shown are drawn in the plan. */
export function WaysOutTool() {
  const { framework, solved, building, level, isWhole, display, set } = useSlice(
    'framework',
    'solved',
    'building',
    'level',
    'isWhole',
    'display',
    'set',
  );
  const [chosen, setChosen] = useState<string | null>(null);
  const own = (solved?.waysOut ?? []).filter((each) => each.building === building);
  const here = own.find((each) => each.level === level);
  const ways = (here?.rooms ?? []).filter(({ mm }) => mm !== null).sort((a, b) => b.mm! - a.mm!);
  const shown = ways.find((way) => keyOf(way) === chosen) ?? null;
  const write = (mm: number | null) => (mm === null ? '–' : formatLength(Math.round(mm), display));
  const farthest = shown ?? ways[0];
  useGhost(
    farthest
      ? {
          rings: (shown ? [shown] : ways).map(drawn),
          points: [],
          note: `${called(farthest)}: ${write(farthest.mm)} to ${farthest.to}`,
        }
      : null,
  );
  return (
    <div className="flex flex-col gap-2">
      <p className="text-ink2">
        How one gets out of each level. Indicative: whoever signs the building checks it. Travel is along the free
        floor, through doors and round walls, from the farthest place of each room.
      </p>
      <table className="figures w-full text-[11px]" aria-label="Ways out by levels">
        <thead>
          <tr className="text-left text-ink2">
            {['level', 'out by', 'people', 'wide', 'travel', 'dead end'].map((words, i) => (
              <th key={words} scope="col" className={`pr-2 font-normal last:pr-0 ${i > 1 ? 'text-right' : ''}`}>
                {words}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {[...own].reverse().map((each) => (
            <LevelRow
              key={each.level}
              ways={each}
              isNow={each.level === level}
              onPress={() => set({ level: each.level })}
            />
          ))}
        </tbody>
      </table>
      {!isWhole && (
        <p role="status" className="text-[11px] text-ink3">
          Travel is being worked out …
        </p>
      )}
      {here && <Here ways={here} />}
      {ways.length > 0 && (
        <ul aria-label="Rooms of this level by travel" className="flex flex-col border-t border-faint pt-1 text-[11px]">
          {ways.slice(0, 40).map((way) => (
            <li key={keyOf(way)}>
              <button
                type="button"
                aria-pressed={way === shown}
                className={`flex w-full justify-between gap-2 rounded-sm px-1 text-left hover:bg-faint ${way === shown ? 'bg-now-tint' : ''}`}
                onClick={() => setChosen(way === shown ? null : keyOf(way))}
              >
                <span className="truncate">{called(way)}</span>
                <span className="figures shrink-0">
                  {write(way.mm)} to {way.to}
                </span>
              </button>
            </li>
          ))}
        </ul>
      )}
      <span className="self-end">
        <RuleSetsButton shown={projectRules(framework)} />
      </span>
    </div>
  );
}

const keyOf = ({ room, ring }: RoomWay): string => `${room ?? ''} ${ring[0]?.x ?? 0} ${ring[0]?.y ?? 0}`;

function LevelRow({ ways, isNow, onPress }: { ways: WaysOut; isNow: boolean; onPress: () => void }) {
  const { solved, display } = useSlice('solved', 'display');
  const name = (id: string | null) => solved?.levels.find((each) => each.id === id)?.name ?? '';
  const write = (mm: number | null) => (mm === null ? '–' : formatLength(Math.round(mm), display));
  const over = (mm: number | null, limitMm: number) => (mm !== null && mm > limitMm ? 'font-bold text-wrong' : '');
  const by = ways.isExit
    ? `${ways.doors.length} ${ways.doors.length === 1 ? 'door' : 'doors'} out`
    : ways.stairs
        .map(({ name: stair, to, onBy }) =>
          to ? stair : onBy ? `${stair}, on by ${onBy.name}` : `${stair} ends short`,
        )
        .join(' ');
  const leads = ways.stairs
    .flatMap(({ name: stair, to }) => (to && !ways.isExit ? [`${stair} leads to level ${name(to)}`] : []))
    .join('; ');
  return (
    <tr
      className={`cursor-pointer border-t border-faint align-baseline ${isNow ? 'bg-now-tint' : ''}`}
      onClick={onPress}
    >
      <th scope="row" className="pr-1 text-left font-semibold">
        {name(ways.level)}
      </th>
      <td className={`pr-1.5 ${by === '' ? 'font-semibold text-wrong' : ''}`} title={leads}>
        {by === '' ? 'none' : by}
      </td>
      <td className="pr-2 text-right">{ways.people}</td>
      <td className={`pr-2 text-right ${ways.givenMm + 0.5 < ways.neededMm ? 'font-bold text-wrong' : ''}`}>
        {write(ways.givenMm)}
      </td>
      <td className={`pr-2 text-right ${over(ways.travelMm, ways.limits.travelMm)}`}>{write(ways.travelMm)}</td>
      <td className={`text-right ${over(ways.deadEndMm, ways.limits.deadEndMm)}`}>{write(ways.deadEndMm)}</td>
    </tr>
  );
}

/** What bounds the ways out of the level shown. */
function Here({ ways }: { ways: WaysOut }) {
  const { display } = useSlice('display');
  const write = (mm: number) => formatLength(Math.round(mm), display);
  const { limits, narrowestMm, rooms, people, neededMm, givenMm } = ways;
  const closed = rooms.filter(({ mm, room }) => mm === null && room !== null);
  return (
    <div className="flex flex-col gap-0.5 border-t border-faint pt-1 text-[11px] text-ink2">
      {people > 0 && (
        <p>
          {people} people need {write(neededMm)} of width; there is {write(givenMm)}.
        </p>
      )}
      {narrowestMm !== null && <p>Narrowest stair or door on the way: {write(narrowestMm)}.</p>}
      <p>
        Travel at most {write(limits.travelMm)} ({limits.travelSource}); before ways part at most{' '}
        {write(limits.deadEndMm)} ({limits.deadEndSource}).
      </p>
      {closed.length > 0 && (
        <p>
          No way out of {closed.slice(0, 4).map(called).join(', ')}
          {closed.length > 4 ? ` and ${closed.length - 4} more` : ''}: no door leads there.
        </p>
      )}
    </div>
  );
}
