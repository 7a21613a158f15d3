import { z } from 'zod';
import { lengthPlus } from '../dimensions/resolve-length';
import { leftOf } from '../geometry/curve';
import { times, turned } from '../geometry/point';
import { defineCommand } from '../commands/command';
import type { Edit } from '../model/edit';
import { textSchema } from '../model/fields';
import { LengthReader, lengthInputSchema, refuseNow, refusing, saidLength } from '../commands/length-input';
import { refSchema } from '../commands/refer';
import { quantiseMm } from '../units/length-units';
import { shrinkAfter } from './bay-commands';
import { lineLabelSchema, SIDES, type GridLine, LINE_REACH } from './grid';
import { headsSchema, levelRangeSchema, lineIn, lineNames, neighbours, readLevelRange } from './grid-input';
import { pathInputSchema, readPath } from './path-input';
import { removeLine } from './remove-line';
import type { ResolvedGrid, ResolvedLine } from './resolve-grids';
import { shiftOrigin } from './shift-origin';

const moveLine = defineCommand({
  name: 'grids.moveLine',
  title: 'Move a grid line across its direction',
  input: z.strictObject({
    line: refSchema,
    byMm: lengthInputSchema.optional(),
    /** Rays turn instead. */
    byDeg: z.number().gt(-360).lt(360).optional(),
    mode: z.enum(['push', 'only']).default('only'),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const [grid, line] = lineIn(edit.before, input.line);
      if (line.bayDeg !== null) {
        if (input.byDeg === undefined) refuseNow('A ray turns by an angle. Type one', ['byDeg']);
        return turnRay(edit, grid, line, input.byDeg, input.mode);
      }
      if (input.byMm === undefined) refuseNow('Type how far the line moves', ['byMm']);
      const { mm } = new LengthReader(edit.before).read(input.byMm, 'byMm', { atLeastMm: -1e6, atMostMm: 1e6 });
      if (grid.record.shape === 'free') return moveFree(edit, grid, line, mm);
      const { before, after } = neighbours(grid, line);
      const isRing = grid.record.shape === 'radial';
      if ((before || isRing) && line.bayMm + mm <= 0) {
        refuseNow(
          before
            ? `Line ${line.label ?? ''} would pass line ${before.label ?? ''}. Move it less far`
            : 'The ring would have no radius. Move it less far',
        );
      }
      if (before || isRing) edit.set('gridLine', line.id, { bayMm: lengthPlus(line.record.bayMm, mm) });
      else shiftOrigin(edit, grid, line, mm);
      if (input.mode === 'only' && after) shrinkAfter(edit, line, after, mm);
    }),
  sentence: (before, input) =>
    `Grid line ${lineNames(before, input.line)[0]} moved ${input.byMm === undefined ? `${input.byDeg ?? 0}°` : saidLength(before, input.byMm)}`,
});

function turnRay(edit: Edit, grid: ResolvedGrid, line: ResolvedLine, byDeg: number, mode: 'push' | 'only'): void {
  const { before, after } = neighbours(grid, line);
  if (before && line.bayDeg! + byDeg <= 0)
    refuseNow(`Line ${line.label ?? ''} would pass line ${before.label ?? ''}. Turn it less far`);
  const last = grid.a.at(-1)!.offsetDeg!;
  const grows = before ? (mode === 'only' && after ? 0 : byDeg) : mode === 'only' ? -byDeg : 0;
  if (last + grows >= 360) refuseNow('The rays would go round more than once. Turn it less far');
  if (before) edit.set('gridLine', line.id, { bayDeg: quantiseMm(line.bayDeg! + byDeg) });
  else edit.set('gridSystem', grid.id, { turnDeg: quantiseMm((grid.turnDeg + grid.record.waysOf.a * byDeg) % 360) });
  if (mode !== 'only' || !after) return;
  const rest = quantiseMm(after.bayDeg! - byDeg);
  if (rest <= 0) refuseNow(`Line ${line.label ?? ''} would pass line ${after.label ?? ''}. Use push instead`);
  edit.set('gridLine', after.id, { bayDeg: rest });
}

/** A free straight line moves to its left; an arc grows inwards. */
function moveFree(edit: Edit, grid: ResolvedGrid, line: ResolvedLine, mm: number): void {
  const { path } = line.record;
  if (!path) return;
  if (path.type === 'arc') {
    if (line.curve.kind === 'arc' && line.curve.radiusMm - mm <= 1)
      refuseNow('The arc would have no radius. Move it less far');
    return edit.set('gridLine', line.id, { path: { ...path, radiusMm: lengthPlus(path.radiusMm, -mm) } });
  }
  const by = turned(times(leftOf(line.curve, line.ends[0]), mm), -grid.turnDeg);
  edit.set('gridLine', line.id, {
    path: {
      ...path,
      x0Mm: lengthPlus(path.x0Mm, by.x),
      y0Mm: lengthPlus(path.y0Mm, by.y),
      x1Mm: lengthPlus(path.x1Mm, by.x),
      y1Mm: lengthPlus(path.y1Mm, by.y),
    },
  });
}

const relabel = defineCommand({
  name: 'grids.relabel',
  title: 'Relabel a grid line; the lines after it continue from there',
  input: z.strictObject({
    line: refSchema,
    label: z.union([lineLabelSchema, textSchema(12)]),
    minor: z.boolean().optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const label = typeof input.label === 'string' ? { mode: 'typed' as const, text: input.label } : input.label;
      edit.set('gridLine', lineIn(edit.before, input.line)[1].id, { label, minor: input.minor });
    }),
  sentence: (before, input, after) => {
    const [was, is] = lineNames(before, input.line, after);
    return `Grid line ${was} is now ${is}`;
  },
});

const changeLines = defineCommand({
  name: 'grids.changeLines',
  title: 'Change heads, extensions, levels or side of grid lines',
  input: z.strictObject({
    lines: z.array(refSchema).min(1, 'Choose a grid line first').max(500),
    heads: headsSchema.nullable().optional(),
    extendFirstMm: lengthInputSchema.nullable().optional(),
    extendLastMm: lengthInputSchema.nullable().optional(),
    side: z.enum(SIDES).optional(),
    /** How far a line of one side runs; null: half way. */
    reachMm: lengthInputSchema.nullable().optional(),
    minor: z.boolean().optional(),
    ...levelRangeSchema,
  }),
  plan: (edit, input) =>
    refusing(() => {
      const reader = new LengthReader(edit.before);
      const length = (value: string | number | null | undefined, field: string): GridLine['reachMm'] | undefined =>
        value === null || value === undefined ? value : reader.read(value, field, LINE_REACH).stored;
      for (const ref of input.lines) {
        const [grid, line] = lineIn(edit.before, ref);
        if (input.side !== undefined && input.side !== 'both' && grid.record.shape !== 'rectangular')
          refuseNow('Only lines of a rectangular grid stop part way');
        edit.set('gridLine', line.id, {
          heads: input.heads,
          extendFirstMm: length(input.extendFirstMm, 'extendFirstMm'),
          extendLastMm: length(input.extendLastMm, 'extendLastMm'),
          side: input.side,
          reachMm: length(input.reachMm, 'reachMm'),
          minor: input.minor,
          ...readLevelRange(edit.before, grid.record.building, input, line.record),
        });
      }
    }),
  sentence: (before, input) =>
    input.lines.length === 1
      ? `Grid line ${lineNames(before, input.lines[0]!)[0]} changed`
      : `${input.lines.length} grid lines changed`,
});

const setPath = defineCommand({
  name: 'grids.setPath',
  title: 'Change where a free grid line runs',
  input: z.strictObject({ line: refSchema, path: pathInputSchema }),
  plan: (edit, input) =>
    refusing(() => {
      const [, line] = lineIn(edit.before, input.line);
      if (!line.record.path)
        refuseNow('Only a free line has a path of its own. This one stands a bay from its neighbour');
      edit.set('gridLine', line.id, { path: readPath(new LengthReader(edit.before), input.path) });
    }),
  sentence: (before, input) => `Grid line ${lineNames(before, input.line)[0]} runs elsewhere`,
});

const remove = defineCommand({
  name: 'grids.removeLine',
  title: 'Remove a grid line; its bays merge',
  input: z.strictObject({ line: refSchema }),
  plan: (edit, input) => refusing(() => removeLine(edit, lineIn(edit.before, input.line)[1].id)),
  sentence: (before, input) => `Grid line ${lineNames(before, input.line)[0]} removed`,
});

export const LINE_COMMANDS = [moveLine, relabel, changeLines, setPath, remove] as const;
