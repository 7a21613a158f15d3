'use client';

import { useState } from 'react';
import { boxOf, type Drawing } from '@/core/drawing/drawing';
import type { Id } from '@/core/model/ids';
import { eachOnce } from '../session/here';
import { useSlice } from '../session/store';
import type { EditMark } from '../session/project';

/** Room between what is marked and its frame, and size of the name, in pixels. */
const ROOM_PX = 5;
const NAME_PX = 11;

type Box = NonNullable<Drawing['box']>;

const NOTHING_STOOD = { marks: [], boxes: new Map<EditMark, Box>() };

const boxOfIds = (drawing: Drawing, ids: ReadonlySet<Id>): Box | null =>
  boxOf(drawing.primitives.filter(({ id }) => id !== null && ids.has(id)));

/**
 * What others have chosen and what they just did, framed and with their names. In a view of one level (`level`) only
 * what is chosen there. What an edit deleted is marked where it stood.
 */
export function OthersLayer({ drawing, pxPerMm, level }: { drawing: Drawing; pxPerMm: number; level?: Id | null }) {
  const { others, editMarks, building } = useSlice('others', 'editMarks', 'building');
  const [stood, setStood] = useState<{ marks: readonly EditMark[]; boxes: ReadonlyMap<EditMark, Box> }>(NOTHING_STOOD);
  // An edit is told of before its drawing is made: what it touches still stands where it was.
  if (stood.marks !== editMarks) {
    const boxes = new Map<EditMark, Box>();
    for (const mark of editMarks) {
      const box = stood.boxes.get(mark) ?? boxOfIds(drawing, mark.ids);
      if (box) boxes.set(mark, box);
    }
    setStood({ marks: editMarks, boxes });
  }
  const frames = [
    ...eachOnce(others)
      .filter(({ place }) => place.building === building && (level === undefined || place.level === level))
      .map(({ name, place }) => ({ name, box: boxOfIds(drawing, new Set(place.selection)), isEdit: false })),
    ...editMarks.map((mark) => ({
      name: mark.name,
      box: boxOfIds(drawing, mark.ids) ?? stood.boxes.get(mark) ?? null,
      isEdit: true,
    })),
  ];
  return (
    <g data-testid="others" pointerEvents="none">
      {frames.map(({ name, box, isEdit }, i) => {
        if (!box) return null;
        const room = ROOM_PX / pxPerMm;
        const [x, y] = [box.minX - room, -box.maxY - room];
        return (
          <g key={i}>
            <rect
              x={x}
              y={y}
              width={box.maxX - box.minX + 2 * room}
              height={box.maxY - box.minY + 2 * room}
              fill={isEdit ? 'var(--color-look)' : 'none'}
              fillOpacity="0.12"
              stroke="var(--color-look)"
              strokeWidth="1.6"
              strokeDasharray={isEdit ? undefined : '2 3'}
              vectorEffect="non-scaling-stroke"
            />
            <text
              x={x}
              y={y - 3 / pxPerMm}
              fontSize={NAME_PX / pxPerMm}
              fontWeight="700"
              fill="var(--color-look)"
              stroke="var(--color-film)"
              strokeWidth={3 / pxPerMm}
              paintOrder="stroke"
            >
              {name}
            </text>
          </g>
        );
      })}
    </g>
  );
}
