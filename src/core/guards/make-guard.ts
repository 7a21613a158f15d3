import { cross, distance, dot, minus, plus, times, type Point } from '../geometry/point';
import { directionDeg } from '../geometry/trig';
import { barSlant, levelSlant, type Slant } from '../slants/slant';
import type { FootPlace } from './side-path';

/** One run of a guard: where its foot goes, and how high. */
export interface GuardRun {
  level: string;
  places: FootPlace[];
  isClosed: boolean;
}

/** Sizes of a guard, millimetres. */
export interface GuardSizes {
  is: 'guard' | 'handrail';
  heightMm: number;
  postSpacingMm: number;
  infill: 'bars' | 'panel' | 'rails' | 'none';
  gapMm: number;
  hasTopRail: boolean;
  midRails: number;
  extensionMm: number;
  endPosts: { start: boolean; end: boolean };
}

export interface Post extends Point {
  /** Its foot, and its top. */
  footMm: number;
  topMm: number;
}

export interface MadeRun {
  posts: Post[];
  rails: Slant[];
  infill: Slant[];
  lengthMm: number;
}

export const POST_MM = 40;
const RAIL_WIDE_MM = 50;
const RAIL_DEEP_MM = 40;
const INFILL_MM = 12;
/** Infill ends so far under the top rail, and begins so far over the foot. */
const UNDER_RAIL_MM = 40;
const OVER_FOOT_MM = 80;

/** A run with what is left out of it by two distances: in pieces. */
export function withoutGates(run: GuardRun, gates: readonly { fromMm: number; toMm: number }[]): GuardRun[] {
  if (gates.length === 0) return [run];
  const closed = run.isClosed ? [...run.places, run.places[0]!] : run.places;
  const total = lengthsOf(closed).at(-1)!;
  const left = [...gates]
    .map(({ fromMm, toMm }) => [Math.min(fromMm, toMm), Math.max(fromMm, toMm)] as const)
    .sort((a, b) => a[0] - b[0]);
  const kept: [number, number][] = [];
  let at = 0;
  for (const [from, to] of left) {
    if (from > at) kept.push([at, Math.min(from, total)]);
    at = Math.max(at, to);
  }
  if (at < total) kept.push([at, total]);
  return kept
    .filter(([from, to]) => to - from > 1)
    .map(([from, to]) => ({ ...run, isClosed: false, places: stretchOf(closed, from, to) }));
}

const lengthsOf = (places: readonly FootPlace[]): number[] => {
  let sum = 0;
  return places.map((place, i) => (sum += i === 0 ? 0 : distance(places[i - 1]!, place)));
};

/** The place of a way at a distance along it; `at`: how far each of its places is. */
function placeOn(places: readonly FootPlace[], at: readonly number[], mm: number): FootPlace {
  const found = at.findIndex((each) => each >= mm - 1e-9);
  const i = Math.min(Math.max(1, found), places.length - 1);
  const [a, b] = [places[i - 1]!, places[i]!];
  const t = at[i]! - at[i - 1]! < 1e-9 ? 0 : (mm - at[i - 1]!) / (at[i]! - at[i - 1]!);
  return { ...plus(a, times(minus(b, a), t)), mm: a.mm + (b.mm - a.mm) * t };
}

/** The places of a way between two distances along it. */
function stretchOf(places: readonly FootPlace[], from: number, to: number): FootPlace[] {
  const at = lengthsOf(places);
  const between = places.filter((_, i) => at[i]! > from + 1e-6 && at[i]! < to - 1e-6);
  return [placeOn(places, at, from), ...between, placeOn(places, at, to)];
}

/** Posts at ends and corners and no further apart than asked, rails and infill along a run. */
export function makeRun(run: GuardRun, sizes: GuardSizes): MadeRun {
  const places = run.isClosed ? [...run.places, run.places[0]!] : extended(run.places, sizes);
  const posts: Post[] = [];
  const rails: Slant[] = [];
  const infill: Slant[] = [];
  const { heightMm, midRails } = sizes;
  const post = (place: FootPlace) =>
    posts.push({
      x: place.x,
      y: place.y,
      footMm: place.mm,
      topMm: place.mm + heightMm - (sizes.hasTopRail ? RAIL_DEEP_MM : 0),
    });
  let lengthMm = 0;
  for (let i = 1; i < places.length; i += 1) {
    const [a, b] = [places[i - 1]!, places[i]!];
    const plan = distance(a, b);
    if (plan < 1) continue;
    lengthMm += Math.sqrt(plan * plan + (b.mm - a.mm) * (b.mm - a.mm));
    const over = (place: FootPlace, mm: number) => ({ ...place, mm: place.mm + mm });
    const bar = (mm: number, wide: number, deep: number) => barSlant(over(a, mm), over(b, mm), wide, deep);
    if (sizes.hasTopRail || sizes.is === 'handrail') rails.push(...given(bar(heightMm, RAIL_WIDE_MM, RAIL_DEEP_MM)));
    for (let k = 1; k <= midRails; k += 1)
      rails.push(...given(bar((heightMm * k) / (midRails + 1), INFILL_MM * 2, INFILL_MM * 2)));
    if (sizes.is === 'guard' && (sizes.infill === 'bars' || sizes.infill === 'panel'))
      infill.push(...given(bar(heightMm - UNDER_RAIL_MM, INFILL_MM, heightMm - UNDER_RAIL_MM - OVER_FOOT_MM)));
  }
  postsAlong(places, run.isClosed, sizes).forEach(post);
  return { posts, rails, infill, lengthMm };
}

/** A way turns a corner where it turns by more than this, degrees: a curve drawn by chords has none. */
const CORNER_DEG = 20;

/** Where posts stand: at its ends, at its corners, and evenly between them, no further apart than asked. */
function postsAlong(
  places: readonly FootPlace[],
  isClosed: boolean,
  { postSpacingMm, endPosts }: GuardSizes,
): FootPlace[] {
  const apart = places.filter((place, i) => i === 0 || distance(place, places[i - 1]!) > 1);
  if (apart.length < 2) return [];
  const at = lengthsOf(apart);
  const isCorner = (i: number): boolean => {
    if (i === 0 || i === apart.length - 1) return true;
    const [u, v] = [minus(apart[i]!, apart[i - 1]!), minus(apart[i + 1]!, apart[i]!)];
    return Math.abs(directionDeg(cross(u, v), dot(u, v))) > CORNER_DEG;
  };
  const corners = apart.map((_, i) => i).filter(isCorner);
  const stops = corners.slice(1).flatMap((to, k) => {
    const [start, end] = [at[corners[k]!]!, at[to]!];
    const fields = Math.max(1, Math.ceil((end - start) / postSpacingMm - 1e-9));
    return Array.from({ length: fields }, (_, n) => start + ((end - start) * (n + 1)) / fields);
  });
  const all = [...(isClosed || endPosts.start ? [0] : []), ...stops];
  if (isClosed || !endPosts.end) all.pop();
  return all.map((mm) => placeOn(apart, at, mm));
}

const given = (slant: Slant | null): Slant[] => (slant ? [slant] : []);

/** Level past its first and last place. */
function extended(places: readonly FootPlace[], { extensionMm }: GuardSizes): FootPlace[] {
  if (extensionMm < 1 || places.length < 2) return [...places];
  const beyond = (end: FootPlace, from: FootPlace): FootPlace => {
    const length = distance(end, from);
    return { ...plus(end, times(minus(end, from), extensionMm / length)), mm: end.mm };
  };
  return [beyond(places[0]!, places[1]!), ...places, beyond(places.at(-1)!, places.at(-2)!)];
}

export const postSlant = ({ x, y, footMm, topMm }: Post): Slant => {
  const half = POST_MM / 2;
  return levelSlant(
    [
      { x: x - half, y: y - half },
      { x: x + half, y: y - half },
      { x: x + half, y: y + half },
      { x: x - half, y: y + half },
    ],
    footMm,
    topMm,
  );
};

/** Two posts this near to one another, at about one height, are one, mm. */
const ONE_POST_MM = POST_MM * 1.5;
const ONE_HEIGHT_MM = 600;

/** Posts of which none stands where one stands already: those taken before are kept in `standing`. */
export function notDoubled(posts: readonly Post[], standing: Post[]): Post[] {
  return posts.filter((post) => {
    const isThere = standing.some(
      (each) => distance(each, post) < ONE_POST_MM && Math.abs(each.footMm - post.footMm) < ONE_HEIGHT_MM,
    );
    if (!isThere) standing.push(post);
    return !isThere;
  });
}
