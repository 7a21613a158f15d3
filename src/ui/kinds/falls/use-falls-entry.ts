'use client';

import { useMemo, useState } from 'react';
import type { CommandInputs } from '@/core/commands/command-inputs';
import { readFall } from '@/core/falls/read-fall';
import { resolvePlace } from '@/core/outlines/resolve-place';
import { readPlace } from '@/core/outlines/outline-input';
import type { Point } from '@/core/geometry/point';
import { readPlaceText, writePlace } from '../../fields/place-text';
import { useSlice } from '../../session/store';
import { usePlanPoints } from '../../tools/plan-busy';
import { useLengthEntry } from '../../tools/use-length-entry';

type Falls = NonNullable<CommandInputs['roofs.addFlat']['falls']>;

/** Falls as they are entered in a tool: how steep, how thick where they end, outlets pressed in the plan or typed, edges. */
export function useFallsEntry(isOn: boolean) {
  const { framework, building, display, mayEdit } = useSlice('framework', 'building', 'display', 'mayEdit');
  const [slope, setSlope] = useState('2 %');
  const least = useLengthEntry(40);
  const [text, setText] = useState('');
  const [edges, setEdges] = useState<readonly number[]>([]);
  const [hasGutter, setGutter] = useState(true);
  usePlanPoints(
    isOn && mayEdit && building
      ? (at, phase) => {
          if (phase !== 'press') return;
          const place = writePlace(framework, building, at.x, at.y, display);
          setText((typed) => (typed.trim() === '' ? place : `${typed.trim().replace(/;$/, '')}; ${place}`));
        }
      : null,
  );
  const read = useMemo(
    () =>
      text
        .split(';')
        .filter((each) => each.trim() !== '')
        .map((each) => readPlaceText(each.trim(), display)),
    [text, display],
  );
  const unread = read.find((each) => !each.ok);
  const places = read.flatMap((each) => (each.ok ? [each.value.input] : []));
  const points = useMemo((): Point[] => {
    if (!building) return [];
    try {
      return places.map((place) => resolvePlace(framework, readPlace(framework, building, place)).at);
    } catch {
      // What cannot be found is said by the preview.
      return [];
    }
  }, [framework, building, places]);
  const slopeRatio = readFall(slope);
  const wrong =
    slopeRatio === null
      ? 'Type a fall like 2 %, 1:50 or 1.2°'
      : !least.ok
        ? least.words
        : unread && !unread.ok
          ? unread.refusal.message
          : places.length + edges.length === 0
            ? 'Press in the plan where outlets are, or choose an edge to fall to'
            : null;
  const input: Falls = {
    slope,
    leastMm: least.orZero,
    outlets: places,
    edges: edges.map((edge) => ({ edge, gutter: hasGutter ? {} : null })),
  };
  return {
    input,
    wrong,
    points,
    clear: () => {
      setText('');
      setEdges([]);
    },
    fields: { slope, setSlope, slopeRatio, least, text, setText, edges, setEdges, hasGutter, setGutter },
    outlets: places.length,
  };
}
export type FallsEntry = ReturnType<typeof useFallsEntry>;
