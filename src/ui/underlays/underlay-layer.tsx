'use client';

import { memo } from 'react';
import { cosDeg, sinDeg } from '@/core/geometry/trig';
import type { Sheet } from '@/core/importing/sheet';
import type { Underlay } from '@/core/underlays/underlay';
import type { ReadSheet } from './use-sheets';

/** From an underlay's own units to the drawing's, whose y axis points down. */
function matrixOf({ content, mmPerUnit: s, turnDeg, u, v, xMm, yMm }: Underlay): string {
  const [c, n] = [cosDeg(turnDeg) * s, sinDeg(turnDeg) * s];
  const [a, b] = [c, -n];
  const [cx, d] = content === 'picture' ? [n, c] : [-n, -c];
  const e = xMm - a * u - cx * v;
  const f = -yMm - b * u - d * v;
  return `matrix(${a} ${b} ${cx} ${d} ${e} ${f})`;
}

/** Underlays of a view, in their strength, under what is drawn on them. */
export const UnderlayLayer = memo(function UnderlayLayer({
  underlays,
  sheets,
  urlOf,
}: {
  underlays: readonly Underlay[];
  sheets: ReadonlyMap<string, ReadSheet>;
  urlOf: (sha256: string) => string;
}) {
  return underlays.map((underlay) => {
    const { id, sha256, content, u0, v0, width, height, opacity, name } = underlay;
    const sheet = sheets.get(sha256)?.sheet;
    return (
      <g key={id} transform={matrixOf(underlay)} opacity={opacity} aria-label={`Underlay ${name}`}>
        {content === 'picture' ? (
          <image href={urlOf(sha256)} x={u0} y={v0} width={width} height={height} preserveAspectRatio="none" />
        ) : (
          sheet && (
            <path
              d={pathOf(sheet)}
              fill="none"
              stroke="var(--color-ink2)"
              strokeWidth="0.8"
              vectorEffect="non-scaling-stroke"
            />
          )
        )}
      </g>
    );
  });
});

const paths = new WeakMap<Sheet, string>();

/** All shapes of a drawing as one path, in its own units. */
function pathOf(sheet: Sheet): string {
  let path = paths.get(sheet);
  if (path === undefined) {
    path = [
      ...sheet.lines.map(({ a, b }) => `M${a.x} ${a.y}L${b.x} ${b.y}`),
      ...sheet.outlines.map(({ corners }) => `M${corners.map(({ x, y }) => `${x} ${y}`).join('L')}Z`),
      ...sheet.curves.map(({ points }) => `M${points.map(({ x, y }) => `${x} ${y}`).join('L')}`),
      ...sheet.circles.map(
        ({ at, radius: r }) => `M${at.x - r} ${at.y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0`,
      ),
    ].join('');
    paths.set(sheet, path);
  }
  return path;
}
