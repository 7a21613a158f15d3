import { finding, fixBy, type Finding } from '../checks/finding';
import { mmOf } from '../dimensions/resolve-length';
import type { Point } from '../geometry/point';
import { called } from '../kinds/records';
import { servedLevels } from '../levels/extent';
import { recordOf, recordsOf } from '../model/framework';
import type { Id } from '../model/ids';
import { definePass, keyOf, type Context } from '../passes/pass';
import { rampsPass } from '../ramps/ramp-passes';
import { assembliesOf, type Assembly } from '../slants/assembly';
import { reachOfSlants, ringAbout } from '../slants/slant';
import { flooredPass, levelNamesPass, ownRecords, storeysOf } from '../solving/building-passes';
import { sourceOf } from '../stairs/rule-sets';
import { stairsPass } from '../stairs/stair-passes';
import { checkGuard } from './check-guards';
import { edgesAtPass, heightOf, linePlaces, wallsAtPass } from './edge-passes';
import type { Guard } from './guard';
import { DROP } from './guard-findings';
import { guardRules, projectRules } from '../rule-sets/rules-in';
import type { GuardRules } from './guard-rules';
import { makeRun, notDoubled, postSlant, withoutGates, type GuardRun, type GuardSizes, type Post } from './make-guard';
import type { EdgeRun } from './open-edges';
import { besideWay, sideOfStair, type FootPlace } from './side-path';

/** What is known of a guard beside its pieces. */
export interface GuardInfo {
  is: Guard['is'];
  heightMm: number;
  lengthMm: number;
  posts: number;
  /** Its foot in plan, and where its posts stand. */
  runs: readonly { places: readonly FootPlace[]; isClosed: boolean }[];
  postsAt: readonly Point[];
}

declare module '../slants/assembly' {
  interface AssemblyInfo {
    guard: GuardInfo;
  }
}

/** True where an opening is a shaft's that walls enclose, or will: whether they do is looked at with the shafts. */
function isEnclosed(cx: Context, by: Id | null): boolean {
  const shaft = by === null ? undefined : recordOf(cx.framework, 'shaft', by);
  return shaft !== undefined && shaft.purpose !== 'void';
}

/** Whether a guard along edges takes a run of them. */
const takes = (cx: Context, along: Guard['along'] & { of: 'edges' }, run: EdgeRun): boolean =>
  (along.by === null ? !isEnclosed(cx, run.by) : along.by === run.by) &&
  (along.edges === 'all' || (along.edges === 'openings') === run.isOpening);

/** Levels at which a guard takes edges. */
const levelsOf = (cx: Context, building: Id, along: Guard['along'] & { of: 'edges' }): Id[] =>
  servedLevels(cx.framework, along.levels, storeysOf(cx, building), cx.get(flooredPass, building));

/** The runs of a guard, by level, before what is left out of them. */
const runsPass = definePass<readonly GuardRun[]>({
  name: 'runs of a guard',
  scope: 'thing',
  run: (cx, id) => {
    const guard = recordOf(cx.framework, 'guard', id);
    if (!guard) return [];
    const { building, along } = guard;
    const insetMm = mmOf(cx.framework, guard.insetMm);
    switch (along.of) {
      case 'stair': {
        const stair = cx.get(stairsPass, building).find((each) => each.stair === along.stair);
        return (stair?.storeys ?? []).flatMap((storey) =>
          sidesOf(along.side).map((side): GuardRun => {
            const sign = side === 'left' ? 1 : side === 'right' ? -1 : 0;
            const offset = (widthMm: number) => sign * (widthMm / 2 - insetMm);
            return { level: storey.level, places: sideOfStair(storey, offset, side, insetMm), isClosed: false };
          }),
        );
      }
      case 'ramp': {
        const ramp = assembliesOf(cx.get(rampsPass, building), 'ramp').find(({ thing }) => thing === along.ramp);
        if (!ramp) return [];
        return sidesOf(along.side).map((side): GuardRun => {
          const sign = side === 'left' ? 1 : side === 'right' ? -1 : 0;
          const places = besideWay(ramp.info.walk, sign * (ramp.info.widthMm / 2 - insetMm));
          return { level: ramp.level, places, isClosed: false };
        });
      }
      case 'line': {
        return [{ level: along.baseAt.level, places: linePlaces(cx, along), isClosed: false }];
      }
      case 'edges': {
        // Of guards along one edge the first has it.
        const before = ownRecords(recordsOf(cx.framework, 'guard'), building);
        const earlier = before.slice(
          0,
          before.findIndex((each) => each.id === id),
        );
        return levelsOf(cx, building, along).flatMap((level) => {
          const fflMm = heightOf(cx, building, level);
          return cx
            .get(edgesAtPass, keyOf(building, level, guard.rules))
            .filter(
              (run) =>
                takes(cx, along, run) &&
                !earlier.some(
                  ({ along: other }) =>
                    other.of === 'edges' && takes(cx, other, run) && levelsOf(cx, building, other).includes(level),
                ),
            )
            .map(({ points, isClosed }): GuardRun => {
              const feet = points.map((point) => ({ ...point, mm: fflMm }));
              return { level, isClosed, places: inwards(feet, isClosed, insetMm) };
            });
        });
      }
    }
  },
  failing: ({ framework }, id) => {
    const guard = recordOf(framework, 'guard', id);
    return { what: guard ? called(guard) : 'A guard', building: guard?.building ?? '', about: [id], value: [] };
  },
});

const sidesOf = (side: (Guard['along'] & { of: 'stair' })['side']): ('left' | 'right' | 'centre')[] =>
  side === 'both' ? ['left', 'right'] : [side];

/** So far into the floor, which is to the left. */
function inwards(feet: readonly FootPlace[], isClosed: boolean, insetMm: number): FootPlace[] {
  if (!isClosed) return besideWay(feet, insetMm);
  return besideWay([feet.at(-1)!, ...feet, feet[0]!], insetMm).slice(1, -1);
}

const sizesOf = (cx: Context, guard: Guard): GuardSizes => {
  const mm = (length: Guard['heightMm']) => mmOf(cx.framework, length);
  const { is, infill, hasTopRail, midRails, endPosts } = guard;
  return {
    is,
    infill,
    hasTopRail,
    midRails,
    endPosts,
    heightMm: mm(guard.heightMm),
    postSpacingMm: mm(guard.postSpacingMm),
    gapMm: mm(guard.gapMm),
    extensionMm: guard.along.of === 'stair' ? mm(guard.extensionMm) : 0,
  };
};

/** All guards of a building: where two runs meet, one post. */
export const guardsPass = definePass({
  name: 'guards',
  scope: 'building',
  run: (cx, building): readonly Assembly[] => {
    const standing: Post[] = [];
    return ownRecords(recordsOf(cx.framework, 'guard'), building).flatMap((guard) => {
      const sizes = sizesOf(cx, guard);
      const gates = guard.gates.map(({ fromMm, toMm }) => ({
        fromMm: mmOf(cx.framework, fromMm),
        toMm: mmOf(cx.framework, toMm),
      }));
      const runs = cx.get(runsPass, guard.id).filter(({ places }) => places.length > 1);
      const byLevel = new Map<Id, GuardRun[]>();
      runs.forEach((run, i) => {
        const pieces = i === 0 ? withoutGates(run, gates) : [run];
        byLevel.set(run.level, [...(byLevel.get(run.level) ?? []), ...pieces]);
      });
      return [...byLevel].flatMap(([level, own]) => assembled(guard, level, own, sizes, standing));
    });
  },
});

function assembled(
  guard: Guard,
  level: Id,
  runs: readonly GuardRun[],
  sizes: GuardSizes,
  standing: Post[],
): Assembly<'guard'>[] {
  const made = runs.map((run) => makeRun(run, sizes));
  const posts = made.flatMap((each) => notDoubled(each.posts, standing));
  const parts = [
    { name: 'rails', slants: made.flatMap(({ rails }) => rails) },
    { name: 'infill', slants: made.flatMap(({ infill }) => infill) },
    { name: 'posts', slants: posts.map(postSlant) },
  ].filter(({ slants }) => slants.length > 0);
  const slants = parts.flatMap((part) => part.slants);
  if (slants.length === 0) return [];
  return [
    {
      thing: guard.id,
      kind: 'guard',
      building: guard.building,
      name: guard.name,
      level,
      ring: ringAbout(slants),
      ...reachOfSlants(slants),
      parts,
      info: {
        is: guard.is,
        heightMm: sizes.heightMm,
        lengthMm: made.reduce((sum, { lengthMm }) => sum + lengthMm, 0),
        posts: posts.length,
        runs: runs.map(({ places, isClosed }) => ({ places, isClosed })),
        postsAt: posts.map(({ x, y }) => ({ x, y })),
      },
    },
  ];
}

/** Drops of a level that no guard takes. Nothing is said of a storey that has no facade yet. */
function unguarded(cx: Context, building: Id, level: Id, rules: Guard['rules']): EdgeRun[] {
  const guards = ownRecords(recordsOf(cx.framework, 'guard'), building).flatMap(({ along }) =>
    along.of === 'edges' && levelsOf(cx, building, along).includes(level) ? [along] : [],
  );
  if (!cx.get(wallsAtPass, keyOf(building, level, rules)).hasFacade && guards.length === 0) return [];
  return cx
    .get(edgesAtPass, keyOf(building, level, rules))
    .filter((run) => !isEnclosed(cx, run.by) && !guards.some((along) => takes(cx, along, run)));
}

export const guardFindingsPass = definePass({
  name: 'findings of guards',
  scope: 'building',
  run: (cx, building): readonly Finding[] => {
    const names = cx.get(levelNamesPass, building);
    const own = ownRecords(recordsOf(cx.framework, 'guard'), building).flatMap((guard) => {
      const runs = cx.get(runsPass, guard.id);
      return checkGuard(
        guard,
        guardRules(cx.framework, guard.rules),
        sizesOf(cx, guard),
        runs[0]?.level ?? null,
        runs.length,
      );
    });
    const rules = projectRules(cx.framework);
    const drops = cx.get(flooredPass, building).flatMap((level) => {
      // Roofs are seen to by their own edges.
      if (level.record.levelKind === 'roof') return [];
      const open = unguarded(cx, building, level.id, rules);
      return open.length === 0
        ? []
        : [dropFound(building, level.id, names.get(level.id) ?? '', open, guardRules(cx.framework, rules), rules)];
    });
    return [...own, ...drops];
  },
});

function dropFound(
  building: Id,
  level: Id,
  name: string,
  open: readonly EdgeRun[],
  limits: GuardRules,
  rules: Guard['rules'],
): Finding {
  const { dropMm, edgeMm, gapMm } = limits;
  const most = Math.round(Math.max(...open.map((run) => run.dropMm)));
  const many = open.length === 1 ? 'an open edge' : `${open.length} open edges`;
  const words = `Level ${name} has ${many} with a drop of ${most} mm and no guard; its rule set asks for one over ${dropMm} mm (${sourceOf(limits, 'guards.drop')}). Guard them, or bring walls there`;
  const fix = fixBy(`Guard the open edges of level ${name}`, 'guards.add', {
    building,
    along: { of: 'edges', levels: { at: [level] } },
    heightMm: edgeMm,
    gapMm,
    rules,
  });
  return finding(DROP, building, level, [level], words, [fix]);
}
