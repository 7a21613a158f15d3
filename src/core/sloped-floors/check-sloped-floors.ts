import { finding, fixBy, type Finding } from '../checks/finding';
import type { Plate } from '../floors/plates';
import { dot, minus, plus, times, type Point } from '../geometry/point';
import { contains, distanceToSegment, type Ring } from '../geometry/polygon';
import { cosDeg, sinDeg } from '../geometry/trig';
import { slopeWords } from '../ramps/slope-words';
import type { Assembly } from '../slants/assembly';
import { formatLength } from '../units/format-length';
import { gradientOf } from './faces';
import { CROSSFALL, STEEP, STEP } from './sloped-floor-rules';
import type { SlopedFloor } from './sloped-floor';

/** A corner this near to a floor's edge is meant to meet it, mm. */
const NEAR_MM = 300;
/** Steps and gaps less than this are none, mm. */
const NONE_MM = 3;

/** A floor at the level a sloped one starts at, with the height of its finish. */
export interface FloorBeside {
  plate: Plate;
  ring: Ring;
  fflMm: number;
}

/** What is wrong with a sloped floor. */
export function checkSlopedFloor(
  floor: SlopedFloor,
  { info }: Assembly<'slopedFloor'>,
  beside: readonly FloorBeside[],
): Finding[] {
  const report = (rule: typeof STEEP, words: string, fixes: Finding['fixes']) =>
    finding(rule, floor.building, floor.baseAt.level, [floor.id], words, fixes);
  const found: Finding[] = [];
  const fall = info.faces
    .filter(({ slopeRatio }) => slopeRatio !== null)
    .sort((a, b) => a.slopeRatio! - b.slopeRatio!)[0];
  const steep = floor.alongDeg === null ? info.steepest : info.along;
  if (steep !== null && steep < info.limit - 1e-6 && fall) {
    const way = floor.alongDeg ?? fall.fallDeg!;
    const along = wayFalling(fall, way);
    found.push(
      report(
        STEEP,
        `Sloped floor ${floor.name} is ${slopeWords(steep)} at its steepest; its rule set asks for ${slopeWords(info.limit)} or less steep (${info.limitSource}). Make it longer, or its corners less different`,
        [
          fixBy('Make it longer the way it falls, as little as will do', 'slopedFloors.comply', {
            slopedFloor: floor.id,
            towardsDeg: along,
          }),
        ],
      ),
    );
  }
  if (info.across !== null && info.across < info.crossfall - 1e-6)
    found.push(
      report(
        CROSSFALL,
        `Sloped floor ${floor.name} falls ${slopeWords(info.across)} across the way one goes; its rule set asks for ${slopeWords(info.crossfall)} or less steep (${info.crossfallSource}). Make it wider, or its sides less different`,
        [
          fixBy('Make it wider, as little as will do', 'slopedFloors.comply', {
            slopedFloor: floor.id,
            towardsDeg: (floor.alongDeg! + 90) % 360,
          }),
        ],
      ),
    );
  return [...found, ...stepsAndGaps(floor, info.corners, beside, report)];
}

/** The direction given, or against it: the one in which a face falls. */
function wayFalling(face: { points: readonly (Point & { z: number })[] }, deg: number): number {
  const rise = gradientOf(face.points as never);
  const way = { x: cosDeg(deg), y: sinDeg(deg) };
  const turned = dot(rise, way) > 0 ? deg + 180 : deg;
  return Math.round((((turned % 360) + 360) % 360) * 1e6) / 1e6;
}

function stepsAndGaps(
  floor: SlopedFloor,
  corners: Assembly<'slopedFloor'>['info']['corners'],
  beside: readonly FloorBeside[],
  report: (rule: typeof STEP, words: string, fixes: Finding['fixes']) => Finding,
): Finding[] {
  return corners.flatMap((corner, i) => {
    const near = beside
      .map((each) => ({ each, at: nearestOn(each.ring, corner) }))
      .map(({ each, at }) => ({ each, at, mm: Math.sqrt(dot(minus(at, corner), minus(at, corner))) }))
      .filter(({ mm }) => mm <= NEAR_MM)
      .sort((a, b) => a.mm - b.mm)[0];
    if (!near) return [];
    const stepMm = corner.z - near.each.fflMm;
    const isOn = contains(near.each.ring, corner);
    const gapMm = isOn ? 0 : near.mm;
    // A corner that is well over or under a floor beside it is not meant to meet it.
    if (Math.abs(stepMm) > NEAR_MM || (Math.abs(stepMm) < NONE_MM && gapMm < NONE_MM)) return [];
    const name = near.each.plate.record.name;
    const isStep = Math.abs(stepMm) >= NONE_MM;
    const words = isStep
      ? `Corner ${i + 1} of sloped floor ${floor.name} lies ${formatLength(Math.round(Math.abs(stepMm)))} mm ${stepMm > 0 ? 'over' : 'under'} floor ${name}: a step. Bring it to the floor's height`
      : `Corner ${i + 1} of sloped floor ${floor.name} stops ${formatLength(Math.round(gapMm))} mm short of floor ${name}. Bring it up to it`;
    const fix = fixBy(
      isStep ? 'Bring the corner to the height of the floor' : 'Bring the corner to the floor',
      'slopedFloors.setCorner',
      {
        slopedFloor: floor.id,
        corner: i,
        ...(isStep ? { byMm: -stepMm } : { moveMm: { x: near.at.x - corner.x, y: near.at.y - corner.y } }),
      },
    );
    const one = report(STEP, words, [fix]);
    return [{ ...one, key: `${one.key} ${i}` }];
  });
}

/** The place of a ring's edges nearest to a point. */
function nearestOn(ring: Ring, point: Point): Point {
  let best = ring[0]!;
  let least = Infinity;
  ring.forEach((a, i) => {
    const b = ring[(i + 1) % ring.length]!;
    const mm = distanceToSegment(point, a, b);
    if (mm >= least) return;
    least = mm;
    const way = minus(b, a);
    const t = Math.min(1, Math.max(0, dot(minus(point, a), way) / dot(way, way)));
    best = plus(a, times(way, t));
  });
  return best;
}
