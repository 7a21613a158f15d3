import { derivedCommandId, type Id } from '../model/ids';
import { plan } from '../commands/commands';
import type { Changes } from '../model/changes';
import { EMPTY_FRAMEWORK, recordsOf, type Framework } from '../model/framework';
import { storeyLevels } from '../levels/resolve-levels';
import { gridsOf } from '../grids/resolve-grids';
import type { Step, CommandInputs, Sent } from '../commands/command-inputs';
import type { SectionInput } from '../columns/column-input';

/** A small repeatable source of numbers in 0..1 (the "mulberry" 32-bit mixer). */
export function numbersFrom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** Turns that do not come out even: the last bits matter. */
const TURNS = [0, 5.7, 6.1, 13.1];

const WALL_TYPES = [
  { name: 'Thin', layers: [{ name: 'studs', thicknessMm: 120, core: true }] },
  {
    name: 'Thick',
    layers: [
      { name: 'facing', thicknessMm: 90 },
      { name: 'concrete', thicknessMm: 210, core: true },
    ],
  },
];

const start = (turnDeg: number): Step[] => [
  ['buildings.add', { name: 'Random house' }],
  ['levels.setUp', { above: '5.4m 2@4.8m 6@3.3m', below: '3.9m 3.6m' }],
  ['grids.add', { name: 'G1', baysA: '2@7200 3600 3@7200', baysB: '6600 2@7800 6600', turnDeg }],
  ['floors.add', { name: 'Plate', outline: { type: 'gridOffset', system: 'G1', offsetMm: 300 } }],
];

/** One command that may be refused, made for the framework as it stands. */
function nextStep(framework: Framework, random: () => number): Step {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const between = (low: number, high: number): number => Math.round((low + random() * (high - low)) * 64) / 64;
  const building = recordsOf(framework, 'building')[0]!.id;
  const levels = storeyLevels(framework, building).map(({ id }) => id);
  const lines = recordsOf(framework, 'gridLine').map(({ id }) => id);
  const grid = pick(gridsOf(framework).filter(({ record }) => record.shape === 'rectangular'));
  const shafts = recordsOf(framework, 'shaft').map(({ id }) => id);
  const stairs = recordsOf(framework, 'stair').map(({ id }) => id);
  const plates = recordsOf(framework, 'floorPlate').map(({ id }) => id);
  const walls = recordsOf(framework, 'wall').map(({ id }) => id);
  const setOut = recordsOf(framework, 'settingOutLine').map(({ id }) => id);
  const stacks = recordsOf(framework, 'columnStack').map(({ id }) => id);
  const mode = pick(['push', 'only'] as const);
  const crossing = (): [Id, Id] => [pick(grid.a).id, pick(grid.b).id];
  const section = (): SectionInput =>
    random() < 0.5
      ? { shape: 'circle', diameterMm: between(300, 700) }
      : { shape: 'rectangle', widthMm: between(300, 700), depthMm: between(300, 700) };
  const makers: (() => Step)[] = [
    () => ['levels.setHeight', { level: pick(levels), heightMm: between(2700, 6000), mode }],
    () => ['levels.setElevation', { level: pick(levels), fflMm: between(-8000, 45000), mode }],
    () => [
      'levels.insert',
      { level: pick(levels), side: pick(['above', 'below']), heightMm: between(900, 4000), mode },
    ],
    () => ['levels.rename', { level: pick(levels), title: `Use ${Math.floor(random() * 99)}` }],
    () => ['levels.remove', { level: pick(levels), ends: pick(['nextLevel', 'keepHeight', 'delete']) }],
    () => [
      'stairs.add',
      {
        name: pick([undefined, 'ST1', 'ST2']),
        well: {
          type: 'rectangle',
          place: `${between(0, 15000)},${between(0, 15000)}`,
          widthMm: between(2300, 3200),
          depthMm: between(4800, 6600),
          turnDeg: pick(TURNS),
        },
        entry: pick([0, 1, 2, 3]),
        turn: pick(['left', 'right']),
        rules: pick(['public', 'general', 'private']),
        opening: pick(['well', 'tight']),
        ...(random() < 0.5 ? { startsAt: { level: pick(levels) }, stopsAt: { level: pick(levels) } } : {}),
      },
    ],
    () => [
      'stairs.change',
      {
        stair: pick(stairs),
        ...pick([
          { turn: pick(['left', 'right']) },
          { entry: pick([0, 1, 2, 3]) },
          { rules: pick(['public', 'general', 'private']) },
          { widthMm: pick([null, between(900, 1300)]) },
          { floorLandingMm: between(0, 1500) },
          { opening: pick(['well', 'tight']) },
        ]),
      },
    ],
    () => [
      'walls.add',
      {
        use: pick(['exterior', 'interior', 'core', 'glazed']),
        type: pick(WALL_TYPES),
        points: Array.from({ length: pick([2, 3, 4]) }, () => ({ xMm: between(0, 22000), yMm: between(0, 20000) })),
        closed: random() < 0.3,
        on: pick(['outside', 'centre', 'coreInside']),
        startsAt: { level: pick(levels) },
        ...(random() < 0.5 ? { stopsAt: { level: pick(levels) } } : {}),
        passesClearMm: pick([null, null, 30]),
      },
    ],
    () => [
      'walls.change',
      { wall: pick(walls), ...pick([{ on: 'inside' }, { use: 'interior' }, { stopsAt: { level: pick(levels) } }]) },
    ],
    () => ['walls.flip', { walls: [pick(walls)] }],
    () => ['walls.parallel', { wall: pick(walls), clearMm: between(500, 3000), side: pick(['left', 'right']) }],
    () => [
      'walls.addOpening',
      { wall: pick(walls), opening: pick(['door', 'window', 'plain']), alongMm: between(0, 4000) },
    ],
    () => [
      'rooms.add',
      {
        level: pick(levels),
        place: `${between(0, 22000)},${between(0, 20000)}`,
        name: 'Room',
        carriedUp: random() < 0.7,
      },
    ],
    () => [
      'carry.to',
      { ids: [pick([...stacks, ...shafts, ...stairs, ...walls])], lowest: pick(levels), topmost: pick(levels) },
    ],
    () => ['carry.storeys', { from: pick(levels), to: pick(levels) }],
    () => [
      'elements.copy',
      {
        ids: [pick([...shafts, ...stairs, ...walls])],
        by: [{ xMm: between(-6000, 6000), yMm: between(-6000, 6000) }],
      },
    ],
    () => ['elements.mirror', { ids: [pick([...shafts, ...stairs, ...walls, ...stacks])], line: pick(lines) }],
    () => ['stairs.lengthenWell', { stair: pick(stairs), byMm: between(-300, 900) }],
    () => [
      'shafts.except',
      {
        shaft: pick(shafts),
        level: pick(levels),
        upwards: random() < 0.5,
        ...pick([
          { slab: pick(['open', 'closed', 'sleeves', null]) },
          {
            outline: {
              type: 'rectangle',
              place: `${between(0, 20000)},${between(0, 20000)}`,
              widthMm: between(500, 3000),
              depthMm: between(500, 3000),
            },
          },
        ]),
      },
    ],
    () => [
      'floors.except',
      {
        floor: pick(plates),
        level: pick(levels),
        upwards: random() < 0.3,
        ...pick([
          { leftOut: random() < 0.3 },
          { thicknessMm: pick([null, between(150, 400)]) },
          { pulled: [{ edge: pick([0, 1, 2, 3]), byMm: between(-500, 3000) }] },
          {
            voids: [
              { type: 'circle', place: `${between(0, 20000)},${between(0, 20000)}`, diameterMm: between(500, 5000) },
            ],
          },
        ]),
      },
    ],
    () => ['levels.change', { level: pick(levels), buildUpMm: between(0, 200) }],
    () => ['grids.setBay', { line: pick(lines), bayMm: between(1500, 9000), mode }],
    () => ['grids.moveLine', { line: pick(lines), byMm: between(-1500, 1500), mode }],
    () => ['grids.splitBay', { line: pick(lines), ratio: 0.25 + random() / 2, suffix: pick([undefined, '.1', 'a']) }],
    () => ['grids.relabel', { line: pick(lines), label: pick(['K', '21', 'N.1', 'Z']) }],
    () => ['grids.removeLine', { line: pick(lines) }],
    () => [
      'grids.addLine',
      { system: grid.id, direction: pick(['a', 'b']), bayMm: between(3000, 9000), end: pick(['first', 'last']) },
    ],
    () => ['grids.change', { system: grid.id, turnDeg: pick(TURNS), xMm: between(-5000, 5000) }],
    () => [
      'columns.placeAtCrossings',
      { lines: [pick(grid.a).id, pick(grid.a).id, pick(grid.b).id], section: section() },
    ],
    () => [
      'columns.place',
      { place: { lines: crossing(), xMm: between(-900, 900), yMm: between(-900, 900) }, section: section() },
    ],
    () => ['columns.change', { column: pick(stacks), section: section(), turnDeg: pick(TURNS) }],
    () => [
      'shafts.add',
      {
        outline: {
          type: 'rectangle',
          place: { lines: crossing(), xMm: between(0, 4000), yMm: between(0, 4000) },
          widthMm: between(600, 4000),
          depthMm: between(600, 4000),
          turnDeg: pick(TURNS),
        },
        startsAt: { level: pick(levels), offsetMm: between(-400, 400) },
        stopsAt: { level: pick(levels), offsetMm: between(-400, 400) },
        opensFoot: random() < 0.3,
        opensHead: random() < 0.3,
      },
    ],
    () => ['shafts.change', { shaft: pick(shafts), opensHead: random() < 0.5, stopsAt: { level: pick(levels) } }],
    () => ['elements.move', { ids: [pick([...shafts, ...stacks])], xMm: between(-800, 800), yMm: between(-800, 800) }],
    () => ['elements.remove', { ids: [pick([...shafts, ...stacks])] }],
    () => ['levels.insertMany', { level: pick(levels), heights: [between(2700, 3600), between(2700, 3600)], mode }],
    () => ['levels.split', { level: pick(levels), parts: 2 }],
    () => ['levels.setBudget', { level: pick(levels), beamMm: between(0, 900), targetMm: between(2000, 3000) }],
    () => [
      'levels.editTable',
      {
        rows: [
          { level: pick(levels), title: 'T', heightMm: between(2700, 4500) },
          { level: pick(levels), buildUpMm: 90 },
        ],
      },
    ],
    () => ['buildings.change', { zeroMm: between(-900, 900), turnDeg: pick(TURNS) }],
    () => ['floors.change', { floor: 'Plate', thicknessMm: between(150, 400) }],
    () => [
      'grids.addRadial',
      { name: 'Fan', angles: '3@15', radii: '8m 4m', labelsA: { first: '31' }, labelsB: { first: 'R' }, xMm: 60_000 },
    ],
    () => ['grids.addJoint', { line: pick(lines), gapMm: between(20, 90), mode }],
    () => [
      'grids.changeLines',
      { lines: [pick(lines)], side: pick(['near', 'far', 'both']), heads: pick(['first', 'both', null]) },
    ],
    () => ['grids.changeLines', { lines: [pick(lines)], fromLevel: pick([null, pick(levels)]), toLevel: null }],
    () => ['grids.moveLine', { line: pick(lines), byDeg: between(-4, 4), mode }],
    () => [
      'settingOut.add',
      { lines: [pick(lines)], offsetMm: between(-900, 900), side: pick(['both', 'interior', 'positive']) },
    ],
    () => ['settingOut.change', { line: pick(setOut), offsetMm: between(-900, 900) }],
    () => ['settingOut.remove', { lines: [pick(setOut)] }],
    () => [
      'columns.change',
      {
        column: pick(stacks),
        flush: [{ line: pick([...setOut, ...lines]), face: pick(['interior', 'left', 'centre']) }],
      },
    ],
    () => ['columns.placeAlong', { line: pick(lines), spacingMm: between(2000, 6000), count: 2, section: section() }],
    () => [
      'columns.except',
      {
        columns: [pick(stacks)],
        level: pick(levels),
        upwards: random() < 0.5,
        ...pick<Partial<CommandInputs['columns.except']>>([
          { leftOut: true },
          { section: section(), keep: pick(['centre', 'x+', 'y-']) },
          { xMm: between(-200, 200) },
        ]),
      },
    ],
    () => ['columns.asBelow', { columns: [pick(stacks)], level: pick(levels) }],
    () => [
      'columns.setBlocks',
      { columns: [pick(stacks)], head: pick([null, { widthMm: 1200, depthMm: 1200, heightMm: between(100, 500) }]) },
    ],
    () => ['views.setMark', { view: 'plan', of: pick(lines), end: pick([0, 1]), shown: pick([true, false, null]) }],
    () => ['presets.save', { name: pick(['P', 'Q']), system: 'G1' }],
    () => ['levels.setUp', { above: '5.4m 2@4.8m 6@3.3m', below: '3.9m', again: true }],
    () => ['project.setSurvey', { eastingMm: between(0, 1e6), northingMm: between(0, 1e6), trueNorthDeg: pick(TURNS) }],
    () => ['project.describe', { code: pick(['P1', null]), rules: pick(['general', 'private', null]) }],
    () => ['dimensions.define', { name: 'typical', value: between(2800, 4200) }],
    () => ['levels.setHeight', { level: pick(levels), heightMm: 'typical + 25mm', mode }],
  ];
  return pick(makers)();
}

/** What a run of random commands did: the frameworks it went through are `changes` applied in order. */
export interface RandomRun {
  steps: (Sent & { commandId: string })[];
  changes: Changes[];
  end: Framework;
  refused: number;
}

/** Runs `count` accepted random commands; refused ones are passed over. The seed also chooses the grid's turn. */
export function randomRun(seed: number, count: number): RandomRun {
  const random = numbersFrom(seed);
  const run: RandomRun = { steps: [], changes: [], end: EMPTY_FRAMEWORK, refused: 0 };
  const queue = start(TURNS[seed % TURNS.length]!);
  for (let tries = 0; run.steps.length < count && tries < count * 6; tries += 1) {
    const [name, input] = queue.shift() ?? nextStep(run.end, random);
    const commandId = derivedCommandId('random', String(seed), String(tries));
    const planned = plan(run.end, name, input, commandId);
    if (!planned.ok) {
      run.refused += 1;
      continue;
    }
    run.steps.push({ commandId, command: name, input } as Sent & { commandId: string });
    run.changes.push(planned.value.changes);
    run.end = planned.value.after;
  }
  return run;
}
