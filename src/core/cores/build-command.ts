import { z } from 'zod';
import { defineCommand, type Command } from '../commands/command';
import type { Given, InputsOf } from '../commands/command-inputs';
import { freeName, refuseTaken } from '../commands/free-name';
import { LengthReader, lengthInputSchema, refuseNow, refusing } from '../commands/length-input';
import { buildingReferred, levelReferred, refSchema } from '../commands/refer';
import { named, step } from '../commands/step-of';
import { plus, turned, type Point } from '../geometry/point';
import { storeyLevels } from '../levels/resolve-levels';
import { angleSchema, textSchema } from '../model/fields';
import type { Edit } from '../model/edit';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { Refusal } from '../model/result';
import { placeInputSchema, readPlace } from '../outlines/outline-input';
import { resolvePlace } from '../outlines/resolve-place';
import { projectRules, rulesReferred } from '../rule-sets/rules-in';
import { rulesInputSchema } from '../rule-sets/rules-input';
import { SHAFT_COMMANDS } from '../shafts/shaft-commands';
import { STAIR_COMMANDS } from '../stairs/stair-commands';
import { OPENING_COMMANDS } from '../walls/opening-commands';
import { WALL_COMMANDS } from '../walls/wall-commands';
import { briefSchema, EYE_MM, type Brief } from './brief';
import { CORE_COMMANDS } from './core-commands';
import { corePlan, type CorePlan } from './core-plan';
import { coreProposals, type CoreProposals } from './propose';

const addWall = named(WALL_COMMANDS, 'walls.add');
const addOpening = named(OPENING_COMMANDS, 'walls.addOpening');
const addShaft = named(SHAFT_COMMANDS, 'shafts.add');
const setLift = named(SHAFT_COMMANDS, 'shafts.setLift');
const addStair = named(STAIR_COMMANDS, 'stairs.add');
const addCore = named(CORE_COMMANDS, 'cores.add');

/** What a core is asked for: where it stands, how large it is outside its walls, and what it holds. */
export const coreAskedSchema = z.strictObject({
  building: refSchema.optional(),
  name: textSchema(24).optional(),
  /** Its lower left corner. */
  place: placeInputSchema,
  widthMm: lengthInputSchema,
  depthMm: lengthInputSchema,
  turnDeg: angleSchema.default(0),
  brief: briefSchema.prefault({}),
  rules: rulesInputSchema.optional(),
  /** The lowest and the topmost level it serves. */
  startsAt: refSchema.optional(),
  stopsAt: refSchema.optional(),
});

const SIZE = { atLeastMm: 1000, atMostMm: 100_000 };

/** What a core's input asks for, its references read; throws as commands do where it cannot be read. */
export function readCoreAsked(framework: Framework, input: z.output<typeof coreAskedSchema>) {
  const building = buildingReferred(framework, input.building);
  const reader = new LengthReader(framework);
  const level = (ref: string | undefined) => (ref === undefined ? null : levelReferred(framework, ref, building).id);
  return {
    building,
    widthMm: reader.read(input.widthMm, 'widthMm', SIZE).mm,
    depthMm: reader.read(input.depthMm, 'depthMm', SIZE).mm,
    brief: input.brief,
    rules: rulesReferred(framework, input.rules ?? projectRules(framework)),
    from: level(input.startsAt),
    to: level(input.stopsAt),
  };
}

interface Built {
  building: Id;
  name: string;
  brief: Brief;
  rules: string;
  widthMm: number;
  depthMm: number;
  plan: CorePlan;
  found: CoreProposals;
  /** A place of the core in the building's axes. */
  at: (point: Point) => Point;
  turnDeg: number;
  top: Id;
}

const wallType = (name: string, thicknessMm: number) => ({
  name: `${name} ${thicknessMm}`,
  layers: [{ name: 'concrete', thicknessMm, core: true }],
});

/** Builds all that is in a core: walls with their openings, then stairs and shafts. */
function buildAll(edit: Edit, built: Built): Refusal | null {
  let n = 0;
  let refused: Refusal | null = null;
  const take = <Each extends Command>(command: Each, input: Given<z.input<Each['input']>>): void => {
    n += 1;
    refused ??= step(edit, command, input, n);
  };
  const { building, name, brief, rules, widthMm, depthMm, plan, found, at, turnDeg, top } = built;
  const [lowest, highest] = [found.served[0]!.id, found.served.at(-1)!.id];
  const corner = (x: number, y: number) => {
    const place = at({ x, y });
    return { xMm: place.x, yMm: place.y };
  };
  const span = { startsAt: { level: lowest }, stopsAt: { level: top, face: 'soffit' as const } };
  const outer = `${name} W`;
  take(addWall, {
    building,
    name: outer,
    use: 'core',
    type: wallType('Core', brief.outerMm),
    points: [corner(0, 0), corner(widthMm, 0), corner(widthMm, depthMm), corner(0, depthMm)],
    closed: true,
    on: 'outside',
    passesClearMm: 0,
    ...span,
  });
  const wallName = (i: number) => `${name} W${i + 1}`;
  for (const [i, { from, to }] of plan.walls.entries())
    take(addWall, {
      building,
      name: wallName(i),
      use: 'core',
      type: wallType('Core', brief.innerMm),
      points: [corner(from.x, from.y), corner(to.x, to.y)],
      on: 'centre',
      passesClearMm: 0,
      ...span,
    });
  const things = thingsOf(brief);
  for (const { thing, wall, alongMm, widthMm: wide } of plan.doors) {
    const is = thing === null ? null : things[plan.things[thing]!.wanted]!;
    take(addOpening, {
      wall: wall === null ? outer : wallName(wall),
      opening: is === null || is.of === 'lift' ? 'plain' : 'door',
      alongMm,
      widthMm: wide,
      heightMm: is?.of === 'lift' ? brief.lifts.doorHeightMm : 2110,
      at: found.served.map(({ id }) => id),
    });
  }
  const counts = { lift: 0, stair: 0, service: 0 };
  for (const { wanted, box, entry } of plan.things) {
    const is = things[wanted]!;
    counts[is.of] += 1;
    const nth = counts[is.of];
    const place = { lines: null, ...corner(box.x, box.y) };
    const outline = { type: 'rectangle' as const, place, widthMm: box.w, depthMm: box.d, turnDeg };
    if (is.of === 'stair') {
      take(addStair, {
        building,
        name: `${name} ST${nth}`,
        form: 'halfLanding',
        well: outline,
        entry,
        rules,
        widthMm: brief.stairs.widthMm,
        eyeMm: EYE_MM,
        floorLandingMm: found.stair!.floorLandingMm,
        startsAt: { level: lowest },
        stopsAt: { level: highest },
      });
      continue;
    }
    const shaft = `${name} ${is.of === 'lift' ? 'L' : 'S'}${nth}`;
    const { pitMm, overrunMm, count: _, shaftWidthMm: __, shaftDepthMm: ___, ...lift } = brief.lifts;
    const ends =
      is.of === 'lift'
        ? {
            startsAt: { level: lowest, face: 'FFL' as const, offsetMm: -pitMm },
            stopsAt: { level: highest, face: 'FFL' as const, offsetMm: overrunMm },
          }
        : { startsAt: { level: lowest }, stopsAt: { level: top } };
    take(addShaft, { building, name: shaft, purpose: is.purpose, outline, ...ends });
    if (is.of === 'lift')
      take(setLift, { shaft, lift: { ...lift, pitMm, overrunMm, stops: found.served.map(({ id }) => id) } });
  }
  return refused;
}

/** Kinds of things in the order they are arranged in. */
const thingsOf = ({ lifts, stairs, services }: Brief) => [
  ...(lifts.count > 0 ? [{ of: 'lift' as const, purpose: 'lift' as const }] : []),
  ...(stairs.count > 0 ? [{ of: 'stair' as const, purpose: 'stair' as const }] : []),
  ...services.map(({ purpose }) => ({ of: 'service' as const, purpose })),
];

const build = defineCommand({
  name: 'cores.build',
  title: 'Build a core from an outline and what it is to hold, in one of the arrangements that work',
  input: z.strictObject({
    ...coreAskedSchema.shape,
    /** Which of the arrangements, the best one first. */
    choice: z.number().int().min(0).max(50).default(0),
  }),
  plan: (edit, input) =>
    refusing(() => {
      refuseTaken(edit.before, 'core', input.name);
      const asked = readCoreAsked(edit.before, input);
      const found = coreProposals(edit.before, asked);
      if (found.refused) refuseNow(found.refused, ['brief']);
      const proposal =
        found.proposals[input.choice] ??
        refuseNow(`There are ${found.proposals.length} arrangements. Choose one of them`, ['choice']);
      const { building, brief, rules, widthMm, depthMm } = asked;
      const place = readPlace(edit.before, building, input.place);
      const { at: origin, turnDeg } = resolvePlace(edit.before, place);
      const turn = turnDeg + input.turnDeg;
      const name = input.name ?? freeName(edit.before, 'core');
      const storeys = storeyLevels(edit.before, building);
      const over = storeys[storeys.findIndex(({ id }) => id === found.served.at(-1)!.id) + 1];
      const built: Built = {
        building,
        name,
        brief,
        rules,
        widthMm,
        depthMm,
        plan: corePlan(proposal, brief, widthMm, depthMm),
        found,
        at: (point) => plus(origin, turned(point, turn)),
        turnDeg: turn,
        top: (over ?? found.served.at(-1)!).id,
      };
      const before = new Set(edit.framework.records.keys());
      const refused = buildAll(edit, built);
      if (refused) return refused;
      const ids = [...edit.framework.records.values()]
        .filter(({ id, kind }) => !before.has(id) && (kind === 'wall' || kind === 'shaft' || kind === 'stair'))
        .map(({ id }) => id);
      return step(edit, addCore, { name, ids }, 0) ?? undefined;
    }),
  sentence: (before, input) => `Core ${input.name ?? freeName(before, 'core')} built`,
});

export const CORE_BUILD_COMMANDS = [build] as const;

declare module '../commands/command-inputs' {
  interface CommandInputs extends InputsOf<typeof CORE_BUILD_COMMANDS> {}
}
