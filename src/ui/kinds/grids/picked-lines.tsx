'use client';

import { useState } from 'react';
import type { Point } from '@/core/geometry/point';
import { distanceToSegment } from '@/core/geometry/polygon';
import { onModel, onUnderlay } from '@/core/underlays/place-underlay';
import type { Underlay } from '@/core/underlays/underlay';
import { ActionButton, ChoiceField, PlainField } from '../../fields/fields';
import { useSlice } from '../../session/store';
import type { ReadSheet } from '../../underlays/use-sheets';
import { useUnderlays } from '../../underlays/use-underlays';
import { useGhost, usePlanPoints } from '../../tools/plan-busy';
import { Refused } from '../../tools/refused';

interface Picked {
  from: Point;
  to: Point;
}

/** A press this near to a line of the drawing picks it; share of the drawing's size. */
const REACH = 0.01;

/** The line of a drawing nearest to a place, in the model; of one layer only where one is chosen. */
function lineAt(underlay: Underlay, { sheet }: ReadSheet, at: Point, layer: string): Picked | null {
  const { u, v } = onUnderlay(underlay, at);
  let least = Math.max(underlay.width, underlay.height) * REACH;
  let best: Picked | null = null;
  for (const line of sheet.lines) {
    if (layer && line.layer !== layer) continue;
    const gap = distanceToSegment({ x: u, y: v }, line.a, line.b);
    if (gap >= least) continue;
    least = gap;
    const [from, to] = [line.a, line.b].map(({ x, y }) => onModel(underlay, { u: x, v: y })) as [Point, Point];
    best = { from, to };
  }
  return best;
}

/** Lines of an underlay as grid lines: picked one after the other, labels going on from the first one typed. */
export function PickedLines() {
  const { building, run } = useSlice('building', 'run');
  const { underlays, sheets } = useUnderlays('plan');
  const drawings = underlays.filter(({ sha256 }) => sheets.has(sha256));
  const layers = [
    ...new Set(drawings.flatMap(({ sha256 }) => sheets.get(sha256)!.sheet.lines.map(({ layer }) => layer))),
  ];
  const [layer, setLayer] = useState('');
  const [first, setFirst] = useState('1');
  const [picked, setPicked] = useState<Picked[]>([]);
  const [refused, setRefused] = useState<string | null>(null);
  usePlanPoints((at, phase) => {
    if (phase !== 'press') return;
    for (const underlay of drawings) {
      const line = lineAt(underlay, sheets.get(underlay.sha256)!, at, layer);
      if (line) return setPicked((lines) => [...lines, line]);
    }
  });
  useGhost({
    rings: [],
    points: [],
    curves: picked.map((line) => ({ kind: 'segment' as const, ...line })),
    note: picked.length === 0 ? 'Press the lines one after the other' : `${picked.length} lines picked`,
  });
  if (drawings.length === 0)
    return <p className="text-ink2">Lay a DXF drawing under this plan first, under Underlays.</p>;
  const label = first.trim().toUpperCase();
  const isSound = /^(\d{1,4}|[A-Z]{1,3})$/.test(label);
  const add = () => {
    const refusal = run('grids.addFree', {
      ...(building ? { building } : {}),
      name: `Lines from ${label}`,
      labelsA: { first: label },
      lines: picked.map(({ from, to }) => ({ path: { x0Mm: from.x, y0Mm: from.y, x1Mm: to.x, y1Mm: to.y } })),
    });
    setRefused(refusal);
    if (!refusal) setPicked([]);
  };
  return (
    <form
      aria-label="Lines of an underlay"
      className="flex flex-col gap-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      <ChoiceField
        label="Layer"
        value={layer}
        choices={[['', 'every layer'], ...layers.map((name) => [name, name] as const)]}
        onChoose={setLayer}
      />
      <PlainField
        label="First label"
        value={first}
        onChange={setFirst}
        note={isSound ? 'the others go on from it' : 'a number or capital letters, like 1 or A'}
        wrong={!isSound}
      />
      <div className="flex items-center justify-between text-ink2">
        <span>{picked.length} picked</span>
        <ActionButton disabled={picked.length === 0} onClick={() => setPicked(picked.slice(0, -1))}>
          Take one back
        </ActionButton>
      </div>
      <Refused words={refused} />
      <span className="self-end">
        <ActionButton type="submit" weight="main" disabled={picked.length === 0 || !isSound}>
          Add these lines
        </ActionButton>
      </span>
    </form>
  );
}
