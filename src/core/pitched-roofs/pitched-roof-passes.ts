import { between } from '../buildings/between-buildings';
import { finding, fixBy, type Finding } from '../checks/finding';
import { called } from '../kinds/records';
import { recordOf, recordsOf } from '../model/framework';
import type { Id } from '../model/ids';
import { definePass } from '../passes/pass';
import { assembliesOf, type Assembly } from '../slants/assembly';
import type { Slant } from '../slants/slant';
import { ownRecords } from '../solving/building-passes';
import { quantiseMm } from '../units/length-units';
import { whereTheyMeet } from './meeting';
import type { PitchedRoof } from './pitched-roof';
import { UNSOLVED } from './pitched-roof-rules';
import { facePieces, solvePitchedRoof, type SolvedRoof } from './solve-pitched-roof';

const pitchedRoofPass = definePass<SolvedRoof | null>({
  name: 'pitched roof',
  scope: 'thing',
  run: ({ framework }, id) => {
    const roof = recordOf(framework, 'pitchedRoof', id);
    return roof ? solvePitchedRoof(framework, roof) : null;
  },
  failing: ({ framework }, id) => {
    const roof = recordOf(framework, 'pitchedRoof', id);
    return { what: roof ? called(roof) : 'A roof', building: roof?.building ?? '', about: [id], value: null };
  },
});

export const pitchedRoofsPass = definePass({
  name: 'pitched roofs',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly Assembly[] =>
    ownRecords(recordsOf(cx.framework, 'pitchedRoof'), building).flatMap(({ id }) => {
      const solved = cx.get(pitchedRoofPass, id);
      return solved && 'made' in solved ? [solved.made] : [];
    }),
});

/** The pitched roofs of a building, each without what others of it cover. */
export const meetingRoofsPass = definePass({
  name: 'pitched roofs where they meet',
  scope: 'building',
  run: (cx, building): readonly Assembly[] =>
    whereTheyMeet(assembliesOf(cx.get(pitchedRoofsPass, building), 'pitchedRoof')),
});

/** A pitched roof over a building: its pieces, in that building's axes. */
interface RoofOver {
  roof: Id;
  /** Its own, or another building's. */
  isOwn: boolean;
  slants: readonly Slant[];
}

/** The pitched roofs over a building, those of other buildings in its own axes. */
export const roofsOverPass = definePass({
  name: 'pitched roofs over a building',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly RoofOver[] => {
    const roofsIn = (of: string) =>
      assembliesOf(cx.get(meetingRoofsPass, of), 'pitchedRoof').map((made) => {
        return { roof: made.thing, isOwn: of === building, slants: facePieces(made) };
      });
    const others = new Set(recordsOf(cx.framework, 'pitchedRoof').map((roof) => roof.building));
    others.delete(building);
    return [
      ...roofsIn(building),
      ...[...others].flatMap((other) => {
        const { move, liftMm } = between(cx.framework, other, building);
        const over = (slant: Slant): Slant =>
          slant.map((corner) => ({
            ...move(corner),
            topMm: quantiseMm(corner.topMm + liftMm),
            bottomMm: quantiseMm(corner.bottomMm + liftMm),
          }));
        return roofsIn(other).map((roof) => ({ ...roof, slants: roof.slants.map(over) }));
      }),
    ];
  },
});

/** Their pieces. */
export const roofSlantsPass = definePass({
  name: 'pieces of pitched roofs',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly Slant[] => cx.get(roofsOverPass, building).flatMap(({ slants }) => slants),
});

export const pitchedRoofFindingsPass = definePass({
  name: 'findings of pitched roofs',
  scope: 'building',
  run: (cx, building): readonly Finding[] =>
    ownRecords(recordsOf(cx.framework, 'pitchedRoof'), building).flatMap((roof) => {
      const solved = cx.get(pitchedRoofPass, roof.id);
      if (!solved || 'made' in solved) return [];
      const words = `Roof ${roof.name} cannot be worked out. ${solved.fault}`;
      const mends = (change: Partial<PitchedRoof>) => 'made' in solvePitchedRoof(cx.framework, { ...roof, ...change });
      const fixes = [
        ...(mends({ edges: [] })
          ? [fixBy('Let all its edges slope alike', 'pitchedRoofs.change', { roof: roof.id, edges: [] })]
          : []),
        ...(mends({ overhangMm: 0 })
          ? [fixBy('Leave out its overhang', 'pitchedRoofs.change', { roof: roof.id, overhangMm: 0 })]
          : []),
        ...(mends({ courtyards: [] })
          ? [fixBy('Roof its courtyards over', 'pitchedRoofs.change', { roof: roof.id, courtyards: [] })]
          : []),
        ...(roof.bays && mends({ bays: null })
          ? [fixBy('Let it slope from its edges, without bays', 'pitchedRoofs.change', { roof: roof.id, bays: null })]
          : []),
        fixBy('Delete it', 'elements.remove', { ids: [roof.id] }),
      ];
      return [finding(UNSOLVED, building, roof.eavesAt.level, [roof.id], words, fixes)];
    }),
});
