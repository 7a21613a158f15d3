import Flatbush from 'flatbush';
import { useEffect, useState } from 'react';
import type { Sheet } from '@/core/importing/sheet';
import type { Point } from '@/core/geometry/point';
import { onModel, onUnderlay } from '@/core/underlays/place-underlay';
import type { Underlay } from '@/core/underlays/underlay';
import type { ProjectSession } from '../session/project-session';

/** A drawing as it was read, with an index of the points one snaps to, in its own units. */
export interface ReadSheet {
  sheet: Sheet;
  points: Point[];
  index: Flatbush | null;
}

const read = new Map<string, Promise<ReadSheet>>();

function indexed(sheet: Sheet): ReadSheet {
  const points = [
    ...sheet.lines.flatMap(({ a, b }) => [a, b]),
    ...sheet.outlines.flatMap(({ corners }) => corners),
    ...sheet.curves.flatMap(({ points }) => [points[0]!, points.at(-1)!]),
    ...sheet.circles.map(({ at }) => at),
  ];
  const index = points.length > 0 ? new Flatbush(points.length) : null;
  for (const { x, y } of points) index!.add(x, y, x, y);
  index?.finish();
  return { sheet, points, index };
}

/** The drawings among some underlays, fetched once per contents. */
export function useSheets(session: ProjectSession | null, underlays: readonly Underlay[]): Map<string, ReadSheet> {
  const [sheets, setSheets] = useState<Map<string, ReadSheet>>(new Map());
  const wanted = underlays
    .filter(({ content }) => content === 'drawing')
    .map(({ sha256 }) => sha256)
    .sort()
    .join();
  useEffect(() => {
    if (!session || wanted === '') return;
    let isOpen = true;
    for (const sha256 of wanted.split(',')) {
      const known = read.get(sha256) ?? session.server.underlaySheet(sha256).then((answer) => indexed(answer.sheet));
      read.set(sha256, known);
      known.then(
        (sheet) => isOpen && setSheets((now) => (now.get(sha256) === sheet ? now : new Map(now).set(sha256, sheet))),
        () => read.delete(sha256),
      );
    }
    return () => {
      isOpen = false;
    };
  }, [session, wanted]);
  return sheets;
}

/** The point of an underlay's drawing nearest to a place within a reach, in the model. */
export function nearestOnSheet(underlay: Underlay, sheet: ReadSheet, at: Point, reachMm: number): Point | null {
  const { u, v } = onUnderlay(underlay, at);
  const [found] = sheet.index?.neighbors(u, v, 1, reachMm / underlay.mmPerUnit) ?? [];
  const point = found === undefined ? undefined : sheet.points[found];
  return point ? onModel(underlay, { u: point.x, v: point.y }) : null;
}
