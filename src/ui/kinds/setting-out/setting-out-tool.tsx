'use client';

import { useState } from 'react';
import { sectionHull } from '@/core/columns/section-shape';
import { contains, distanceToSegment, type Ring } from '@/core/geometry/polygon';
import type { Point } from '@/core/geometry/point';
import { edgeOf, heldLine } from '@/core/setting-out/held-line';
import type { Solved } from '@/core/solving/solved';
import { formatForEntry, formatLength } from '@/core/units/format-length';
import { CheckField, ChoiceField, PlainField } from '../../fields/fields';
import { useLengthReader } from '../../fields/length-field';
import { useProject } from '../../session/store';
import { usePreview } from '../../session/use-preview';
import { useGhost, usePlanLines, usePlanPoints } from '../../tools/plan-busy';
import { ToolForm } from '../../tools/tool-form';
import { LevelRangeFields } from '../grids/level-range-fields';
import type { CommandInputs } from '@/core/commands/command-inputs';

type Side = 'interior' | 'exterior' | 'both' | 'positive' | 'negative';

/** Lines at a distance from chosen lines, to one or both sides, in one act; and those that are there. */
export function SettingOut() {
  const { framework, solved, building, level, display, run, select } = useProject((project) => project);
  const read = useLengthReader();
  const [offset, setOffset] = useState(() => formatForEntry(display.system === 'imperial' ? 203.2 : 200, display));
  const [edges, setEdges] = useState<{ of: string; edge: number }[] | null>(null);
  const [side, setSide] = useState<Side>('interior');
  const [name, setName] = useState('');
  const [locked, setLocked] = useState(false);
  const [range, setRange] = useState<{ fromLevel: string | null; toLevel: string | null }>({
    fromLevel: null,
    toLevel: null,
  });
  const length = read(offset);
  const isFromEdges = edges !== null;
  const [lines, choose] = usePlanLines(isFromEdges ? null : 'lines');
  usePlanPoints(
    isFromEdges
      ? (at, phase) => {
          const found = phase === 'press' && solved ? edgeAt(solved, building, level, at) : null;
          if (found)
            setEdges((now) =>
              now?.some(({ of, edge }) => of === found.of && edge === found.edge)
                ? now.filter(({ of, edge }) => of !== found.of || edge !== found.edge)
                : [...(now ?? []), found],
            );
        }
      : null,
  );
  const input: CommandInputs['settingOut.add'] | null =
    length.ok && (isFromEdges ? edges.length > 0 : lines.length > 0)
      ? {
          ...(building ? { building } : {}),
          ...(isFromEdges ? { edges } : { lines }),
          offsetMm: length.input,
          side,
          ...(name.trim() ? { name: name.trim() } : {}),
          ...range,
          locked,
        }
      : null;
  const preview = usePreview('settingOut.add', input);
  const after = preview?.ok ? preview.value : null;
  const curves = after?.changes.added.flatMap(({ id }) => heldLine(after.after, id)?.curve ?? []) ?? [];
  useGhost(after && { rings: [], points: [], curves, note: `${curves.length} setting-out lines` });
  const add = () => {
    if (!input) return length.ok ? 'Choose a line or an edge in the plan first' : length.words;
    const refusal = run('settingOut.add', input);
    if (refusal) return refusal;
    if (isFromEdges) setEdges([]);
    else choose([]);
    setName('');
    return null;
  };
  const sourceWords = isFromEdges
    ? edges.length === 0
      ? 'Press edges in the plan.'
      : `From ${edges.map(({ of, edge }) => edgeOf(framework, of, edge)?.label ?? 'an edge').join(', ')}`
    : lines.length === 0
      ? 'Choose lines in the plan.'
      : `From ${lines.map((id) => heldLine(framework, id)?.label ?? 'a line').join(', ')}`;
  const there = solved?.settingOut.filter((line) => line.building === building) ?? [];
  const label = (id: string) => heldLine(framework, id)?.label ?? 'without a label';
  return (
    <ToolForm
      label="Setting-out lines"
      does={`Set out ${preview?.ok ? preview.value.changes.added.length : ''}`}
      isReady={preview?.ok ?? false}
      preview={preview}
      act={add}
      below={
        there.length > 0 && (
          <ul aria-label="Setting-out lines here" className="border-t border-faint pt-1.5">
            {there.map((line) => (
              <li key={line.id} className="flex items-baseline justify-between gap-2">
                <button type="button" className="font-semibold text-now" onClick={() => select([line.id])}>
                  {line.name}
                </button>
                <span className="text-ink2">
                  {formatLength(Math.abs(line.offsetMm), display)} from {line.from ?? label(line.source)}
                  {line.locked ? ', locked' : ''}
                </span>
              </li>
            ))}
          </ul>
        )
      }
    >
      <ChoiceField
        label="From"
        value={isFromEdges ? 'edges' : 'lines'}
        choices={[
          ['lines', 'grid and setting-out lines'],
          ['edges', 'edges of slabs and shafts, faces of columns and walls'],
        ]}
        onChoose={(from) => setEdges(from === 'edges' ? [] : null)}
      />
      <p className="text-ink2">{sourceWords}</p>
      <PlainField label="At a distance of" value={offset} onChange={setOffset} note={length.words} wrong={!length.ok} />
      <ChoiceField
        label="On the side"
        value={side}
        choices={[
          ['interior', 'towards the interior'],
          ['exterior', 'away from the interior'],
          ['both', 'both sides'],
          ['positive', 'the way the lines count'],
          ['negative', 'against it'],
        ]}
        onChoose={setSide}
      />
      <PlainField label="Name" value={name} onChange={setName} note={name === '' ? 'empty: S1, S2 …' : null} />
      <LevelRangeFields
        from={range.fromLevel}
        to={range.toLevel}
        unlimited={['as their line', 'as their line']}
        onChange={(part) => setRange((now) => ({ ...now, ...part }))}
      />
      <CheckField label="Locked" value={locked} onChange={setLocked} />
    </ToolForm>
  );
}

/** A press within this picks an edge, in the model. */
const REACH_MM = 1200;

/** The edge of a slab or shaft at a level, or the face of a column's first section, that is nearest to a place. */
function edgeAt(
  solved: Solved,
  building: string | null,
  level: string | null,
  at: Point,
): { of: string; edge: number } | null {
  const rings = [
    ...solved.shafts
      .filter((shaft) => shaft.building === building && level && shaft.levels.includes(level))
      .map(({ shaft, ring }) => ({ of: shaft, ring })),
    ...solved.floors
      .filter((floor) => floor.building === building && floor.level === level)
      .map(({ plate, outline }) => ({ of: plate, ring: outline })),
  ];
  let least = REACH_MM;
  let best: { of: string; edge: number } | null = null;
  for (const stack of solved.columns.filter((piece) => piece.building === building && piece.level === level)) {
    const ring = sectionHull(stack.section, stack.at, stack.turnDeg);
    if (contains(ring, at) && stack.section.shape !== 'circle') return { of: stack.stack, edge: nearestEdge(ring, at) };
  }
  for (const wall of solved.walls.filter((piece) => piece.building === building && piece.level === level)) {
    const part = wall.strips.findIndex((strip) => contains(strip, at));
    // Joined ends are drawn longer; the faces are those of the path, in the same order.
    if (part >= 0) return { of: wall.wall, edge: part * 4 + nearestEdge(wall.strips[part]!, at) };
  }
  for (const { of, ring } of rings) {
    ring.forEach((from, edge) => {
      const gap = distanceToSegment(at, from, ring[(edge + 1) % ring.length]!);
      if (gap < least) [least, best] = [gap, { of, edge }];
    });
  }
  return best;
}

const nearestEdge = (ring: Ring, at: Point): number =>
  ring.reduce(
    (best, from, edge) => {
      const gap = distanceToSegment(at, from, ring[(edge + 1) % ring.length]!);
      return gap < best.gap ? { gap, edge } : best;
    },
    { gap: Infinity, edge: 0 },
  ).edge;
