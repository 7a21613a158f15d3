import { z } from 'zod';
import { between } from '../buildings/between-buildings';
import { mmOf } from '../dimensions/resolve-length';
import { distance, type Point } from '../geometry/point';
import { defineCommand } from '../commands/command';
import type { InputsOf } from '../commands/command-inputs';
import type { Edit } from '../model/edit';
import { textSchema } from '../model/fields';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { refuseNow, refusing } from '../commands/length-input';
import type { RecordOf } from '../model/kinds';
import { refSchema, thingReferred } from '../commands/refer';
import type { Outline } from '../outlines/outline';
import { roofAlongParty } from '../pitched-roofs/along-party';
import { STARTING_TYPES } from './wall-type';
import { freeWallName, takeType, typeInputSchema } from './wall-input';
import { offsetPath, wallPath } from './wall-path';

type Wall = RecordOf<'wall'>;

/** Corners this near are the same, mm. */
const SAME_MM = 2;

/** The outside face of a closed wall, corner by corner, in the axes of a building. */
function outsideOf(framework: Framework, wall: Wall, building: Id): Point[] {
  const path = wallPath(framework, wall);
  if (!path?.closed)
    return refuseNow(`Wall ${wall.name} is not closed. Choose one that goes all the way round`, ['walls']);
  const { move } = between(framework, wall.building, building);
  return offsetPath(path.points, true, path.leftOf(0)).map(move);
}

/** The side two closed walls share: the edge of each, by the corner it begins at. */
function sharedSide(a: readonly Point[], b: readonly Point[]): [number, number] | null {
  for (let i = 0; i < a.length; i += 1) {
    for (let j = 0; j < b.length; j += 1) {
      const [p, q] = [a[i]!, a[(i + 1) % a.length]!];
      const [r, s] = [b[j]!, b[(j + 1) % b.length]!];
      const isSame = distance(p, r) < SAME_MM && distance(q, s) < SAME_MM;
      const isTurned = distance(p, s) < SAME_MM && distance(q, r) < SAME_MM;
      if (isSame || isTurned) return [i, j];
    }
  }
  return null;
}

/** Opens a closed wall where one of its edges was: it now runs from the edge's end all the way round to its start. */
function opened(framework: Framework, wall: Wall, edge: number): Partial<Wall> {
  const { points } = wallPath(framework, wall)!;
  const n = points.length;
  const turned = Array.from({ length: n }, (_, k) => points[(edge + 1 + k) % n]!);
  const lengths = points.map((point, i) => distance(point, points[(i + 1) % n]!));
  const starts = lengths.map((_, i) => lengths.slice(0, i).reduce((sum, mm) => sum + mm, 0));
  const total = lengths.reduce((sum, mm) => sum + mm, 0);
  const [from, to] = [starts[edge]!, starts[edge]! + lengths[edge]!];
  const openings = wall.openings.flatMap((opening) => {
    const along = mmOf(framework, opening.alongMm);
    if (along > from - 1 && along < to)
      return refuseNow(`${opening.name} is in the side that becomes the party wall. Take it out first`, ['walls']);
    return [{ ...opening, alongMm: (along - to + total) % total }];
  });
  return {
    place: { lines: null, xMm: 0, yMm: 0 },
    points: turned.map(({ x, y }) => ({ xMm: x, yMm: y })),
    closed: false,
    openings,
  };
}

/** Outlines and roofs along a wall that was opened go along the party wall too. */
function followParty(edit: Edit, wall: Id, party: Id): void {
  const along = (outline: Outline): Outline =>
    outline.type === 'walls' && outline.walls.includes(wall) && !outline.walls.includes(party)
      ? { ...outline, walls: [...outline.walls, party] }
      : outline;
  for (const record of [...edit.all()]) {
    if (record.kind === 'floorPlate')
      edit.set('floorPlate', record.id, {
        outline: along(record.outline),
        exceptions: record.exceptions.map((each) => ({ ...each, outline: each.outline && along(each.outline) })),
        zones: record.zones.map((zone) => ({ ...zone, outline: along(zone.outline) })),
      });
    if (record.kind === 'roof' && record.walls.includes(wall))
      edit.set('roof', record.id, { walls: [...record.walls, party] });
    if (record.kind === 'pitchedRoof') {
      const outline = along(record.outline);
      if (outline !== record.outline)
        edit.set('pitchedRoof', record.id, roofAlongParty(edit.before, edit.framework, record, outline));
    }
  }
}

const makeParty = defineCommand({
  name: 'walls.makeParty',
  title: 'Put one party wall in the place of the side two buildings’ walls share; floors and roofs follow it',
  input: z.strictObject({
    /** Two closed exterior walls of two buildings, side by side. */
    walls: z.tuple([refSchema, refSchema]),
    name: textSchema(24).optional(),
    type: typeInputSchema.default(
      STARTING_TYPES.find(({ name }) => name === 'Party 300') as unknown as z.infer<typeof typeInputSchema>,
    ),
  }),
  plan: (edit, input) =>
    refusing(() => {
      const framework = edit.before;
      const [a, b] = input.walls.map((ref) => thingReferred(framework, 'wall', ref)) as [Wall, Wall];
      if (a.building === b.building)
        refuseNow('A party wall stands between two buildings. Choose a wall of each', ['walls']);
      const [own, other] = [a, b].map((wall) => outsideOf(framework, wall, a.building)) as [Point[], Point[]];
      const side = sharedSide(own, other);
      if (!side)
        return refuseNow(`Walls ${a.name} and ${b.name} share no whole side. Bring the buildings side by side`, [
          'walls',
        ]);
      edit.set('wall', a.id, opened(framework, a, side[0]));
      edit.set('wall', b.id, opened(framework, b, side[1]));
      const ends = [own[side[0]]!, own[(side[0] + 1) % own.length]!];
      const party = edit.add<'wall'>({
        ...a,
        name: input.name ?? freeWallName(edit.framework),
        use: 'party',
        type: takeType(edit, input.type),
        place: { lines: null, xMm: 0, yMm: 0 },
        points: ends.map(({ x, y }) => ({ xMm: x, yMm: y })),
        closed: false,
        on: 'coreCentre',
        openings: [],
        exceptions: [],
        sharedWith: b.building,
        sharedEnds: { startsAt: b.startsAt, stopsAt: b.stopsAt },
      });
      followParty(edit, a.id, party.id);
      followParty(edit, b.id, party.id);
    }),
  sentence: (before, input) => {
    const [a, b] = input.walls.map((ref) => thingReferred(before, 'wall', ref).name);
    return `Party wall in the place of the side walls ${a} and ${b} share`;
  },
});

export const PARTY_COMMANDS = [makeParty] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof PARTY_COMMANDS> {}
}
