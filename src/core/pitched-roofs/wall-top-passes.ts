import { walls } from '../ceilings/ceiling-passes';
import { floorsPass } from '../floors/cut-floor-passes';
import { floorUnder } from '../floors/plates';
import { platesPass } from '../floors/floor-passes';
import { mmOf } from '../dimensions/resolve-length';
import { less } from '../geometry/convex-clip';
import { bounds, boxesMeet, type Ring } from '../geometry/polygon';
import type { Finding } from '../checks/finding';
import { recordsOf } from '../model/framework';
import type { Id } from '../model/ids';
import { definePass, keyOf, partsOf } from '../passes/pass';
import { assembliesOf, type Assembly } from '../slants/assembly';
import { reachOfSlants, ringAbout, volumeOfSlant } from '../slants/slant';
import { ownRecords, storeysOf } from '../solving/building-passes';
import { shaftsPass } from '../shafts/shaft-passes';
import { stairsPass } from '../stairs/stair-passes';
import type { WallUse } from '../walls/wall';
import { runsThrough } from '../walls/joins';
import { standingPass } from '../walls/walls-standing';
import { wallsNear } from '../walls/wall-squares';
import { wallPlanPass } from '../walls/wall-plans';
import { meetingRoofsPass, pitchedRoofFindingsPass } from './pitched-roof-passes';
import { checkRoof } from './check-roof';
import { checkWallsUnder } from './check-walls-under';
import { goesUpToPass } from './goes-up-to';
import { roofOpeningsPass } from '../roof-openings/roof-opening-passes';
import { opened } from './roof-holes';
import { facePieces } from './solve-pitched-roof';
import { wallsUnder } from './walls-under';
import { underOver, upToRoof } from './under-roof';

/** What is known of the part of a wall that goes up to a roof. */
export interface WallTopInfo {
  use: WallUse;
  thicknessMm: number;
  /** From the height its level part ends at. */
  fromMm: number;
  volumeMm3: number;
}

declare module '../slants/assembly' {
  interface AssemblyInfo {
    wallTop: WallTopInfo;
  }
}

/** Walls of a building that end at the underside of a roof. */
const toRoofPass = definePass({
  name: 'walls that end at a roof',
  scope: 'building',
  run: (cx, building): readonly Id[] =>
    cx
      .get(standingPass, building)
      .filter((wall) => wall.stopsAt.face === 'roof' && wall.building === building)
      .map(({ id }) => id),
});

/** What of a wall goes up over its level part to the undersides of the roofs over it, by building and wall. */
const wallTopPass = definePass<Assembly<'wallTop'> | null>({
  name: 'wall up to a roof',
  scope: 'thing',
  run: (cx, key) => {
    const [building, wall] = partsOf(key);
    const plan = cx.get(wallPlanPass, key);
    const slants = cx.get(goesUpToPass, key);
    const over = plan && underOver(slants, plan.strips);
    if (!plan || !over) return null;
    const { record, strips } = plan;
    const shortMm = -mmOf(cx.framework, record.stopsAt.offsetMm);
    const lowMm = over.lowMm - shortMm;
    const pieces = cx.get(walls.pieces, building).filter((piece) => piece.wall === wall);
    // On the floor of the storey it begins in, where no level part of it stands there.
    const storeys = storeysOf(cx, building);
    const storey = storeys.findLast(({ sslMm }) => sslMm <= lowMm + 1) ?? storeys[0];
    if (!storey) return null;
    const floorMm = floorUnder(storey, cx.get(platesPass, building), { rings: strips, facts: cx.facts }).sslMm;
    const fromMm = Math.max(lowMm, floorMm);
    const through = wallsNear(cx, building, plan.box).flatMap((id): readonly Ring[] => {
      const other = id === wall ? null : cx.get(wallPlanPass, keyOf(building, id));
      return other && other.record.stopsAt.face === 'roof' && runsThrough(other.join, plan.join) ? other.strips : [];
    });
    const holes = pieces.flatMap(({ openings }) => openings);
    // Each straight part by itself: seen from the side it has no seam under a ridge.
    const parts = strips.flatMap((strip) => {
      const own = through
        .filter((ring) => boxesMeet(bounds(ring), bounds(strip)))
        .reduce<Ring[]>((left, ring) => left.flatMap((piece) => less(piece, ring)), [strip]);
      const made = upToRoof(slants, own, fromMm, shortMm, holes);
      return made.length > 0 ? [{ name: 'up to the roof', slants: made }] : [];
    });
    const made = parts.flatMap((part) => part.slants);
    if (made.length === 0) return null;
    return {
      thing: wall,
      kind: 'wallTop',
      building,
      name: record.name,
      level: storey.id,
      ring: ringAbout(made),
      ...reachOfSlants(made),
      parts,
      info: {
        use: record.use,
        thicknessMm: plan.path.build.thicknessMm,
        fromMm,
        volumeMm3: made.reduce((sum, slant) => sum + volumeOfSlant(slant), 0),
      },
    };
  },
  failing: (_, key) => {
    const [building, wall] = partsOf(key);
    return { what: 'A wall up to a roof', building, about: [wall], value: null };
  },
});

/** In plan what of walls goes through roofs. */
const throughRoofsPass = definePass({
  name: 'walls through roofs',
  scope: 'building',
  run: (cx, building): readonly Ring[] =>
    cx.get(toRoofPass, building).flatMap((wall) => {
      const plan = cx.get(wallPlanPass, keyOf(building, wall));
      return plan && mmOf(cx.framework, plan.record.stopsAt.offsetMm) > 0 ? plan.strips : [];
    }),
});

const wallTopsPass = definePass({
  name: 'walls up to roofs',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly Assembly[] =>
    cx.get(toRoofPass, building).flatMap((wall) => cx.get(wallTopPass, keyOf(building, wall)) ?? []),
});

/** Pitched roofs with the holes of shafts, stairs and walls, and what of walls goes up to them. */
export const roofsAndTopsPass = definePass({
  name: 'pitched roofs and walls up to them',
  scope: 'building',
  run: (cx, building): readonly Assembly[] => {
    const [shafts, stairs] = [cx.get(shaftsPass, building), cx.get(stairsPass, building)];
    const roofs = assembliesOf(cx.get(meetingRoofsPass, building), 'pitchedRoof');
    const through = cx.get(throughRoofsPass, building);
    const openings = assembliesOf(cx.get(roofOpeningsPass, building), 'roofOpening');
    const holesIn = (roof: Id) => openings.filter(({ info }) => info.roof === roof).map(({ info }) => info.hole);
    return [
      ...roofs.map((roof) => opened(roof, shafts, stairs, [...through, ...holesIn(roof.thing)])),
      ...cx.get(wallTopsPass, building),
    ];
  },
});

/** What is wrong with pitched roofs, and with walls under them. */
export const roofFindingsPass = definePass({
  name: 'findings of roofs and walls under them',
  scope: 'building',
  run: (cx, building): readonly Finding[] => [
    ...cx.get(pitchedRoofFindingsPass, building),
    ...ownRecords(recordsOf(cx.framework, 'pitchedRoof'), building).flatMap((roof) => {
      const made = assembliesOf(cx.get(meetingRoofsPass, building), 'pitchedRoof').find(
        ({ thing }) => thing === roof.id,
      );
      if (!made) return [];
      const slants = facePieces(made);
      const under = wallsUnder(cx.framework, roof, made.info);
      return [
        ...checkWallsUnder(roof, slants, under, cx.get(walls.pieces, building)),
        ...checkRoof(cx.framework, roof, made.info, slants, cx.get(floorsPass, building), under),
      ];
    }),
  ],
});
