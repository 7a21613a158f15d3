import type { Finding } from '../checks/finding';
import { platesPass } from '../floors/floor-passes';
import type { Ring } from '../geometry/polygon';
import { called } from '../kinds/records';
import { recordOf, recordsOf } from '../model/framework';
import type { Id } from '../model/ids';
import { definePass, partsOf } from '../passes/pass';
import { fflPass, flooredPass, ownRecords, storeyPass } from '../solving/building-passes';
import type { SolvedShaft } from '../solving/solved';
import { quantiseMm } from '../units/length-units';
import { solveShaft } from './solve-shafts';

/** A shaft with the slabs it cuts and those it misses. */
export const shaftPass = definePass<{ solved: SolvedShaft | null; findings: Finding[] }>({
  name: 'shaft',
  scope: 'thing',
  run: (cx, id) => {
    const shaft = recordOf(cx.framework, 'shaft', id);
    if (!shaft) return { solved: null, findings: [] };
    const { building } = shaft;
    return solveShaft(cx.framework, shaft, cx.get(flooredPass, building), cx.get(platesPass, building), cx.facts);
  },
  failing: ({ framework }, id) => {
    const shaft = recordOf(framework, 'shaft', id);
    return {
      what: shaft ? called(shaft) : 'A shaft',
      building: shaft?.building ?? '',
      about: [id],
      value: { solved: null, findings: [] },
    };
  },
});

export const shaftsPass = definePass({
  name: 'shafts',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly SolvedShaft[] =>
    ownRecords(recordsOf(cx.framework, 'shaft'), building).flatMap(({ id }) => cx.get(shaftPass, id).solved ?? []),
});

export const shaftFindingsPass = definePass({
  name: 'slabs shafts miss',
  scope: 'building',
  gathers: true,
  run: (cx, building): Finding[] =>
    ownRecords(recordsOf(cx.framework, 'shaft'), building).flatMap(({ id }) => cx.get(shaftPass, id).findings),
});

const cutsPass = definePass({
  name: 'holes of shafts by levels',
  scope: 'building',
  gathers: true,
  run: (cx, building): ReadonlyMap<Id, readonly Ring[]> => {
    const found = new Map<Id, Ring[]>();
    for (const { cuts } of cx.get(shaftsPass, building))
      for (const { level, ring } of cuts) {
        const list = found.get(level);
        if (list) list.push(ring);
        else found.set(level, [ring]);
      }
    return found;
  },
});

/** The holes shafts make in the slabs of a level; by building and level. */
const cutsAtPass = definePass({
  name: 'holes of shafts at a level',
  scope: 'level',
  gathers: true,
  run: (cx, key): readonly Ring[] => {
    const [building, level] = partsOf(key);
    return cx.get(cutsPass, building).get(level) ?? [];
  },
});

/** Rooms are seen where the plan is cut, mm over FFL. */
export const ROOMS_CUT_MM = 1000;

/** What shafts leave of no storey's floor: their holes, and where their space stands on a slab; a void leaves that to the room. */
export const shaftRingsPass = definePass({
  name: 'shafts in the plan of a storey',
  scope: 'level',
  run: (cx, key): readonly Ring[] => {
    const [building] = partsOf(key);
    const atMm = cx.get(fflPass, key) + ROOMS_CUT_MM;
    const standing = cx
      .get(shaftsPass, building)
      .filter(({ purpose }) => purpose !== 'void')
      .flatMap(({ stages }) => stages.filter(({ bottomMm, topMm }) => bottomMm < atMm && topMm > atMm))
      .map(({ ring }) => cx.facts.one(ring));
    return [...new Set([...cx.get(cutsAtPass, key), ...standing])];
  },
});

/** So far under and over a storey the stretches of a shaft are told, mm. */
const BEYOND_MM = 2000;

/** Shafts in a storey in stretches of one outline each, from its FFL; what lies far beyond the storey is left out. */
export const stagesAtPass = definePass({
  name: 'shafts in a storey',
  scope: 'level',
  run: (cx, key): readonly (readonly { ring: Ring; bottomMm: number; topMm: number }[])[] => {
    const [building] = partsOf(key);
    const zeroMm = cx.get(fflPass, key);
    const highMm = (cx.get(storeyPass, key)?.above?.fflMm ?? 0) + BEYOND_MM;
    return cx.get(shaftsPass, building).flatMap(({ stages }) => {
      const here = stages.flatMap(({ ring, bottomMm, topMm }) => {
        const low = Math.max(-BEYOND_MM, quantiseMm(bottomMm - zeroMm));
        const high = Math.min(highMm, quantiseMm(topMm - zeroMm));
        return high > low ? [{ ring, bottomMm: low, topMm: high }] : [];
      });
      return here.length > 0 ? [here] : [];
    });
  },
});
