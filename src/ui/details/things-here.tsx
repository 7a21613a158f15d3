'use client';

import { facet } from '@/core/kinds/kind';
import { definitionOf } from '@/core/kinds/registry';
import { recordsOf } from '@/core/model/framework';
import { useSlice } from '../session/store';

interface Entry {
  id: string;
  words: string;
}

/** Everything at the current level as a list: the plan for keyboard and screen reader. */
export function ThingsHere() {
  const { framework, solved, level, building, selection, chosenLines, select, set } = useSlice(
    'framework',
    'solved',
    'level',
    'building',
    'selection',
    'chosenLines',
    'select',
    'set',
  );
  if (!solved || !level) return null;
  const shown = solved.levels.find(({ id }) => id === level);
  // A roof is a slab and a wall to the views, and one thing to people.
  const isRoof = (id: string) => framework.records.get(id)?.kind === 'roof';
  // A wall that runs past the slabs is at every level it passes; each wall once.
  const cutMm = (shown?.fflMm ?? 0) + 1200;
  const standing = solved.walls.filter(
    (piece) =>
      !isRoof(piece.wall) &&
      (piece.level === level || (piece.building === building && piece.bottomMm < cutMm && piece.topMm > cutMm)),
  );
  const wallsHere = [...new Map(standing.map((piece) => [piece.wall, piece])).values()];
  const groups: [string, Entry[]][] = [
    [
      'Grid lines',
      solved.lines.filter((line) => line.building === building).map(({ id, label }) => ({ id, words: label ?? '–' })),
    ],
    [
      'Columns',
      solved.columns.filter((piece) => piece.level === level).map(({ stack, mark }) => ({ id: stack, words: mark })),
    ],
    [
      'Shafts',
      solved.shafts
        .filter((shaft) => shaft.building === building && shaft.levels.includes(level))
        .map(({ shaft, name }) => ({ id: shaft, words: name })),
    ],
    [
      'Stairs',
      solved.stairs
        .filter(({ levels }) => levels.includes(level))
        .map(({ stair, name }) => ({ id: stair, words: name })),
    ],
    ['Walls', wallsHere.map(({ wall, name }) => ({ id: wall, words: name }))],
    [
      'Rooms',
      solved.rooms
        .filter((region) => region.level === level && region.room !== null)
        .map(({ room, number }) => ({ id: room!, words: number })),
    ],
    [
      'Floor plates',
      solved.floors
        .filter((floor) => floor.level === level && floor.zone === null && !isRoof(floor.plate))
        .map(({ plate, name }) => ({ id: plate, words: name })),
    ],
  ];
  const hung = solved.ceilings.filter((piece) => piece.level === level);
  groups.push([
    'Ceilings',
    [...new Map(hung.map((piece) => [piece.ceiling, piece.name]))].map(([id, words]) => ({ id, words })),
  ]);
  // Bodies by their kinds: those of this level, and those that hang over it.
  const bodies = solved.bodies.filter((body) => body.level === level || body.seenAt === level);
  for (const kind of new Set(bodies.map((body) => body.kind))) {
    const own = new Map(bodies.filter((body) => body.kind === kind).map((body) => [body.thing, body.name]));
    groups.push([facet(definitionOf(kind).bodies)?.heading ?? kind, [...own].map(([id, words]) => ({ id, words }))]);
  }
  const roofs = recordsOf(framework, 'roof').filter((roof) => roof.level === level);
  groups.push(['Roofs', roofs.map(({ id, name }) => ({ id, words: name }))]);
  groups.push([
    'Cores',
    recordsOf(framework, 'core')
      .filter((core) => core.building === building)
      .map(({ id, name }) => ({ id, words: name })),
  ]);
  const dividing = recordsOf(framework, 'boundaryLine').filter(
    (line) => line.building === building && line.level === level,
  );
  groups.push(['Boundary lines', dividing.map(({ id }, i) => ({ id, words: `Boundary ${i + 1}` }))]);
  const founded = recordsOf(framework, 'foundation').filter(({ top }) => top.level === level);
  groups.push(['Foundations', founded.map(({ id, name }) => ({ id, words: name }))]);
  const press = (id: string, isLine: boolean) => {
    if (chosenLines && isLine)
      set({
        chosenLines: chosenLines.includes(id) ? chosenLines.filter((other) => other !== id) : [...chosenLines, id],
      });
    else select([id]);
  };
  return (
    <details className="border-t border-hair pt-3">
      <summary className="font-bold">On level {shown?.name}</summary>
      {groups.map(([name, entries], g) =>
        entries.length === 0 ? null : (
          <div key={name} className="pt-1.5">
            <h4 className="text-ink2">{name}</h4>
            <div className="flex flex-wrap gap-1">
              {[...entries]
                .sort((a, b) => a.words.localeCompare(b.words, 'en', { numeric: true }))
                .map(({ id, words }) => (
                  <button
                    key={id}
                    type="button"
                    aria-pressed={selection.includes(id)}
                    className={`figures rounded-sm border px-1 ${selection.includes(id) || chosenLines?.includes(id) ? 'border-now bg-now-tint text-now' : 'border-hair'}`}
                    onClick={() => press(id, g === 0)}
                  >
                    {words}
                  </button>
                ))}
            </div>
          </div>
        ),
      )}
    </details>
  );
}
