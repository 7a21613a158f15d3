import { drawSection } from '@/core/drawing/draw-section';
import { elevationPlane, type SectionPlane } from '@/core/drawing/section-plane';
import { boundsOf } from '@/core/geometry/polygon';
import { recordsOf, type Framework } from '@/core/model/framework';
import { deltaOf } from '@/core/solving/solved-delta';
import { solve, Solver } from '@/core/solving/solve';
import { makeFurnished } from './furnished';
import { levelName, run } from './tower';

/** Edits of one kind are made so often, each from the state before; as many come first and are not counted, until the program is warm. */
const TIMES = 7;
const SIZES = [25, 50, 100, 200];

/** What is edited, and what its time should be at most as a part of a full solve. */
const EDITS: Record<
  string,
  { wanted: number; wantedKb?: number; make: (framework: Framework, i: number) => Framework }
> = {
  'title of a level': {
    wanted: 300,
    wantedKb: 40,
    make: (framework, i) => run(framework, 'levels.rename', { level: middleOf(framework), title: `Use ${i}` }),
  },
  'name of a room': {
    wanted: 100,
    wantedKb: 40,
    make: (framework, i) => {
      const rooms = recordsOf(framework, 'room');
      return run(framework, 'rooms.change', { room: rooms[rooms.length >> 1]!.id, name: `Name ${i}` });
    },
  },
  'height of a level, pushing': {
    wanted: 40,
    make: (framework, i) =>
      run(framework, 'levels.setHeight', { level: middleOf(framework), heightMm: 3610 + i, mode: 'push' }),
  },
  'interior wall moved': {
    wanted: 60,
    make: (framework, i) => {
      const wall = recordsOf(framework, 'wall').find(({ name }) => name === 'P3.4.4.e')!;
      return run(framework, 'elements.move', { ids: [wall.id], xMm: 0, yMm: 100 + i });
    },
  },
  'edge of a shaft through all storeys': {
    wanted: 15,
    make: (framework, i) =>
      run(framework, 'shafts.change', {
        shaft: 'S7',
        outline: { type: 'rectangle', place: '87000,27000', widthMm: 2400 + i * 10, depthMm: 2700 },
      }),
  },
};

const middleOf = (framework: Framework): string => {
  const storeys = recordsOf(framework, 'level').filter(({ name }) => name.startsWith('L')).length + 1;
  return levelName(Math.floor(storeys / 2));
};

const median = (values: number[]): number => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;
function timeMs(work: () => unknown): number {
  const start = performance.now();
  work();
  return performance.now() - start;
}

export interface FurnishedRow {
  storeys: number;
  records: number;
  /** Only good within one run. */
  fullMs: number;
  /** Full solve over an edit, and kilobytes from the worker to the page. */
  edits: Record<string, { fullOver: number; editMs: number; kb: number }>;
}

function measure(storeys: number): FurnishedRow {
  const framework = makeFurnished(storeys);
  new Solver().solve(framework, 'hold');
  const full: number[] = [];
  const edits: FurnishedRow['edits'] = {};
  for (const [name, { make }] of Object.entries(EDITS)) {
    const states = Array.from({ length: 2 * TIMES }, (_, i) => make(framework, i));
    const solver = new Solver();
    let before = solver.solve(framework, 'hold');
    const times: number[] = [];
    let kb = 0;
    for (const state of states) {
      let after = before;
      // Ways out come after what one waits for.
      times.push(timeMs(() => (after = solver.solve(state, 'hold'))));
      kb = JSON.stringify(deltaOf(before, after)).length / 1000;
      before = after;
    }
    // A full solve beside each kind of edit, so that noise of the machine falls on both alike.
    const whole = timeMs(() => new Solver().solve(framework, 'hold'));
    full.push(whole);
    const editMs = median(times.slice(TIMES));
    edits[name] = { fullOver: whole / editMs, editMs, kb };
  }
  return { storeys, records: framework.records.size, fullMs: median(full), edits };
}

/** How times grow with storeys: the exponent of a power through the first and the last. */
const growth = (first: number, last: number): number => Math.log(last / first) / Math.log(SIZES.at(-1)! / SIZES[0]!);

/** What an elevation of a furnished tower costs, what is hidden left out, as a multiple of a section through it. */
function elevationOverSection(storeys: number): number {
  const solved = solve(makeFurnished(storeys));
  const building = solved.buildings[0]!.id;
  const elevation = elevationPlane(solved, building, 'south')!;
  const { minY, maxY } = boundsOf(solved.floors.map(({ outline }) => outline));
  const middle = (minY + maxY) / 2;
  const section = { from: { ...elevation.from, y: middle }, to: { ...elevation.to, y: middle }, isCut: true };
  const look = { building, scale: 200, writeLength: String, writeElevation: String };
  const costs = (plane: SectionPlane) =>
    median(
      Array.from({ length: 5 }, () => {
        // Of a state of its own, so that nothing is kept.
        const state = { ...solved };
        const start = performance.now();
        drawSection(state, { ...look, plane });
        return performance.now() - start;
      }),
    );
  return costs(elevation) / costs(section);
}

/** Measures edits of furnished towers and prints them as parts of a full solve. */
export function measureEdits(): FurnishedRow[] {
  const rows = SIZES.map(measure);
  const [first, last] = [rows[0]!, rows.at(-1)!];
  console.log('\nFurnished towers: what an edit costs as a part of a full solve, and what crosses from the worker.\n');
  console.table(
    Object.fromEntries(
      Object.entries(EDITS).map(([name, { wanted, wantedKb }]) => [
        name,
        {
          wanted: `1/${wanted}${wantedKb ? `, ${wantedKb} kB` : ''}`,
          ...Object.fromEntries(
            rows.map(({ storeys, edits }) => {
              const { fullOver, kb } = edits[name]!;
              return [
                `${storeys} storeys`,
                `1/${Math.round(fullOver)}, ${kb < 10 ? kb.toFixed(1) : Math.round(kb)} kB`,
              ];
            }),
          ),
          growth: growth(first.edits[name]!.editMs, last.edits[name]!.editMs).toFixed(2),
        },
      ]),
    ),
  );
  console.log(
    `full solve: ${rows.map(({ storeys, fullMs }) => `${storeys} storeys ${Math.round(fullMs)} ms`).join(', ')}; growth ${growth(first.fullMs, last.fullMs).toFixed(2)} (wanted: at most 1.05)`,
  );
  console.log(
    `elevation of ${SIZES[1]} storeys: ${elevationOverSection(SIZES[1]!).toFixed(1)} × a section through them (wanted: at most 5)`,
  );
  return rows;
}
