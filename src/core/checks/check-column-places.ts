import { sectionHull } from '../columns/section-shape';
import { soffitMm, type PlateSet } from '../floors/plates';
import { mmOf } from '../dimensions/resolve-length';
import { sharedArea } from '../geometry/convex-clip';
import { lengthOf, turned } from '../geometry/point';
import { bounds, type Ring } from '../geometry/polygon';
import type { ResolvedLevel } from '../levels/resolve-levels';
import { recordOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { resolvePlace } from '../outlines/resolve-place';
import type { PlanFacts } from '../solving/plan-facts';
import type { ColumnPiece } from '../solving/solved';
import type { SolvedStair } from '../stairs/solved-stair';
import { formatLength } from '../units/format-length';
import type { WallPiece } from '../walls/solved-wall';
import { finding, type Finding } from './finding';
import { leastMove, moveFix } from './least-move';

const TOUCH_MM2 = 10;
/** A column this little off its crossing is hardly meant to be, mm. */
const HARDLY_MM = 50;

interface Given {
  framework: Framework;
  storeys: readonly ResolvedLevel[];
  plates: PlateSet;
  stairs: readonly SolvedStair[];
  walls: readonly WallPiece[];
  facts: PlanFacts;
}

/** What stands in a column's way in a storey, with its ring. */
interface Obstacle {
  rule: 'column.insideStair' | 'column.inOpening';
  id: Id;
  ring: Ring;
  words: string;
  box: ReturnType<typeof bounds>;
}

/** Columns in stairs, in doors and windows and over voids, on nothing, short of the slab, and hardly off their crossings. */
export function checkColumnPlaces(stacks: readonly (readonly ColumnPiece[])[], given: Given): Finding[] {
  const { stairs, walls, storeys, facts } = given;
  const names = new Map(storeys.map(({ id, record }) => [id, record.name]));
  const obstacles = new Map<Id, Obstacle[]>();
  const note = (level: Id, one: Omit<Obstacle, 'box'>) =>
    obstacles.set(level, [...(obstacles.get(level) ?? []), { ...one, box: bounds(one.ring) }]);
  for (const { stair, name, ring, storeys: climbed } of stairs)
    for (const { level } of climbed)
      note(level, { rule: 'column.insideStair', id: stair, ring, words: `stair ${name}` });
  for (const { wall, openings } of walls)
    for (const { level, ring, opening, name } of openings)
      note(level, {
        rule: 'column.inOpening',
        id: wall,
        ring,
        words: `${opening === 'plain' ? 'opening' : opening} ${name}`,
      });
  // Pieces that stand alike share their place, so their ring is made once.
  const rings = new Map<ColumnPiece['at'], { of: ColumnPiece; ring: Ring }>();
  const ringOf = (piece: ColumnPiece): Ring => {
    const known = rings.get(piece.at);
    if (known && known.of.section === piece.section && known.of.turnDeg === piece.turnDeg) return known.ring;
    const ring = facts.one(sectionHull(piece.section, piece.at, piece.turnDeg));
    rings.set(piece.at, { of: piece, ring });
    return ring;
  };
  const mayMove = (stack: Id) => recordOf(given.framework, 'columnStack', stack)?.holds.length === 0;
  const pieces = stacks.flat();
  const mayStandIn = obstacles.size > 0 || given.plates.all.some(({ voids }) => voids.length > 0);
  const found = (mayStandIn ? pieces : []).flatMap((piece): Finding[] => {
    const here = obstacles.get(piece.level);
    const hasVoids = given.plates.at(piece.level).some(({ voids }) => voids.length > 0);
    if (!here && !hasVoids) return [];
    const ring = ringOf(piece);
    const own = bounds(ring);
    const level = names.get(piece.level) ?? '';
    const inTheWay = (here ?? []).filter(
      ({ box, ring: other }) =>
        own.minX < box.maxX &&
        box.minX < own.maxX &&
        own.minY < box.maxY &&
        box.minY < own.maxY &&
        facts.shared(ring, facts.one(other), () => sharedArea(ring, other)) > TOUCH_MM2,
    );
    return [
      ...inTheWay.map((each) =>
        finding(
          each.rule,
          piece.building,
          piece.level,
          [piece.stack, each.id],
          `Column ${piece.mark} stands in ${each.words} at level ${level}. Move one of them`,
          mayMove(piece.stack) ? moveFix(piece.stack, `column ${piece.mark}`, leastMove(ring, each.ring)) : [],
        ),
      ),
      ...overVoids(piece, ring, given, level),
    ];
  });
  return [
    ...found,
    ...stacks.flatMap((own) => [
      ...feet(own, ringOf, pieces, given),
      ...tops(own, ringOf, given),
      ...offCrossing(own, given),
    ]),
  ];
}

/** A column that stands where its slab has a void. */
function overVoids(piece: ColumnPiece, ring: Ring, { plates, facts }: Given, level: string): Finding[] {
  return plates.at(piece.level).flatMap(({ record, voids }) =>
    voids
      .filter((hole) => facts.shared(ring, hole, () => sharedArea(ring, hole)) > TOUCH_MM2)
      .slice(0, 1)
      .map(() =>
        finding(
          'column.overVoid',
          piece.building,
          piece.level,
          [piece.stack, record.id],
          `Column ${piece.mark} stands in a void of ${record.name} at level ${level}. Leave it out there, or close the void`,
          [
            {
              words: `Leave column ${piece.mark} out at level ${level}`,
              command: 'columns.except',
              input: { columns: [piece.stack], level: piece.level, leftOut: true },
            },
          ],
        ),
      ),
  );
}

/** A stack that begins above the lowest level with neither a slab nor a column under its foot. */
function feet(
  pieces: readonly ColumnPiece[],
  ringOf: (piece: ColumnPiece) => Ring,
  all: readonly ColumnPiece[],
  { storeys, plates, facts }: Given,
): Finding[] {
  const foot = pieces[0]!;
  const rank = storeys.findIndex(({ id }) => id === foot.level);
  const level = storeys[rank];
  if (!level || rank === 0 || foot.bottomMm > level.sslMm + 1) return [];
  const ring = ringOf(foot);
  const onSlab = plates.at(level.id).some((plate) => plate.ring && facts.meet(ring, plate.ring));
  const onColumn = all.some(
    (piece) =>
      piece.stack !== foot.stack && Math.abs(piece.topMm - foot.bottomMm) < 1000 && facts.meet(ring, ringOf(piece)),
  );
  if (onSlab || onColumn) return [];
  const under = storeys
    .slice(0, rank)
    .reverse()
    .find(
      (each, i, list) =>
        i === list.length - 1 || plates.at(each.id).some((plate) => plate.ring && facts.meet(ring, plate.ring)),
    );
  return [
    finding(
      'column.standsOnNothing',
      foot.building,
      level.id,
      [foot.stack],
      `Column ${foot.mark} stands on nothing at level ${level.record.name}: no slab and no column is under it. Carry it down, or bring a slab under it`,
      under
        ? [
            {
              words: `Carry column ${foot.mark} down to level ${under.record.name}`,
              command: 'carry.to',
              input: { ids: [foot.stack], lowest: under.id },
            },
          ]
        : [],
    ),
  ];
}

/** A stack held to a level whose slab it does not reach. */
function tops(pieces: readonly ColumnPiece[], ringOf: (piece: ColumnPiece) => Ring, given: Given): Finding[] {
  const { storeys, plates, facts, framework } = given;
  const top = pieces.at(-1)!;
  const above = storeys[storeys.findIndex(({ id }) => id === top.level) + 1];
  const stack = recordOf(framework, 'columnStack', top.stack);
  if (!above || stack?.stopsAt.level !== above.id) return [];
  const ring = ringOf(top);
  const over = plates.at(above.id).filter((plate) => plate.ring && facts.standing(ring, top.at, plate.ring).isOn);
  if (over.length === 0) return [];
  const off = soffitMm(above, plates, (plate) => over.includes(plate), { rings: [ring], facts }) - top.topMm;
  if (off < 1) return [];
  return [
    finding(
      'column.stopsShort',
      top.building,
      top.level,
      [top.stack],
      `Column ${top.mark} stops ${formatLength(off)} mm short of the slab of level ${above.record.name}. Bring it up to the soffit`,
      [
        {
          words: 'Bring it up to the soffit',
          command: 'columns.change',
          input: { column: top.stack, stopsAt: { level: above.id, face: 'soffit', offsetMm: 0 } },
        },
      ],
    ),
  ];
}

/** A stack placed a hair beside its crossing. */
function offCrossing(pieces: readonly ColumnPiece[], { framework }: Given): Finding[] {
  const { stack: id, building, mark } = pieces[0]!;
  const stack = recordOf(framework, 'columnStack', id);
  if (!stack?.place.lines || stack.holds.length > 0) return [];
  const shift = { x: mmOf(framework, stack.place.xMm), y: mmOf(framework, stack.place.yMm) };
  const off = lengthOf(shift);
  if (off < 0.01 || off >= HARDLY_MM) return [];
  const by = turned({ x: -shift.x, y: -shift.y }, resolvePlace(framework, stack.place).turnDeg);
  return [
    finding(
      'column.offCrossing',
      building,
      null,
      [id],
      `Column ${mark} stands ${formatLength(Math.round(off * 10) / 10)} mm off its crossing. Put it on it, or hold it to a line`,
      [{ words: 'Put it on its crossing', command: 'elements.move', input: { ids: [id], xMm: by.x, yMm: by.y } }],
    ),
  ];
}
