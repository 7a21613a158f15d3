import type { Box } from '../geometry/polygon';
import type { Id } from '../model/ids';
import { definePass, keyOf, partsOf, type Context } from '../passes/pass';
import type { Joining, Stands } from './joins';
import { drawnPass, goesOnPass, standsPass, wallIdsPass } from './walls-standing';

/** Walls are looked for in squares of this size, mm. */
const CELL_MM = 8000;
const cellOf = (mm: number): number => Math.floor(mm / CELL_MM);
/** The squares a box covers, made larger on all sides. */
const cells = function* ({ minX, minY, maxX, maxY }: Box, byMm: number): Generator<string> {
  for (let x = cellOf(minX - byMm); x <= cellOf(maxX + byMm); x += 1)
    for (let y = cellOf(minY - byMm); y <= cellOf(maxY + byMm); y += 1) yield `${x} ${y}`;
};

/** Walls that stand in the same storeys. */
interface Together {
  stands: Stands;
  /** They may go past their levels. */
  goesOn: boolean;
  ids: readonly Id[];
}

/** Walls by where they stand, as a text: those that stand in the same storeys are looked for together. */
const togetherPass = definePass({
  name: 'walls that stand in the same storeys',
  scope: 'building',
  run: (cx, building): ReadonlyMap<string, Together> => {
    const found = new Map<string, Together & { ids: Id[] }>();
    for (const id of cx.get(wallIdsPass, building)) {
      const stands = cx.get(standsPass, keyOf(building, id));
      const goesOn = cx.get(goesOnPass, keyOf(building, id));
      const text = `${goesOn ? 'on' : ''}${stands.map((ranks) => ranks.join('-')).join()}`;
      const same = found.get(text);
      if (same) same.ids.push(id);
      else found.set(text, { stands, goesOn, ids: [id] });
    }
    return found;
  },
});

const idsPass = definePass({
  name: 'walls of some storeys',
  scope: 'thing',
  gathers: true,
  run: (cx, key): readonly Id[] => {
    const [building, text] = partsOf(key);
    return cx.get(togetherPass, building).get(text)?.ids ?? [];
  },
});

/** The squares a wall may be joined in. */
function squaresOf(join: Joining): readonly string[] {
  let found = squares.get(join);
  if (!found) squares.set(join, (found = [...cells(join.box, 0)]));
  return found;
}
const squares = new WeakMap<Joining, readonly string[]>();

/** Walls that stand in the same storeys by the squares they may be joined in; by building and text. */
const cellsPass = definePass({
  name: 'walls by squares',
  scope: 'thing',
  gathers: true,
  run: (cx, key): ReadonlyMap<string, readonly Joining[]> => {
    const [building] = partsOf(key);
    const found = new Map<string, Joining[]>();
    for (const id of cx.get(idsPass, key)) {
      const join = cx.get(drawnPass, keyOf(building, id));
      if (!join) continue;
      for (const square of squaresOf(join)) {
        const list = found.get(square);
        if (list) list.push(join);
        else found.set(square, [join]);
      }
    }
    return found;
  },
});

/** Those in one square; by building, text and square. */
const cellPass = definePass({
  name: 'walls in a square',
  scope: 'thing',
  gathers: true,
  run: (cx, key): readonly Joining[] => {
    const [building, text, square] = partsOf(key);
    return cx.get(cellsPass, keyOf(building, text)).get(square) ?? [];
  },
});

/** Whether two walls stand in one storey anywhere. */
const shareStorey = (a: Stands, b: Stands): boolean =>
  a.some(([low, high]) => b.some((other) => other[0] < high && low < other[1]));

/** Where walls stand that share a storey with one. */
const sharingPass = definePass({
  name: 'where walls stand that share a storey with one',
  scope: 'thing',
  run: (cx, key): readonly string[] => {
    const own = cx.get(standsPass, key);
    return [...cx.get(togetherPass, partsOf(key)[0])].flatMap(([text, { stands }]) =>
      shareStorey(own, stands) ? [text] : [],
    );
  },
});

/** Where walls stand that may be beside one. */
const besidePass = definePass({
  name: 'where walls stand that may be beside one',
  scope: 'thing',
  run: (cx, key): readonly string[] => {
    const own = cx.get(standsPass, key);
    const goesOn = cx.get(goesOnPass, key);
    return [...cx.get(togetherPass, partsOf(key)[0])].flatMap(([text, other]) =>
      goesOn || other.goesOn || shareStorey(own, other.stands) ? [text] : [],
    );
  },
});

/** Walls that stand in a storey of a wall and may lie within reach of a box, each once. */
export const sharingNear = (cx: Context, key: string, box: Box, byMm: number): ReadonlySet<Joining> =>
  nearOf(cx, cx.get(sharingPass, key), key, box, byMm);
/** Walls that may stand beside one at some height, in a box; each once. */
export const besideNear = (cx: Context, key: string, box: Box): ReadonlySet<Joining> =>
  nearOf(cx, cx.get(besidePass, key), key, box, 0);

function nearOf(cx: Context, texts: readonly string[], key: string, box: Box, byMm: number): ReadonlySet<Joining> {
  const [building] = partsOf(key);
  const found = new Set<Joining>();
  for (const text of texts)
    for (const square of cells(box, byMm))
      for (const join of cx.get(cellPass, keyOf(building, text, square))) found.add(join);
  return found;
}

/** Walls of a building that may lie within reach of a box, by id. */
export function wallsNear(cx: Context, building: Id, box: Box, byMm = 0): Id[] {
  const found = new Set<Id>();
  for (const text of cx.get(togetherPass, building).keys())
    for (const square of cells(box, byMm))
      for (const { id } of cx.get(cellPass, keyOf(building, text, square))) found.add(id);
  return [...found].sort();
}
