'use client';

import { useCallback } from 'react';
import type { FallLayer } from '@/core/falls/fall-layer';
import type { Point } from '@/core/geometry/point';
import { assembliesOf } from '@/core/slants/assembly';
import { writePlace } from '../../fields/place-text';
import { useSlice } from '../../session/store';
import { useTried } from '../../session/use-tried';
import { swallowPress, useHandle } from '../../surface/use-handle';
import type { HandlesProps } from '../kind-ui';

/** Outlets of the chosen layer of falls, dragged in the plan: its planes follow. */
export function OutletHandles({ record: layer, pxPerMm, toModel, onTold }: HandlesProps<FallLayer>) {
  const { framework, solved, level, display } = useSlice('framework', 'solved', 'level', 'display');
  const left = useCallback(() => onTold(null), [onTold]);
  const tried = useTried(layer.id, left);
  const bind = useHandle<{ outlet: number; at: Point }, { outlet: number; by: Point }>({
    begin: ({ outlet, at }, press) => {
      const pointer = toModel(press);
      return { outlet, by: { x: at.x - pointer.x, y: at.y - pointer.y } };
    },
    move: ({ outlet, by }, press) => {
      const pointer = toModel(press);
      const at = { x: Math.round(pointer.x + by.x), y: Math.round(pointer.y + by.y) };
      const place = { lines: null, xMm: at.x, yMm: at.y };
      tried.show({ command: 'fallLayers.moveOutlet', input: { fallLayer: layer.id, outlet, place } });
      onTold({ at, words: writePlace(framework, layer.building, at.x, at.y, display) });
    },
    end: (_, __, isTaken) => {
      swallowPress();
      onTold(null);
      tried.done(isTaken);
    },
  });
  if (layer.level !== level) return null;
  const info = assembliesOf(solved?.assemblies ?? [], 'fallLayer').find(({ thing }) => thing === layer.id)?.info;
  const radius = 6 / pxPerMm;
  return [...(info?.outlets ?? []), ...(info?.astray ?? [])].map(({ number, at }) => (
    <g key={number} {...bind({ outlet: number, at })} onClick={(event) => event.stopPropagation()}>
      <title>{`Drag outlet ${number + 1}`}</title>
      <circle
        cx={at.x}
        cy={-at.y}
        r={radius}
        fill="var(--color-sheet)"
        stroke="var(--color-now)"
        strokeWidth="1.6"
        vectorEffect="non-scaling-stroke"
        className="cursor-move"
        data-outlet={number + 1}
      />
    </g>
  ));
}
