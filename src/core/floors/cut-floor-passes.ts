import { onceByKey, type Finding } from '../checks/finding';
import { recordOf } from '../model/framework';
import { called } from '../kinds/records';
import type { Ring } from '../geometry/polygon';
import type { Id } from '../model/ids';
import { definePass, keyOf, partsOf } from '../passes/pass';
import { shaftsPass } from '../shafts/shaft-passes';
import { flooredPass } from '../solving/building-passes';
import { gridsPass } from '../solving/grid-passes';
import type { FloorPiece } from '../solving/solved';
import { rampCutsPass } from '../ramps/ramp-passes';
import { stairsPass } from '../stairs/stair-passes';
import { wallCuttersPass } from '../walls/wall-cutters';
import { slabPass, slabsPass } from './floor-passes';
import { jointsOf, type Joint } from './joints';
import { cutsByPlate, solveFloor, type CutsByPlate } from './solve-floors';

const cutsPass = definePass({
  name: 'what cuts slabs',
  scope: 'building',
  run: (cx, building): CutsByPlate =>
    cutsByPlate([
      ...cx.get(wallCuttersPass, building),
      ...cx.get(shaftsPass, building).map(({ shaft, cuts }) => ({ id: shaft, cuts })),
      ...cx.get(stairsPass, building).map(({ stair, cuts }) => ({ id: stair, cuts })),
      ...cx.get(rampCutsPass, building),
    ]),
});

const cutsOfPass = definePass({
  name: 'what cuts a slab',
  scope: 'thing',
  run: (cx, key): CutsByPlate => {
    const [building, id] = partsOf(key);
    const cuts = cx.get(cutsPass, building).get(id);
    return cuts ? new Map([[id, cuts]]) : new Map();
  },
});

const jointsPass = definePass({
  name: 'movement joints',
  scope: 'building',
  run: (cx, building): readonly Joint[] =>
    jointsOf(cx.get(gridsPass, '').lines.filter((line) => line.building === building)),
});

const floorPass = definePass<{ pieces: readonly FloorPiece[]; findings: readonly Finding[] }>({
  name: 'slab with its holes',
  scope: 'thing',
  run: (cx, key) => {
    const [building] = partsOf(key);
    const made = cx
      .get(slabPass, key)
      .map((plate) =>
        solveFloor(
          plate,
          cx.get(flooredPass, building),
          cx.get(cutsOfPass, key),
          cx.profiles,
          cx.facts,
          cx.get(jointsPass, building),
        ),
      );
    const pieces = made.flatMap(({ pieces: own }) => own);
    // Of a slab in several parts something is left as long as anything is.
    const findings = made
      .flatMap(({ findings: own }) => own)
      .filter(({ rule, level }) => rule !== 'floor.nothingLeft' || !pieces.some((piece) => piece.level === level));
    return { pieces, findings: onceByKey(findings) };
  },
  failing: ({ framework }, key) => {
    const [building, id] = partsOf(key);
    const record = recordOf(framework, 'floorPlate', id) ?? recordOf(framework, 'roof', id);
    return { what: record ? called(record) : 'A floor', building, about: [id], value: { pieces: [], findings: [] } };
  },
});

export const floorsPass = definePass({
  name: 'floors',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly FloorPiece[] =>
    cx.get(slabsPass, building).flatMap(({ id }) => cx.get(floorPass, keyOf(building, id)).pieces),
});

export const floorFindingsPass = definePass({
  name: 'findings of floors',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly Finding[] =>
    cx.get(slabsPass, building).flatMap(({ id }) => cx.get(floorPass, keyOf(building, id)).findings),
});

const holesPass = definePass({
  name: 'holes of slabs by levels',
  scope: 'building',
  gathers: true,
  run: (cx, building): ReadonlyMap<Id, readonly Ring[]> => {
    const found = new Map<Id, Ring[]>();
    for (const { level, holes } of cx.get(floorsPass, building)) {
      const list = found.get(level) ?? [];
      found.set(level, list);
      for (const { ring } of holes) list.push(ring);
    }
    return found;
  },
});

/** Holes and voids of the slabs of a level; by building and level. */
export const holesAtPass = definePass({
  name: 'holes of slabs at a level',
  scope: 'level',
  gathers: true,
  run: (cx, key): readonly Ring[] => {
    const [building, level] = partsOf(key);
    return cx.get(holesPass, building).get(level) ?? [];
  },
});
