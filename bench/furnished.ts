import { EMPTY_FRAMEWORK, type Framework } from '@/core/model/framework';
import { levelName, run } from './tower';
import type { CommandInputs, CommandName } from '@/core/commands/command-inputs';
import type { OutlineInput } from '@/core/outlines/outline-input';

const KINDS = 8;
const BAY_MM = 7200;
/** Walls of a storey stand on a net of so many cells each way. */
const CELLS = 9;

/**
 * A furnished tower, built by commands as a designer would: storeys in 8 kinds, each a master with levels that follow it, 150
 * columns, 15 shafts, 2 stairs, a core, 200 walls with doors on each storey, rooms with names, ceilings, exceptions, findings.
 */
export function makeFurnished(storeys: number): Framework {
  let tower = EMPTY_FRAMEWORK;
  const step = <Name extends CommandName>(name: Name, input: CommandInputs[Name]) => {
    tower = run(tower, name, input);
  };
  const ofKind = (kind: number) =>
    Array.from({ length: storeys }, (_, i) => i)
      .filter((i) => Math.floor((i * KINDS) / storeys) === kind)
      .map(levelName);
  step('buildings.add', { name: 'Tower' });
  step('levels.setUp', {
    above: `${storeys}@3.6m`,
    names: { basement: 'B{n}', ground: 'G', upper: 'L{n}', roof: 'RF' },
  });
  step('grids.add', { baysA: `14@${BAY_MM}`, baysB: `9@${BAY_MM}` });
  step('walls.defineType', { name: 'Partition', layers: [{ name: 'Board', thicknessMm: 125, core: true }] });
  step('walls.defineType', { name: 'Core', layers: [{ name: 'Concrete', thicknessMm: 250, core: true }] });
  for (let kind = 0; kind < KINDS; kind += 1) {
    const at = ofKind(kind);
    if (at.length === 0) continue;
    const levels = { at: kind === KINDS - 1 ? [...at, 'RF'] : at };
    step('floors.add', { name: `Floor ${kind}`, outline: plateOutline(kind), levels });
  }
  step('columns.placeAtCrossings', {
    lines: 'all',
    section: { shape: 'rectangle', widthMm: 600, depthMm: 600 },
  });
  const shafts = Array.from({ length: 15 }, (_, i) => `S${i}`);
  shafts.forEach((name, i) => {
    const place = `${80_000 + (i % 5) * 3200},${12_000 + Math.floor(i / 5) * 15_000}`;
    const size = { widthMm: 2000 + i * 20, depthMm: 2700 };
    step('shafts.add', { name, outline: { type: 'rectangle', place, ...size, turnDeg: 0 } });
  });
  for (const [name, place] of [
    ['ST1', '76000,20000'],
    ['ST2', '76000,40000'],
  ])
    step('stairs.add', { name, well: { type: 'rectangle', place, widthMm: 2800, depthMm: 6000 } });
  step('walls.add', {
    name: 'Core wall',
    type: 'Core',
    place: '79500,11500',
    points: rectangle(18_000, 4000),
    closed: true,
    startsAt: { level: 'G', face: 'FFL' },
    stopsAt: { level: 'RF', face: 'SSL' },
  });
  step('cores.add', { name: 'Core', ids: ['S0', 'S1', 'S2', 'S3', 'S4', 'Core wall'] });
  for (let kind = 0; kind < KINDS; kind += 1) {
    const [master, ...followers] = ofKind(kind);
    if (master === undefined) continue;
    tower = furnish(tower, kind, master, nextOf(master, storeys));
    if (followers.length > 0) step('typical.follow', { master, levels: followers });
  }
  step('ceilings.add', { name: 'Ceiling', heightMm: 2700 });
  step('ceilings.except', { ceiling: 'Ceiling', level: levelName(1), heightMm: 2550 });
  for (let i = 1; i < 6; i += 1)
    step('columns.except', {
      columns: [`${'BCDEF'[i - 1]!}-3`],
      level: levelName(Math.floor((storeys * i) / KINDS)),
      upwards: true,
      section: { shape: 'rectangle', widthMm: 500, depthMm: 500 },
    });
  return tower;
}

/** Walls with doors and rooms with names on one level. */
function furnish(framework: Framework, kind: number, level: string, above: string): Framework {
  let tower = framework;
  const from = 3600 + kind * 10;
  const spans = { startsAt: { level, face: 'FFL' }, stopsAt: { level: above, face: 'soffit' } } as const;
  const wall = (x: number, y: number, xMm: number, yMm: number) => {
    const name = `P${kind}.${x}.${y}.${xMm > 0 ? 'e' : 'n'}`;
    tower = run(tower, 'walls.add', {
      name,
      type: 'Partition',
      place: `${from + x * BAY_MM},${from + y * BAY_MM * 0.8}`,
      points: [
        { xMm: 0, yMm: 0 },
        { xMm, yMm },
      ],
      ...spans,
    });
    tower = run(tower, 'walls.addOpening', {
      wall: name,
      opening: 'door',
      alongMm: 1500,
      widthMm: 900,
      heightMm: 2100,
    });
  };
  for (let y = 0; y <= CELLS; y += 1)
    for (let x = 0; x <= CELLS; x += 1) {
      if (x < CELLS) wall(x, y, BAY_MM, 0);
      if (y < CELLS) wall(x, y, 0, BAY_MM * 0.8);
    }
  // Stubs into the outer rooms make up the two hundred.
  for (let y = 0; y < 20; y += 1) {
    const name = `P${kind}.stub.${y}`;
    const at = {
      place: `${from + (y % CELLS) * BAY_MM},${from + BAY_MM * 0.4 + Math.floor(y / CELLS) * BAY_MM * 0.8}`,
    };
    const points = [
      { xMm: 0, yMm: 0 },
      { xMm: 2400, yMm: 0 },
    ];
    tower = run(tower, 'walls.add', { name, type: 'Partition', ...at, points, ...spans });
    tower = run(tower, 'walls.addOpening', { wall: name, opening: 'door', alongMm: 700, widthMm: 900, heightMm: 2100 });
  }
  for (let y = 0; y < CELLS; y += 1)
    for (let x = 0; x < CELLS; x += 1)
      tower = run(tower, 'rooms.add', {
        level,
        place: `${from + (x + 0.5) * BAY_MM},${from + (y + 0.3) * BAY_MM * 0.8}`,
        name: `Room ${x + 1}`,
        number: `${level}.${y * CELLS + x + 1}`,
      });
  return tower;
}

function nextOf(level: string, storeys: number): string {
  const next = level === 'G' ? 1 : Number(level.slice(1)) + 1;
  return next === storeys ? 'RF' : levelName(next);
}

const rectangle = (width: number, depth: number) => [
  { xMm: 0, yMm: 0 },
  { xMm: width, yMm: 0 },
  { xMm: width, yMm: depth },
  { xMm: 0, yMm: depth },
];

const plateOutline = (kind: number): OutlineInput => ({
  type: 'polygon',
  place: '-600,-600',
  points: rectangle(102_000 + kind * 10, 66_000 + kind * 10),
});
