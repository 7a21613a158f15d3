import type { z } from 'zod';
import { distance } from '../geometry/point';
import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { acting } from '../setting-out/acting';
import type { ColumnStack } from './column';
import { readSection, type sectionInputSchema } from './column-input';
import { isSameSection, sectionMm, type SectionMm } from './section-shape';

/** A column of a drawing, in the axes of the building. */
export interface DrawnColumn {
  xMm: number;
  yMm: number;
  turnDeg: number;
  section: z.output<typeof sectionInputSchema>;
}

/** A drawn column and the stack that it is taken for. */
export interface Pair {
  drawn: DrawnColumn;
  stack: ColumnStack;
  byMm: number;
}

/** A drawing's columns against those that are there. */
export interface ColumnsCompared {
  /** At their places and of their sections already. */
  same: Pair[];
  /** Of another section, at their places. */
  resized: Pair[];
  /** Near by, so that they are taken for the same. */
  moved: Pair[];
  /** In the drawing only. */
  missing: DrawnColumn[];
  /** Here only. */
  extra: ColumnStack[];
}

/** A stack this near to a drawn column is taken for the same, mm. */
const REACH_MM = 500;
/** Places that differ by no more are one, mm. */
const SAME_MM = 1;
const SAME_DEG = 0.01;

/** Drawn columns and stacks of a building, each with the nearest that is left: the nearest pairs first. */
export function compareColumns(framework: Framework, building: Id, drawn: readonly DrawnColumn[]): ColumnsCompared {
  const stacks = recordsOf(framework, 'columnStack')
    .filter((stack) => stack.building === building)
    .map((stack) => ({ stack, ...acting(framework, stack), section: sectionMm(framework, stack.section) }));
  const near = drawn.flatMap((column, i) =>
    stacks.flatMap((here, j) => {
      const byMm = distance(here.at, { x: column.xMm, y: column.yMm });
      return byMm <= REACH_MM ? [{ i, j, byMm }] : [];
    }),
  );
  near.sort((a, b) => a.byMm - b.byMm || a.i - b.i || (stacks[a.j]!.stack.id < stacks[b.j]!.stack.id ? -1 : 1));
  const [takenDrawn, takenHere] = [new Set<number>(), new Set<number>()];
  const found: ColumnsCompared = { same: [], resized: [], moved: [], missing: [], extra: [] };
  for (const { i, j, byMm } of near) {
    if (takenDrawn.has(i) || takenHere.has(j)) continue;
    takenDrawn.add(i);
    takenHere.add(j);
    const [column, here] = [drawn[i]!, stacks[j]!];
    const pair = { drawn: column, stack: here.stack, byMm };
    const section = sectionMm(framework, readSection(framework, column.section));
    if (byMm > SAME_MM) found.moved.push(pair);
    else if (isAlike(section, column.turnDeg, here.section, here.turnDeg)) found.same.push(pair);
    else found.resized.push(pair);
  }
  found.missing = drawn.filter((_, i) => !takenDrawn.has(i));
  found.extra = stacks.flatMap(({ stack }, j) => (takenHere.has(j) ? [] : [stack]));
  return found;
}

/** The same section, turned the same way or so that it looks the same. */
function isAlike(a: SectionMm, aDeg: number, b: SectionMm, bDeg: number): boolean {
  if (a.shape === 'circle' || b.shape === 'circle') return isSameSection(a, b);
  const off = (((aDeg - bDeg) % 180) + 180) % 180;
  const isTurned = (deg: number) => Math.abs(off - deg) < SAME_DEG;
  if (isTurned(0) || isTurned(180)) return isSameSection(a, b);
  const across = a.shape === 'rectangle' ? { ...a, widthMm: a.depthMm, depthMm: a.widthMm } : null;
  return isTurned(90) && across !== null && isSameSection(across, b);
}

/** In words: `30 stand there already, 3 stand up to 120 mm off, 2 have another section, 4 are new; 1 here is not in the drawing`. */
export function comparedWords({ same, resized, moved, missing, extra }: ColumnsCompared): string {
  const off = Math.max(0, ...moved.map(({ byMm }) => byMm));
  const parts = [
    [same.length, 'stands', 'stand', 'there already'],
    [moved.length, 'stands', 'stand', `up to ${Math.ceil(off)} mm off`],
    [resized.length, 'has', 'have', 'another section'],
    [missing.length, 'is', 'are', 'new'],
  ] as const;
  const told = parts
    .flatMap(([count, one, many, words]) => (count > 0 ? [`${count} ${count === 1 ? one : many} ${words}`] : []))
    .join(', ');
  if (extra.length === 0) return told;
  return `${told}; ${extra.length} here ${extra.length === 1 ? 'is' : 'are'} not in the drawing`;
}
