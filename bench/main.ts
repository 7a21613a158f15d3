import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { ClipType, Clipper, FillRule, PolyTree64, type Path64 } from 'clipper2-ts';
import { polygonCalls } from '@/core/geometry/boolean';
import { carryBoard } from '@/core/carrying/board';
import type { Ring } from '@/core/geometry/polygon';
import type { Framework } from '@/core/model/framework';
import { solve, Solver } from '@/core/solving/solve';
import { columnsSeen, layBoard, rowsSeen, steppedTo } from '@/ui/carry-board/board-layout';
import { measureEdits } from './edits';
import { measureLoad } from './load';
import { makeTower, levelName, run, type Tower } from './tower';

/** Ratios measured on an earlier day, to see whether something got slower. */
const EARLIER = 'bench/earlier.json';
const OUT = 'test-results/bench.json';

interface Row {
  tower: string;
  /** Milliseconds of the baseline: the raw polygon library on the same distinct outlines. Only good within one run. */
  baselineMs: number;
  /** Everything else over the baseline. */
  fullSolve: number;
  levelEdit: number;
  shaftEdit: number;
  polygonsFull: number;
  polygonsLevelEdit: number;
  polygonsShaftEdit: number;
}

function median(values: number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)]!;
}

function timeMs(work: () => unknown): number {
  const start = performance.now();
  work();
  return performance.now() - start;
}

/** The polygon library alone on every distinct outline and its holes. */
function baseline(framework: Framework): () => void {
  const solved = solve(framework);
  const rings = new Map(solved.shafts.map(({ shaft, ring }) => [shaft, ring]));
  const toPath = (ring: Ring): Path64 => ring.map(({ x, y }) => ({ x: Math.round(x * 1000), y: Math.round(y * 1000) }));
  const distinct = new Map(solved.floors.map((piece) => [piece.profile, piece]));
  const jobs = [...distinct.values()].map(({ outline, cutBy }) => [
    [toPath(outline)],
    cutBy.map((shaft) => toPath(rings.get(shaft)!)),
  ]);
  return () => {
    for (const [subject, clip] of jobs) {
      Clipper.booleanOpWithPolyTree(ClipType.Difference, subject!, clip!, new PolyTree64(), FillRule.NonZero);
    }
  };
}

function counted(work: () => unknown): number {
  polygonCalls.reset();
  work();
  return polygonCalls.read();
}

function measure(tower: Tower): Row {
  const framework = makeTower(tower);
  const middle = levelName(Math.floor(tower.storeys / 2));
  const raised = (by: number) =>
    run(framework, 'levels.setHeight', { level: middle, heightMm: 3600 + by, mode: 'push' });
  const widened = (by: number) =>
    run(framework, 'shafts.change', {
      shaft: 'S7',
      outline: { type: 'rectangle', place: '50000,25000', widthMm: 2400 + by, depthMm: 2700 },
    });
  const raw = baseline(framework);
  const times: Record<'baseline' | 'full' | 'level' | 'shaft', number[]> = {
    baseline: [],
    full: [],
    level: [],
    shaft: [],
  };
  // One solver for each kind of edit, as when a level or a shaft is dragged.
  const [solver, shaftSolver] = [new Solver(), new Solver()];
  solver.solve(framework);
  shaftSolver.solve(framework);
  for (let i = 0; i < 9; i += 1) {
    // Each round measures all of them, so that noise of the machine falls on all alike.
    const [level, shaft] = [raised(10 + i), widened(10 + i)];
    times.baseline.push(timeMs(raw));
    times.full.push(timeMs(() => solve(framework)));
    times.level.push(timeMs(() => solver.solve(level)));
    times.shaft.push(timeMs(() => shaftSolver.solve(shaft)));
  }
  const baselineMs = median(times.baseline);
  const ratio = (key: 'full' | 'level' | 'shaft') => Math.round((median(times[key]) / baselineMs) * 100) / 100;
  return {
    tower: `${tower.storeys} storeys, ${tower.kinds === tower.storeys ? 'all distinct' : `${tower.kinds} kinds`}`,
    baselineMs: Math.round(baselineMs * 10) / 10,
    fullSolve: ratio('full'),
    levelEdit: ratio('level'),
    shaftEdit: ratio('shaft'),
    polygonsFull: counted(() => solve(framework)),
    polygonsLevelEdit: counted(() => solver.solve(raised(500))),
    polygonsShaftEdit: counted(() => shaftSolver.solve(widened(500))),
  };
}

function earlier(): Record<string, Row> {
  try {
    return Object.fromEntries((JSON.parse(readFileSync(EARLIER, 'utf8')) as Row[]).map((row) => [row.tower, row]));
  } catch {
    return {};
  }
}

/** What one step of scrolling the carry board costs against working the whole board out: 100 levels, 400 things. */
function boardStep(): number {
  const framework = makeTower({ storeys: 100, kinds: 8, bays: [19, 19] });
  const solved = solve(framework);
  const times: Record<'whole' | 'step', number[]> = { whole: [], step: [] };
  for (let i = 0; i < 9; i += 1) {
    let board = carryBoard(framework, solved, solved.buildings[0]!.id);
    let laid = layBoard(board.columns, []);
    times.whole.push(
      timeMs(() => {
        board = carryBoard(framework, solved, solved.buildings[0]!.id);
        laid = layBoard(board.columns, []);
      }),
    );
    let seen = { left: 0, top: 0, width: 900, height: 600 };
    times.step.push(
      timeMs(() => {
        for (let step = 1; step <= 100; step += 1) {
          seen = steppedTo(seen, step * 55, step * 65);
          const rows = rowsSeen(seen, board.levels.length);
          const levels = board.levels.slice(rows.from, rows.to);
          for (const { cells } of columnsSeen(laid.placed, seen)) for (const { id } of levels) cells.get(id);
        }
      }) / 100,
    );
  }
  return median(times.step) / median(times.whole);
}

if (process.argv.includes('edits')) {
  measureEdits();
  process.exit(0);
}
if (process.argv.includes('load')) {
  await measureLoad();
  process.exit(0);
}

const rows = [10, 50, 100].flatMap((storeys) => [measure({ storeys, kinds: storeys }), measure({ storeys, kinds: 8 })]);
const before = earlier();
console.log('Times as multiples of the raw polygon library on the same distinct outlines, in this run.\n');
console.table(
  Object.fromEntries(
    rows.map(({ tower, ...row }) => [
      tower,
      {
        'baseline ms': row.baselineMs,
        'full solve ×': row.fullSolve,
        'was ×': before[tower]?.fullSolve ?? '–',
        'level edit ×': row.levelEdit,
        'was × ': before[tower]?.levelEdit ?? '–',
        'shaft edit ×': row.shaftEdit,
        polygons: `${row.polygonsFull} / ${row.polygonsLevelEdit} / ${row.polygonsShaftEdit}`,
      },
    ]),
  ),
);
console.log('polygons: calls of the polygon library in a full solve / a level edit / a shaft edit');
console.log(
  `carry board of 100 levels and ${20 * 20} columns: a step of scrolling costs 1/${Math.round(1 / boardStep())} of working the board out`,
);
const furnished = measureEdits();
mkdirSync('test-results', { recursive: true });
writeFileSync('test-results/bench-edits.json', `${JSON.stringify(furnished, null, 2)}\n`);
writeFileSync(OUT, `${JSON.stringify(rows, null, 2)}\n`);
if (process.argv.includes('--keep')) writeFileSync(EARLIER, `${JSON.stringify(rows, null, 2)}\n`);
await measureLoad();
console.log(`\nWritten to ${OUT}${process.argv.includes('--keep') ? ` and ${EARLIER}` : ''}`);
