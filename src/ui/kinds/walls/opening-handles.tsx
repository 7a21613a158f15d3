'use client';

import { useCallback } from 'react';
import { plus, times, type Point } from '@/core/geometry/point';
import { formatLength } from '@/core/units/format-length';
import { slidTo } from '@/core/walls/opening-place';
import type { Wall, WallOpening } from '@/core/walls/wall';
import { stepOf } from '../../plan/drag-step';
import { useSlice } from '../../session/store';
import { useTried } from '../../session/use-tried';
import { swallowPress, useHandle } from '../../surface/use-handle';
import type { HandlesProps } from '../kind-ui';

/** Smaller than this on the screen an opening has no handle, px. */
const LEAST_PX = 12;

interface Held {
  opening: WallOpening;
  /** From the opening's middle to where it was taken hold of. */
  by: Point;
}

/** Doors, windows and openings of the chosen wall, slid along it: each between its neighbours, in round steps from them. */
export function OpeningHandles({ record: wall, pxPerMm, toModel, onTold }: HandlesProps<Wall>) {
  const { framework, solved, level, display } = useSlice('framework', 'solved', 'level', 'display');
  const left = useCallback(() => onTold(null), [onTold]);
  const tried = useTried(wall.id, left);
  const bind = useHandle<{ opening: WallOpening; middle: Point }, Held>({
    begin: ({ opening, middle }, at) => {
      const pointer = toModel(at);
      return { opening, by: { x: middle.x - pointer.x, y: middle.y - pointer.y } };
    },
    move: ({ opening, by }, at) => {
      const pointer = toModel(at);
      const point = plus(pointer, by);
      const place = level ? slidTo(framework, wall, opening, { level, point, stepMm: stepOf(display) }) : null;
      if (!place) return;
      const { alongMm, before, after } = place;
      tried.show({ command: 'walls.changeOpening', input: { wall: wall.id, opening: opening.id, alongMm } });
      const said = ({ mm, words }: typeof before) => `${formatLength(mm, display)} from ${words}`;
      onTold({ at: point, words: before.mm <= after.mm ? said(before) : said(after) });
    },
    end: (_, __, isTaken) => {
      swallowPress();
      onTold(null);
      tried.done(isTaken);
    },
  });
  const shown = (solved?.walls ?? [])
    .filter((piece) => piece.wall === wall.id)
    .flatMap(({ openings }) => openings)
    .filter((each) => each.level === level && each.widthMm * pxPerMm >= LEAST_PX);
  const half = 5 / pxPerMm;
  return shown.map(({ id, name, ends: [a, b] }) => {
    const opening = wall.openings.find((each) => each.id === id);
    const middle = times(plus(a, b), 0.5);
    return (
      opening && (
        <g key={id} {...bind({ opening, middle })} onClick={(event) => event.stopPropagation()}>
          <title>{`Drag ${name} along the wall`}</title>
          <path
            d={`M${middle.x - half} ${-middle.y}l${half} ${-half}l${half} ${half}l${-half} ${half}Z`}
            fill="var(--color-sheet)"
            stroke="var(--color-now)"
            strokeWidth="1.6"
            vectorEffect="non-scaling-stroke"
            className="cursor-move"
            data-opening={name}
          />
        </g>
      )
    );
  });
}
