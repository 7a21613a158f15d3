import { z } from 'zod';
import { lengthPlus } from '../dimensions/resolve-length';
import { defineCommand } from '../commands/command';
import type { Edit } from '../model/edit';
import { textSchema } from '../model/fields';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../commands/length-input';
import { refSchema } from '../commands/refer';
import { formatLength } from '../units/format-length';
import { quantiseMm } from '../units/length-units';
import { formatBays, saidBays } from '../units/parse-bays';
import { DIRECTIONS, PLAIN_LINE } from './grid';
import {
  addRun,
  anglesSchema,
  baysSchema,
  gridIn,
  lineIn,
  lineNames,
  modeSchema,
  neighbours,
  readAngles,
  linesOfBays,
  readBays,
  type NewLine,
} from './grid-input';
import { removeLine } from './remove-line';
import { lineById, type ResolvedGrid, type ResolvedLine } from './resolve-grids';
import { shiftOrigin } from './shift-origin';
import { sameJson } from '../model/json';

/** Gives a run these lines anew. Lines of each side keep their ids in order; what is over is added or removed at the end. */
function retypeRun(edit: Edit, grid: ResolvedGrid, direction: 'a' | 'b', wanted: readonly NewLine[]): void {
  const run = grid[direction];
  const left = { both: [] as ResolvedLine[], near: [] as ResolvedLine[], far: [] as ResolvedLine[] };
  for (const line of run) left[line.record.side].push(line);
  const kept = wanted.map((line) => left[line.side ?? 'both'].shift());
  const over = [...left.both, ...left.near, ...left.far];
  // What is over first, from the end, while the chain is still whole.
  for (const line of [...over].sort((p, q) => run.indexOf(q) - run.indexOf(p))) removeLine(edit, line.id);
  let from: string | null = null;
  for (const [i, line] of wanted.entries()) {
    const old = kept[i];
    const place = { from, ...(line.bayDeg === undefined ? { bayMm: line.bayMm } : { bayDeg: line.bayDeg }) };
    if (!old) [from] = addRun(edit, grid.id, direction, [line], from) as [string];
    else {
      const isSameBay =
        typeof line.bayMm === 'number' ? old.bayMm === line.bayMm : sameJson(old.record.bayMm, line.bayMm);
      const isSame = old.record.from === from && isSameBay && (line.bayDeg === undefined || old.bayDeg === line.bayDeg);
      // A bay that is the same is not touched, so that it stays an expression if it was one.
      if (!isSame) edit.set('gridLine', old.id, isSameBay ? { ...place, bayMm: old.record.bayMm } : place);
      from = old.id;
    }
  }
}

const setBays = defineCommand({
  name: 'grids.setBays',
  title: 'Type the bays of one direction anew',
  input: z.strictObject({
    system: refSchema.optional(),
    direction: z.enum(DIRECTIONS),
    bays: baysSchema.describe('Bays; for rings the first is the radius of the first ring'),
    farBays: baysSchema.optional().describe('Bays along the opposite side where they differ'),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const grid = gridIn(edit.before, input.system);
      const { shape } = grid.record;
      const bays = readBays(edit.before, input.bays, 'bays').stored;
      if (shape === 'free') refuseNow('Free lines have no bays. Move each line, or choose its points anew');
      if (shape === 'radial' && input.direction === 'a') refuseNow('Rays follow one another by angles. Type those');
      if (shape === 'radial') {
        if (bays.length === 0) refuseNow('A radial grid needs one ring at least. Type its radius', ['bays']);
        return retypeRun(
          edit,
          grid,
          'b',
          bays.map((bayMm) => ({ bayMm })),
        );
      }
      retypeRun(edit, grid, input.direction, linesOfBays(edit.before, input.bays, input.farBays, 'bays'));
    }),
  sentence: (before, input) => `Bays typed anew: ${saidBays(readBays(before, input.bays, 'bays').mm)}`,
});

const setAngles = defineCommand({
  name: 'grids.setAngles',
  title: 'Type the angles between the rays anew',
  input: z.strictObject({ system: refSchema.optional(), angles: anglesSchema }),
  plan: (edit, input) =>
    refusing(() => {
      const grid = gridIn(edit.before, input.system);
      if (grid.record.shape !== 'radial') refuseNow('Only a radial grid has rays. Type bays instead');
      const angles = readAngles(input.angles, 'angles');
      retypeRun(
        edit,
        grid,
        'a',
        [0, ...angles].map((bayDeg) => ({ bayMm: 0, bayDeg })),
      );
    }),
  sentence: (_, input) => `Angles typed anew: ${formatBays(readAngles(input.angles, 'angles'), (deg) => `${deg}°`)}`,
});

const setBay = defineCommand({
  name: 'grids.setBay',
  title: 'Set the bay before a grid line',
  input: z.strictObject({
    line: refSchema,
    bayMm: lengthInputSchema.optional(),
    bayDeg: z.number().gt(0).lt(360).optional(),
    mode: modeSchema,
  }),
  plan: (edit, input) =>
    refusing(() => {
      const [grid, line] = lineIn(edit.before, input.line);
      const isRing = grid.record.shape === 'radial' && line.direction === 'b';
      if (line.record.from === null && !isRing) refuseNow('The first line has no bay before it. Move the grid instead');
      if (grid.record.shape === 'free') refuseNow('A free line has no bay. Move it instead');
      const { after } = neighbours(grid, line);
      if (line.bayDeg !== null) {
        if (input.bayDeg === undefined) refuseNow('Type an angle for a ray', ['bayDeg']);
        const by = quantiseMm(input.bayDeg - line.bayDeg);
        edit.set('gridLine', line.id, { bayDeg: input.bayDeg });
        const last = grid.a.at(-1)!.offsetDeg! + (input.mode === 'only' && after ? 0 : by);
        if (last >= 360) refuseNow('The rays would go round more than once. Type a smaller angle', ['bayDeg']);
        if (input.mode === 'only' && after) shrinkRayAfter(edit, line, after, by);
        return;
      }
      if (input.bayMm === undefined) refuseNow('Type a length for the bay', ['bayMm']);
      const { stored, mm } = new LengthReader(edit.before).read(input.bayMm, 'bayMm', { moreThanMm: 0, atMostMm: 1e6 });
      edit.set('gridLine', line.id, { bayMm: stored });
      if (input.mode === 'only' && after) shrinkAfter(edit, line, after, mm - line.bayMm);
    }),
  sentence: (before, input, after) => {
    const [, line] = lineIn(before, input.line);
    const now = lineById(after, line.id)?.[1];
    const bay = typeof now?.bayDeg === 'number' ? `${now.bayDeg}°` : `${formatLength(now?.bayMm ?? 0)} mm`;
    return `Grid line ${lineNames(before, input.line)[0]} now ${bay} from the line before`;
  },
});

function shrinkRayAfter(edit: Edit, line: ResolvedLine, after: ResolvedLine, byDeg: number): void {
  const rest = quantiseMm(after.bayDeg! - byDeg);
  if (rest <= 0) refuseNow(`Line ${line.label ?? ''} would pass line ${after.label ?? ''}. Use push instead`);
  edit.set('gridLine', after.id, { bayDeg: rest });
}

/** Takes from the bay after a line what the bay before it has grown by. */
export function shrinkAfter(edit: Edit, line: ResolvedLine, after: ResolvedLine, byMm: number): void {
  if (after.bayMm - byMm <= 0) {
    refuseNow(`Line ${line.label ?? ''} would pass line ${after.label ?? ''}. Use push, or move that line first`);
  }
  edit.set('gridLine', after.id, { bayMm: lengthPlus(after.record.bayMm, -byMm) });
}

const addLine = defineCommand({
  name: 'grids.addLine',
  title: 'Add a grid line at the far end or before the first line',
  input: z.strictObject({
    system: refSchema.optional(),
    direction: z.enum(DIRECTIONS),
    bayMm: lengthInputSchema.optional(),
    bayDeg: z.number().gt(0).lt(360).optional(),
    end: z.enum(['last', 'first']).default('last'),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const grid = gridIn(edit.before, input.system);
      const run = grid[input.direction];
      const { shape } = grid.record;
      if (shape === 'free') refuseNow('Choose two points for a free line instead');
      if (shape === 'radial' && input.direction === 'a') {
        if (input.bayDeg === undefined) refuseNow('Type an angle for a ray', ['bayDeg']);
        if (run.at(-1)!.offsetDeg! + input.bayDeg >= 360)
          refuseNow('The rays would go round more than once. Type a smaller angle', ['bayDeg']);
        if (input.end === 'last')
          return void addRun(edit, grid.id, 'a', [{ bayMm: 0, bayDeg: input.bayDeg }], run.at(-1)!.id);
        const [first] = addRun(edit, grid.id, 'a', [{ bayMm: 0, bayDeg: 0 }]);
        edit.set('gridLine', run[0]!.id, { from: first!, bayDeg: input.bayDeg });
        return edit.set('gridSystem', grid.id, {
          turnDeg: quantiseMm((grid.turnDeg - grid.record.waysOf.a * input.bayDeg) % 360),
        });
      }
      if (input.bayMm === undefined) refuseNow('Type a length for the bay', ['bayMm']);
      const { stored, mm } = new LengthReader(edit.before).read(input.bayMm, 'bayMm', { moreThanMm: 0, atMostMm: 1e6 });
      const add = (from: string | null, bayMm: typeof stored) =>
        edit.add<'gridLine'>({
          kind: 'gridLine',
          system: grid.id,
          direction: input.direction,
          ...PLAIN_LINE,
          from,
          bayMm,
          label: { mode: 'auto' },
          minor: false,
        });
      if (input.end === 'last' || run.length === 0) {
        add(run.at(-1)?.id ?? null, run.length === 0 && shape === 'rectangular' ? 0 : stored);
        return;
      }
      const next = run[0]!;
      if (shape === 'radial') {
        if (mm >= next.bayMm) refuseNow('The ring would have no radius. Type a smaller distance', ['bayMm']);
        const ring = add(null, quantiseMm(next.bayMm - mm));
        return edit.set('gridLine', next.id, { from: ring.id, bayMm: stored });
      }
      const first = add(null, 0);
      edit.set('gridLine', next.id, { from: first.id, bayMm: stored });
      shiftOrigin(edit, grid, next, -mm);
    }),
  sentence: (_, input, after) => {
    const run = gridIn(after, input.system)[input.direction];
    const line = input.end === 'last' ? run.at(-1) : run[0];
    return `Grid line ${line?.label ?? ''} added`;
  },
});

const splitBay = defineCommand({
  name: 'grids.splitBay',
  title: 'Split the bay before a grid line',
  input: z.strictObject({
    line: refSchema,
    /** Distance of the new line from the line before, or a share of the bay. Half when neither is given. */
    atMm: lengthInputSchema.optional(),
    ratio: z.number().gt(0).lt(1).optional(),
    /** The new line's label: none, or the label before it with this suffix. */
    suffix: textSchema(6).optional(),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const [grid, line] = lineIn(edit.before, input.line);
      const { before } = neighbours(grid, line);
      if (!before) refuseNow('There is no bay before the first line. Choose the line at the far side of the bay');
      if (grid.record.shape === 'free') refuseNow('Free lines have no bay to split. Add another line instead');
      const label = input.suffix ? { mode: 'secondary' as const, suffix: input.suffix } : { mode: 'none' as const };
      // Between two lines of one side stands a line of that side.
      const { side } = line.record;
      const reach = side === before.record.side ? { side, reachMm: line.record.reachMm } : {};
      const common = { ...PLAIN_LINE, ...reach, from: before.id, label, minor: true };
      const own = { kind: 'gridLine', system: grid.id, direction: line.direction } as const;
      if (line.bayDeg !== null) {
        const bayDeg = quantiseMm(line.bayDeg * (input.ratio ?? 0.5));
        const added = edit.add<'gridLine'>({ ...own, ...common, bayMm: 0, bayDeg });
        return edit.set('gridLine', line.id, { from: added.id, bayDeg: quantiseMm(line.bayDeg - bayDeg) });
      }
      const atMm =
        input.atMm === undefined
          ? quantiseMm(line.bayMm * (input.ratio ?? 0.5))
          : new LengthReader(edit.before).read(input.atMm, 'atMm').mm;
      if (atMm <= 0 || atMm >= line.bayMm) {
        refuseNow(`The bay is ${formatLength(line.bayMm)}: split it at a distance between 0 and that`, ['atMm']);
      }
      const added = edit.add<'gridLine'>({ ...own, ...common, bayMm: atMm });
      edit.set('gridLine', line.id, { from: added.id, bayMm: lengthPlus(line.record.bayMm, -atMm) });
    }),
  sentence: (before, input) => `Bay before grid line ${lineNames(before, input.line)[0]} split`,
});

const addJoint = defineCommand({
  name: 'grids.addJoint',
  title: 'Make a grid line a movement joint: a pair of lines with a gap, in slabs too',
  input: z.strictObject({
    line: refSchema,
    gapMm: lengthInputSchema.default(50),
    /** Push moves the lines beyond along; only takes the gap from the bay after. */
    mode: modeSchema,
    suffix: textSchema(6).default('j'),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const [grid, line] = lineIn(edit.before, input.line);
      if (grid.record.shape !== 'rectangular') refuseNow('A movement joint is made in a rectangular grid');
      if (
        line.record.jointOf ||
        edit.before.records.size === 0 ||
        grid[line.direction].some(({ record }) => record.jointOf === line.id)
      )
        refuseNow(`Line ${line.label ?? ''} is part of a movement joint already`);
      const { stored, mm } = new LengthReader(edit.before).read(input.gapMm, 'gapMm', { atLeastMm: 5, atMostMm: 1000 });
      const { after } = neighbours(grid, line);
      const added = edit.add<'gridLine'>({
        kind: 'gridLine',
        system: grid.id,
        direction: line.direction,
        ...PLAIN_LINE,
        from: line.id,
        bayMm: stored,
        label: { mode: 'secondary', suffix: input.suffix },
        minor: true,
        side: line.record.side,
        reachMm: line.record.reachMm,
        jointOf: line.id,
      });
      if (!after) return;
      edit.set('gridLine', after.id, { from: added.id });
      if (input.mode === 'only') shrinkAfter(edit, line, after, mm);
    }),
  sentence: (before, input) => `Movement joint made at grid line ${lineNames(before, input.line)[0]}`,
});

export const BAY_COMMANDS = [setBays, setAngles, setBay, addLine, splitBay, addJoint] as const;
