import type { Body } from '../bodies/body';
import { finding, type Finding, type Fix } from '../checks/finding';
import type { Profile } from '../geometry/boolean';
import { clippedTo } from '../geometry/convex-clip';
import { distance, dot, lengthOf, minus, plus, times, type Point } from '../geometry/point';
import { bounds, boxesMeet, type Box, counterClockwise, ringArea, ringPerimeter, type Ring } from '../geometry/polygon';
import type { Id } from '../model/ids';
import type { Remember } from '../passes/remembered';
import type { Slant } from '../slants/slant';
import type { FloorPiece } from '../solving/solved';
import { formatLength } from '../units/format-length';
import { quantiseMm } from '../units/length-units';
import type { TaperedTread } from './pieces';
import type { SolvedStair, StairStorey } from './solved-stair';
import { taperedUnderside } from './stair-bodies';
import { flat, leaning, leastOver, type Surface } from './surface';
import { slopeOf, undersideDropMm } from './underside';

/** What a slab and a ring share in plan, by the slab's profile. */
export type SharedPlan = (profileKey: string, ring: Ring) => Profile;

/** Parts that only touch in plan share less than this, mm². */
const TOUCH_MM2 = 10;
/** What is this thin or thinner is no slab but two edges along one another that roundings part, mm. */
const THIN_MM = 0.005;
/** A nosing is a line; it is looked at as a strip this wide, so that what only comes up to it is over it too, mm. */
const NOSING_MM = 1;
/** What comes up to a nosing only in its corner, over less of its length than this, is beside it, mm. */
const BESIDE_MM = 5;
/** What lies higher than this over a storey's foot is out of reach for its headroom. */
const REACH_MM = 12_000;

/**
 * The headroom of every storey of a stair: the least vertical distance from its pitch lines (the lines over the
 * nosings), its landing and the first nosing of each flight at a landing's edge, a riser over the landing, to the
 * undersides above: flights and landings of the storeys above, and slabs, also where they only come up to the nosing.
 */
export function withHeadroom(
  stair: SolvedStair,
  floors: readonly FloorPiece[],
  { bodies, roofs }: { bodies: readonly Body[]; roofs: readonly Slant[] },
  shared: SharedPlan,
  names: ReadonlyMap<Id, string>,
  remember: Remember,
): { stair: SolvedStair; findings: Finding[] } {
  const findings: Finding[] = [];
  const { headroomMm, headroomSource } = stair.measuredBy;
  const slabs = floors
    .map((floor): Overhead => ({ floor, underMm: floor.topMm - floor.thicknessMm, box: bounds(floor.outline) }))
    .sort((a, b) => a.underMm - b.underMm);
  const over = stair.storeys.map((storey) => undersides(stair, storey));
  const well = bounds(stair.ring);
  const zoned = new Set(floors.filter(({ zone }) => zone !== null).map(({ plate, level }) => `${plate} ${level}`));
  // Several storeys lie under one slab.
  const signs = new Map<FloorPiece, string>();
  const signOf = (floor: FloorPiece): string => {
    let sign = signs.get(floor);
    if (sign === undefined) {
      // Holes far from the well change nothing over it.
      const holes = [...floor.holes.map(({ ring }) => ring), ...floor.gaps];
      const near = holes.filter((ring) => overlap(bounds(ring), well));
      const isZoned = zoned.has(`${floor.plate} ${floor.level}`);
      signs.set(floor, (sign = isZoned ? floor.profile : [floor.outline, ...near].map(ringText).join('|')));
    }
    return sign;
  };
  const storeys = stair.storeys.map((storey, i): StairStorey => {
    if (!storey.steps) return storey;
    const bottomMm = storey.bottomMm;
    const topMm = bottomMm + storey.heightMm;
    const above: Surface[] = [];
    // What begins out of reach over this storey is over all that is nearer; a storey that is not climbed is air.
    for (let j = i + 1; j < over.length && !isOutOfReach(over[j]!, topMm); j += 1) above.push(...over[j]!);
    for (const { ring, bottomMm: underMm, name } of bodies)
      if (underMm > bottomMm + 1 && underMm < bottomMm + REACH_MM && boxesMeet(bounds(ring), well))
        above.push(flat(ring, underMm, name));
    for (const slant of roofs)
      if (slant.some((corner) => corner.bottomMm > bottomMm + 1) && boxesMeet(bounds(slant), well))
        above.push(leaning(slant, 'the roof'));
    const near = within(slabs, bottomMm + 1, bottomMm + REACH_MM);
    const given: HeadroomGiven = {
      lower: [...lowerSurfaces(storey), ...nosings(storey)].map((surface) => fromMm(surface, bottomMm)),
      above: above.map((surface) => fromMm(surface, bottomMm)),
      // A round stair comes to lie over itself.
      own: storey.flights.length > 0 ? [] : over[i]!.map((surface) => fromMm(surface, bottomMm)),
      slabs: near.map(({ floor, underMm, box }) => ({
        profile: floor.profile,
        outline: floor.outline,
        box,
        sign: signOf(floor),
        underMm: fine(underMm - bottomMm),
        cut: stair.cuts.find(({ plate, level }) => plate === floor.plate && level === floor.level)?.ring ?? null,
      })),
    };
    const least = remember(`headroom ${textOf(given)}`, () => leastHeadroom(given, shared));
    if (!least) return { ...storey, headroom: null };
    const slab = least.slab === null ? null : near[least.slab]!.floor;
    const under = slab ? `the slab of level ${names.get(slab.level) ?? ''}` : least.words;
    const done = {
      ...storey,
      headroom: { mm: least.mm, at: least.at, lowMm: quantiseMm(bottomMm + least.lowMm), under },
    };
    if (least.mm >= headroomMm - 1e-3) return done;
    findings.push(
      finding(
        'stair.headroom',
        stair.building,
        storey.level,
        [stair.stair],
        `Stair ${stair.name} from level ${names.get(storey.level) ?? ''} has ${formatLength(Math.floor(least.mm))} mm headroom under ${under}; its rule set asks for ${headroomMm} mm (${headroomSource}). Make the opening larger or the storey higher`,
        // A slab that only comes up to a nosing is open over the well already.
        [slab && !least.isAtNosing ? openOver(stair, slab, names) : raise(storey, headroomMm - least.mm)],
      ),
    );
    return done;
  });
  return { stair: { ...stair, storeys }, findings };
}

/** What the headroom of a storey is worked out from; heights from its foot. */
interface HeadroomGiven {
  lower: readonly (Surface & { line?: Line })[];
  above: readonly Surface[];
  /** Its own undersides, over what lies lower. */
  own: readonly Surface[];
  slabs: readonly { profile: string; sign: string; outline: Ring; box: Box; underMm: number; cut: Ring | null }[];
}

interface Least {
  mm: number;
  at: Point;
  /** What it is over, from the storey's foot. */
  lowMm: number;
  /** What it is under: a slab by its number, else in words. */
  slab: number | null;
  words: string;
  isAtNosing: boolean;
}

/** Heights to a millionth of a millimetre: what is worked out from them is the same wherever the storey stands. */
const fine = (mm: number): number => Math.round(mm * 1e6) / 1e6;
const fromMm = <S extends Surface>(surface: S, zeroMm: number): S => ({ ...surface, mm: fine(surface.mm - zeroMm) });

const texts = new WeakMap<Ring, string>();
/** A ring as a text; one that stays the same object is written once. */
function ringText(ring: Ring): string {
  let text = texts.get(ring);
  if (text === undefined) texts.set(ring, (text = ring.map(({ x, y }) => `${x} ${y}`).join()));
  return text;
}

function textOf({ lower, above, own, slabs }: HeadroomGiven): string {
  const surfaceText = ({ ring, at, mm, slope, fan, words }: Surface) =>
    `${ringText(ring)} ${at.x} ${at.y} ${mm} ${slope.x} ${slope.y} ${words} ${fan ? `${ringText([fan.about, fan.from, fan.to])} ${fan.byMm}` : ''}`;
  return [
    lower.map(surfaceText).join('|'),
    above.map(surfaceText).join('|'),
    own.map(surfaceText).join('|'),
    slabs.map(({ sign, underMm, cut }) => `${sign} ${underMm} ${cut ? ringText(cut) : ''}`).join('|'),
  ].join('#');
}

function leastHeadroom({ lower, above, own, slabs }: HeadroomGiven, shared: SharedPlan): Least | null {
  let least: Least | null = null;
  const take = (
    found: { mm: number; at: Point; lowMm: number } | null,
    by: Pick<Least, 'slab' | 'words' | 'isAtNosing'>,
  ) => {
    if (found && (!least || found.mm < least.mm))
      least = { mm: quantiseMm(found.mm), at: found.at, lowMm: quantiseMm(found.lowMm), ...by };
  };
  for (const from of lower) {
    const isAtNosing = from.line !== undefined;
    const beside = isAtNosing ? NOSING_MM * BESIDE_MM : TOUCH_MM2;
    const onto = from.line ? ontoLine(from.line) : (corners: readonly Point[]) => corners;
    for (const to of [...above, ...own.filter(({ mm }) => mm > from.mm)]) {
      const corners = clippedTo(from.ring, to.ring);
      if (corners.length > 2 && Math.abs(ringArea(corners)) > beside)
        take(leastOver(onto(corners), from, to), { slab: null, words: to.words, isAtNosing });
    }
    const box = bounds(from.ring);
    slabs.forEach(({ profile, outline, box: around, underMm, cut }, slab) => {
      if (!overlap(box, around)) return;
      const corners = overSlab(profile, cut, from.ring, beside, shared);
      take(leastOver(onto(corners), from, flat(outline, underMm, '')), { slab, words: '', isAtNosing });
    });
  }
  return least;
}

/** A slab with its underside and the box around it. */
interface Overhead {
  floor: FloorPiece;
  underMm: number;
  box: Box;
}

/** Those whose underside lies between two heights; they come from the lowest up. */
function within(slabs: readonly Overhead[], fromMm: number, toMm: number): Overhead[] {
  const first = slabs.findIndex(({ underMm }) => underMm >= fromMm);
  const end = slabs.findIndex(({ underMm }) => underMm > toMm);
  return first < 0 ? [] : slabs.slice(first, end < 0 ? slabs.length : end);
}

const isOutOfReach = (surfaces: readonly Surface[], topMm: number): boolean =>
  surfaces.length > 0 && Math.min(...surfaces.map(({ mm }) => mm)) > topMm + REACH_MM;

const overlap = (p: Box, q: Box): boolean => p.minX < q.maxX && q.minX < p.maxX && p.minY < q.maxY && q.minY < p.maxY;

/** A slab over a stair opened over its well, besides the voids it has. */
function openOver(stair: SolvedStair, floor: FloorPiece, names: ReadonlyMap<Id, string>): Fix {
  const rings = [...floor.holes.filter(({ by }) => by === null).map(({ ring }) => ring), stair.ring];
  const voids = rings.map((ring) => ({
    type: 'polygon' as const,
    place: { lines: null, xMm: 0, yMm: 0 },
    points: ring.map(({ x, y }) => ({ xMm: x, yMm: y })),
  }));
  return {
    words: `Open the slab of level ${names.get(floor.level) ?? ''} over the stair`,
    command: 'floors.except',
    input: { floor: floor.plate, level: floor.level, voids },
  };
}

/** The storey made so much higher. */
const raise = ({ level, heightMm }: StairStorey, byMm: number): Fix => ({
  words: `Make the storey ${formatLength(Math.ceil(byMm))} mm higher`,
  command: 'levels.setHeight',
  input: { level, heightMm: Math.ceil(heightMm + byMm), mode: 'push' },
});

/** Corners of what a slab covers of a ring; none where the stair's own hole takes it all. */
function overSlab(profile: string, cut: Ring | null, ring: Ring, besideMm2: number, shared: SharedPlan) {
  if (cut?.length === 4 && Math.abs(ringArea(clippedTo(cut, ring)) - ringArea(ring)) < besideMm2) return [];
  // Each piece by itself: a sliver along an edge is not over it, however much another piece is.
  return shared(profile, ring)
    .regions.filter(({ outer }) => Math.abs(ringArea(outer)) >= Math.max(besideMm2, THIN_MM * ringPerimeter(outer)))
    .flatMap(({ outer, holes }) => [...withoutSpikes(outer), ...holes.flat()]);
}

/** Without corners that stick out along an edge and have no area to speak of. */
function withoutSpikes(ring: Ring): Ring {
  const at = ring.findIndex((point, i) => {
    const [before, after] = [ring[(i + ring.length - 1) % ring.length]!, ring[(i + 1) % ring.length]!];
    const sides = distance(before, point) + distance(point, after);
    return Math.abs(ringArea([before, point, after])) < THIN_MM * sides;
  });
  return at < 0 ? ring : withoutSpikes(ring.filter((_, i) => i !== at));
}

function lowerSurfaces({ flights, tapered, landings }: StairStorey): Surface[] {
  return [
    ...flights.flatMap((flight): Surface[] =>
      flight.ring
        ? [
            {
              ring: flight.ring,
              at: flight.from,
              mm: flight.bottomMm + flight.riserMm,
              slope: times(flight.along, slopeOf(flight)),
              words: 'a flight',
            },
          ]
        : [],
    ),
    ...tapered.map(pitchOver),
    ...landings.flatMap(({ parts, topMm }) => parts.map((ring) => flat(ring, topMm, 'the landing'))),
  ];
}

/** A line in plan that a nosing lies on: the strip it is looked at as is told by its middle. */
interface Line {
  at: Point;
  /** Square to the nosing. */
  along: Point;
}

const ontoLine =
  ({ at, along }: Line) =>
  (corners: readonly Point[]): Point[] =>
    corners.map((corner) => minus(corner, times(along, dot(minus(corner, at), along))));

/** The first nosing of each flight and of each turn of tapered treads: at the edge of the floor or landing it leaves, a riser over that. */
const nosings = ({ flights, tapered, bottomMm: footMm, heightMm }: StairStorey): (Surface & { line: Line })[] =>
  [
    ...flights.map(({ from, along, widthMm, bottomMm, riserMm }) => {
      const across = times({ x: -along.y, y: along.x }, widthMm / 2);
      return nosingAt([minus(from, across), plus(from, across)], along, bottomMm + riserMm);
    }),
    ...tapered
      .filter(({ nosing }, i) => !isSameLine(tapered[i - 1]?.next, nosing))
      .map(({ nosing, topMm }) => {
        const across = minus(nosing[1], nosing[0]);
        return nosingAt(nosing, times({ x: -across.y, y: across.x }, 1 / lengthOf(across)), topMm);
      }),
  ]
    // The last riser of all is climbed onto the floor, which is over none of it.
    .filter(({ mm }) => mm < footMm + heightMm - 1);

/** The strip a nosing is looked at as; `along` is square to it. */
function nosingAt([a, b]: readonly [Point, Point], along: Point, mm: number): Surface & { line: Line } {
  const half = times(along, NOSING_MM / 2);
  const ring = counterClockwise([minus(b, half), minus(a, half), plus(a, half), plus(b, half)]);
  return { ...flat(ring, mm, 'a nosing'), line: { at: times(plus(a, b), 0.5), along } };
}

const isSameLine = (a: readonly [Point, Point] | undefined, b: readonly [Point, Point]): boolean =>
  a !== undefined && a.every((point, i) => distance(point, b[i]!) < NOSING_MM);

/** The pitch over a tapered tread: from its nosing round to the next, a riser higher. */
const pitchOver = ({ ring, about, nosing, next, topMm, riserMm }: TaperedTread): Surface => ({
  ...flat(ring, topMm, 'the tapered treads'),
  fan: { about, from: nosing[1], to: next[1], byMm: riserMm },
});

function undersides(stair: SolvedStair, { flights, tapered, landings }: StairStorey): Surface[] {
  return [
    ...flights.flatMap((flight): Surface[] =>
      flight.ring
        ? [
            {
              ring: flight.ring,
              at: flight.from,
              mm: flight.bottomMm - undersideDropMm(stair, flight),
              slope: times(flight.along, slopeOf(flight)),
              words: 'the flight above',
            },
          ]
        : [],
    ),
    ...tapered.map((tread) => flat(tread.ring, taperedUnderside(stair, tread), 'the treads above')),
    ...landings.flatMap(({ parts, topMm }) =>
      parts.map((ring) => flat(ring, topMm - stair.finishMm - stair.landingMm, 'the landing above')),
    ),
  ];
}
