import { z } from 'zod';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../commands/length-input';
import { refSchema, thingReferred } from '../commands/refer';
import { lengthPlus, mmOf } from '../dimensions/resolve-length';
import { listInstead, listWith } from '../elements/listed-with';
import {
  cross,
  distance,
  lengthOf,
  lineCrossing,
  minus,
  quantised,
  times,
  turned,
  type Point,
} from '../geometry/point';
import { distanceToSegment } from '../geometry/polygon';
import { called, walkOfKind } from '../kinds/records';
import type { Edit } from '../model/edit';
import { recordsOf, type Framework } from '../model/framework';
import type { Outline } from '../outlines/outline';
import { resolvePlace } from '../outlines/resolve-place';
import { resolveOutline } from '../setting-out/resolve-outline';
import { formatMm } from '../units/format-length';
import { quantiseMm } from '../units/length-units';
import { openingsFollow } from './openings-follow';
import type { Wall, WallOpening } from './wall';
import { freeWallName } from './wall-input';
import { alongPath, pathLength, wallPath, type WallPath } from './wall-path';

/** Ends this near are one, mm. */
const TOGETHER_MM = 50;

const pathOf = (framework: Framework, wall: Wall): WallPath =>
  wallPath(framework, wall) ?? refuseNow(`Wall ${wall.name} has no length`);

/** Points in building axes as the corners of a wall, along the axes of its place. */
function typedFor(framework: Framework, { place }: Wall, points: readonly Point[]): Wall['points'] {
  const { at, turnDeg } = resolvePlace(framework, place);
  return points.map((point) => {
    const { x, y } = quantised(turned(minus(point, at), -turnDeg));
    return { xMm: x, yMm: y };
  });
}

const shiftedBy = (framework: Framework, opening: WallOpening, byMm: number): WallOpening => ({
  ...opening,
  alongMm: quantiseMm(mmOf(framework, opening.alongMm) + byMm),
});

/** What follows walls goes on following what they have become; it is refused where it could not find its way round any more. */
function refuseLost(edit: Edit, { name }: Wall): void {
  const isThere = (framework: Framework, outline: Outline) => resolveOutline(framework, outline) !== null;
  for (const record of edit.framework.records.values()) {
    const was = edit.before.records.get(record.id);
    if (!was) continue;
    const before = new Map<string, Outline>();
    const wallsOf = (mark: { is: string }, value: unknown): Outline | null => {
      const outline = value as Outline | null;
      return mark.is === 'outline' && outline?.type === 'walls' ? outline : null;
    };
    walkOfKind(record.kind)?.see(was, (mark, value, path) => {
      const outline = wallsOf(mark, value);
      if (outline) before.set(path, outline);
    });
    walkOfKind(record.kind)?.see(record, (mark, value, path) => {
      const [outline, own] = [wallsOf(mark, value), before.get(path)];
      if (!outline || !own || isThere(edit.framework, outline) || !isThere(edit.before, own)) return;
      refuseNow(`The outline of ${called(record)} follows wall ${name}. Give it another outline first`, ['wall']);
    });
  }
}

const split = defineCommand({
  name: 'walls.split',
  title: 'Split a wall in two at a place along its path; each keeps its own doors and windows',
  input: z.strictObject({
    wall: refSchema,
    /** From the start of the path. */
    alongMm: lengthInputSchema,
  }),
  plan: (edit, input) =>
    refusing(() => {
      const wall = thingReferred(edit.before, 'wall', input.wall);
      const path = pathOf(edit.before, wall);
      const long = pathLength(path);
      const at = new LengthReader(edit.before).read(input.alongMm, 'alongMm', { atLeastMm: 0, atMostMm: 1e6 }).mm;
      if (at < 1 || at > long - 1)
        refuseNow(`Wall ${wall.name} is ${formatMm(long)} long. Split it at a place between its ends`, ['alongMm']);
      const mm = (length: WallOpening['widthMm']) => mmOf(edit.before, length);
      const cut = wall.openings.find(({ alongMm, widthMm }) => mm(alongMm) < at && mm(alongMm) + mm(widthMm) > at);
      if (cut) refuseNow(`${cut.name} is there. Split the wall beside it`, ['alongMm']);
      const place = alongPath(path, at)!;
      const corners = [...path.points];
      const isAtCorner = distance(corners[place.part]!, place.at) < 1 ? place.part : null;
      const next = corners[(place.part + 1) % corners.length]!;
      const isAtNext = distance(next, place.at) < 1;
      const head = corners.slice(0, place.part + 1);
      const tail = corners.slice(place.part + 1);
      const first = isAtCorner === null ? [...head, isAtNext ? next : place.at] : head;
      const second = [isAtNext ? next : place.at, ...(isAtNext ? tail.slice(1) : tail)];
      const before = wall.openings.filter(({ alongMm, widthMm }) => mm(alongMm) + mm(widthMm) / 2 < at);
      const after = wall.openings.filter((opening) => !before.includes(opening));
      if (wall.closed) {
        // One wall still, that begins and ends where it is split.
        const round = [...second, ...first];
        edit.set('wall', wall.id, {
          closed: false,
          points: typedFor(edit.before, wall, round),
          openings: [
            ...after.map((opening) => shiftedBy(edit.before, opening, -at)),
            ...before.map((opening) => shiftedBy(edit.before, opening, long - at)),
          ],
        });
        refuseLost(edit, wall);
        return;
      }
      edit.set('wall', wall.id, { points: typedFor(edit.before, wall, first), openings: before });
      const made = edit.add<'wall'>({
        ...withoutId(wall),
        name: freeWallName(edit.before),
        points: typedFor(edit.before, wall, second),
        openings: after.map((opening) => shiftedBy(edit.before, opening, -at)),
      });
      listWith(edit, wall.id, made.id);
      refuseLost(edit, wall);
    }),
  sentence: (before, input) => `Wall ${thingReferred(before, 'wall', input.wall).name} split`,
});

function withoutId({ id: _, ...rest }: Wall): Omit<Wall, 'id'> {
  return rest;
}

/** A wall along its path the other way round: the same wall in place, its outside on the other hand of the path. */
function reversed(framework: Framework, wall: Wall, path: WallPath): { wall: Wall; points: Point[] } {
  const long = pathLength(path);
  const openings = wall.openings.map((opening) => ({
    ...opening,
    alongMm: quantiseMm(long - mmOf(framework, opening.alongMm) - mmOf(framework, opening.widthMm)),
  }));
  return {
    wall: { ...wall, outside: wall.outside === 'left' ? 'right' : 'left', openings },
    points: [...path.points].reverse(),
  };
}

/** What two walls must have in common to be one, with how it is called. */
const ALIKE: readonly (readonly [keyof Wall, string])[] = [
  ['building', 'building'],
  ['type', 'type'],
  ['use', 'use'],
  ['on', 'face on the path'],
  ['startsAt', 'base'],
  ['stopsAt', 'top'],
  ['passesClearMm', 'way past the slabs'],
  ['exceptions', 'differences by level'],
  ['sharedWith', 'other building'],
  ['sharedEnds', 'reach in the other building'],
];

const join = defineCommand({
  name: 'walls.join',
  title: 'Join two walls that meet at their ends into one',
  input: z.strictObject({ walls: z.tuple([refSchema, refSchema]) }),
  plan: (edit, input) =>
    refusing(() => {
      const [a, b] = input.walls.map((ref) => thingReferred(edit.before, 'wall', ref)) as [Wall, Wall];
      if (a.id === b.id || a.closed || b.closed) refuseNow('Choose two walls that do not go round', ['walls']);
      const other = ALIKE.find(([field]) => JSON.stringify(a[field]) !== JSON.stringify(b[field]));
      if (other)
        refuseNow(`Walls ${a.name} and ${b.name} have another ${other[1]}. Make that the same first`, ['walls']);
      const [p, q] = [pathOf(edit.before, a), pathOf(edit.before, b)];
      const meets = (from: Point, to: Point) => distance(from, to) <= TOGETHER_MM;
      const ends = ({ points }: WallPath) => [points[0]!, points.at(-1)!] as const;
      const [[a0, a1], [b0, b1]] = [ends(p), ends(q)];
      // In the order of the path: the one that ends where the other begins.
      const asIs = { a: { wall: a, points: [...p.points] }, b: { wall: b, points: [...q.points] } };
      const order = meets(a1, b0)
        ? [asIs.a, asIs.b]
        : meets(b1, a0)
          ? [asIs.b, asIs.a]
          : meets(a1, b1)
            ? [asIs.a, reversed(edit.before, b, q)]
            : meets(a0, b0)
              ? [reversed(edit.before, b, q), asIs.a]
              : refuseNow(`No end of wall ${a.name} is at an end of wall ${b.name}. Bring them to meet first`, [
                  'walls',
                ]);
      const [first, second] = order as [typeof asIs.a, typeof asIs.a];
      if (first.wall.outside !== second.wall.outside)
        refuseNow(
          `The outside of wall ${a.name} is on the other side than that of ${b.name}. Turn one inside out first`,
          ['walls'],
        );
      const long = pathLength({ points: first.points, closed: false });
      const points = straightened([...first.points, ...second.points.slice(1)], first.points.length - 1);
      edit.set('wall', a.id, {
        points: typedFor(edit.before, a, points),
        outside: first.wall.outside,
        openings: [
          ...first.wall.openings,
          ...second.wall.openings.map((opening) => shiftedBy(edit.before, opening, long)),
        ],
      });
      // A width held between the two is between nothing now.
      for (const { id, walls } of recordsOf(edit.before, 'clearWidth'))
        if (walls.includes(a.id) && walls.includes(b.id)) edit.remove(id);
      listInstead(edit, b.id, a.id);
      edit.remove(b.id);
      refuseLost(edit, a);
    }),
  sentence: (before, input) => {
    const [a, b] = input.walls.map((ref) => thingReferred(before, 'wall', ref));
    return `Walls ${a!.name} and ${b!.name} joined into one`;
  },
});

/** Without the corner at a place where the path runs straight on. */
function straightened(points: Point[], i: number): Point[] {
  const [before, at, after] = [points[i - 1], points[i], points[i + 1]];
  if (!before || !at || !after) return points;
  const isStraight = distanceToSegment(at, before, after) < 1e-3;
  return isStraight ? points.filter((_, k) => k !== i) : points;
}

const meet = defineCommand({
  name: 'walls.meet',
  title: 'Stretch or shorten the nearest ends of two walls until they meet, at a corner or at the other wall',
  input: z.strictObject({ walls: z.tuple([refSchema, refSchema]) }),
  plan: (edit, input) =>
    refusing(() => {
      const [a, b] = input.walls.map((ref) => thingReferred(edit.before, 'wall', ref)) as [Wall, Wall];
      if (a.id === b.id || a.building !== b.building) refuseNow('Choose two walls of one building', ['walls']);
      const [p, q] = [pathOf(edit.before, a), pathOf(edit.before, b)];
      if (p.closed && q.closed) refuseNow('Both walls go round: they have no ends to bring together', ['walls']);
      const best =
        meetings(p, q)[0] ?? refuseNow(`Walls ${a.name} and ${b.name} run alongside and never meet`, ['walls']);
      moveEnd(edit, a, p, best.ofA, best.at);
      moveEnd(edit, b, q, best.ofB, best.at);
    }),
  sentence: (before, input) => {
    const [a, b] = input.walls.map((ref) => thingReferred(before, 'wall', ref));
    return `Walls ${a!.name} and ${b!.name} brought to meet`;
  },
});

/** Where two paths could meet: which end of each goes there, null for one that is met between its ends; the least way first. */
function meetings(p: WallPath, q: WallPath): { at: Point; ofA: number | null; ofB: number | null; wayMm: number }[] {
  const [endsOfP, endsOfQ] = [p, q].map((path) => (path.closed ? [] : [0, path.points.length - 1])) as [
    number[],
    number[],
  ];
  const piece = ({ points }: WallPath, end: number): [Point, Point] => [points[end]!, points[end === 0 ? 1 : end - 1]!];
  const found: { at: Point; ofA: number | null; ofB: number | null; wayMm: number }[] = [];
  const offer = (at: Point | null, ofA: number | null, ofB: number | null) => {
    if (!at) return;
    const way = (path: WallPath, end: number | null) => (end === null ? 0 : distance(path.points[end]!, at));
    found.push({ at: quantised(at), ofA, ofB, wayMm: way(p, ofA) + way(q, ofB) });
  };
  const crossing = ([a, b]: readonly [Point, Point], [c, d]: readonly [Point, Point]): Point | null => {
    const [u, v] = [minus(b, a), minus(d, c)];
    const isAlong = Math.abs(cross(u, v)) <= 1e-9 * lengthOf(u) * lengthOf(v);
    // In one line they meet half way.
    if (!isAlong) return lineCrossing(a, u, c, v);
    const isOneLine = Math.abs(cross(minus(c, a), u)) <= 1e-3 * lengthOf(u);
    return isOneLine ? times({ x: a.x + c.x, y: a.y + c.y }, 0.5) : null;
  };
  const parts = ({ points, closed }: WallPath): [Point, Point][] =>
    points
      .slice(closed ? 0 : 1)
      .map((point, i) => (closed ? [point, points[(i + 1) % points.length]!] : [points[i]!, point]));
  for (const i of endsOfP) for (const j of endsOfQ) offer(crossing(piece(p, i), piece(q, j)), i, j);
  // An end that reaches the other wall between its ends: only it moves.
  const onto = (end: [Point, Point], path: WallPath) =>
    parts(path).flatMap((part) => {
      const at = crossing(end, part);
      return at && distanceToSegment(at, ...part) < 1 ? [at] : [];
    });
  for (const i of endsOfP) for (const at of onto(piece(p, i), q)) offer(at, i, null);
  for (const j of endsOfQ) for (const at of onto(piece(q, j), p)) offer(at, null, j);
  return found.sort((a, b) => a.wayMm - b.wayMm);
}

function moveEnd(edit: Edit, wall: Wall, path: WallPath, end: number | null, to: Point): void {
  if (end === null || distance(path.points[end]!, to) < 1e-6) return;
  // The corner as it is typed: a path may have corners in one place.
  const typed = end === 0 ? 0 : wall.points.length - 1;
  const { turnDeg } = resolvePlace(edit.before, wall.place);
  const by = quantised(turned(minus(to, path.points[end]!), -turnDeg));
  const after: Wall = {
    ...wall,
    points: wall.points.map((point, i) =>
      i === typed ? { xMm: lengthPlus(point.xMm, by.x), yMm: lengthPlus(point.yMm, by.y) } : point,
    ),
  };
  const beside = path.points[end === 0 ? 1 : end - 1]!;
  if (distance(beside, to) < 1) refuseNow(`With its end there wall ${wall.name} would have no length`);
  edit.replace(openingsFollow(edit.before, wall, after, (part) => part));
}

export const RESHAPE_COMMANDS = [split, join, meet] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof RESHAPE_COMMANDS> {}
}
