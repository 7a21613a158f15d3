'use client';

import { boxOf, type Drawing } from '@/core/drawing/drawing';
import type { Id } from '@/core/model/ids';
import { eachOnce } from '../session/here';
import { useProject } from '../session/store';

/** Room between what is marked and its frame, and size of the name, in pixels. */
const ROOM_PX = 5;
const NAME_PX = 11;

interface Marked {
  name: string;
  ids: ReadonlySet<Id>;
  isEdit: boolean;
}

/** What others have chosen on this level, and what they just did, framed and with their names. */
export function OthersLayer({ drawing, pxPerMm }: { drawing: Drawing; pxPerMm: number }) {
  const { others, editMarks, building, level } = useProject((project) => project);
  const marked: Marked[] = [
    ...eachOnce(others)
      .filter(({ place }) => place.building === building && place.level === level && place.selection.length > 0)
      .map(({ name, place }) => ({ name, ids: new Set(place.selection), isEdit: false })),
    ...editMarks.map(({ name, ids }) => ({ name, ids, isEdit: true })),
  ];
  return (
    <g data-testid="others" pointerEvents="none">
      {marked.map(({ name, ids, isEdit }, i) => {
        const box = boxOf(drawing.primitives.filter(({ id }) => id !== null && ids.has(id)));
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
