import type { CommandInputs, CommandName } from '../commands/command-inputs';
import { gridsOf } from '../grids/resolve-grids';
import { piecesOf } from '../elements/pieces';
import { storeyLevels } from '../levels/resolve-levels';
import { recordsOf } from '../model/framework';
import type { Chance } from './chance';
import { CLIMBING_MAKERS } from './climbing-makers';
import { ROOF_MAKERS } from './roof-makers';
import { CORNER_MAKERS } from './corner-makers';
import { WALL_MAKERS } from './wall-makers';
import { SHA, square } from './rich';

/** Begins every framework, and takes back what a log holds: they are run apart. */
type RunApart = 'project.start' | 'history.undo';

/** An input of each command that it will often take. */
export const MAKERS: { [Name in Exclude<CommandName, RunApart>]: (chance: Chance) => CommandInputs[Name] } = {
  'project.setSurvey': ({ between }) => ({
    eastingMm: between(0, 1e6),
    northingMm: between(0, 1e6),
    trueNorthDeg: between(0, 30),
  }),
  'project.describe': ({ random }) => ({ code: `P${Math.floor(random() * 1e6)}`, client: 'Tidewater Trust' }),
  'buildings.add': ({ random }) => ({ name: `B${Math.floor(random() * 1e6)}`, xMm: 400_000 }),
  'buildings.change': ({ between, building }) => ({ building, zeroMm: between(-900, 900), turnDeg: between(0, 20) }),
  'levels.setUp': ({ building, between }) => ({
    building,
    above: `5.4m 2@4.8m 3@${between(3000, 3600)}mm`,
    below: '3.6m',
    again: true,
  }),
  'levels.take': ({ framework, between }) => ({
    building: recordsOf(framework, 'building').find(({ id }) => storeyLevels(framework, id).length === 0)?.id ?? 'none',
    rows: [0, 1, 2].map((i) => ({ name: `L${i}`, fflMm: i * between(3000, 4000) })),
  }),
  'levels.setElevation': ({ pick, levels, between }) => ({
    level: pick(levels),
    fflMm: between(-4000, 26_000),
    mode: 'push',
  }),
  'levels.setHeight': ({ pick, levels, between }) => ({
    level: pick(levels),
    heightMm: between(2700, 6000),
    mode: 'push',
  }),
  'levels.insert': ({ pick, levels, between }) => ({
    level: pick(levels),
    side: pick(['above', 'below']),
    heightMm: between(2700, 4000),
    mode: 'push',
  }),
  'levels.rename': ({ pick, levels, random }) => ({ level: pick(levels), title: `Use ${Math.floor(random() * 1e6)}` }),
  'levels.change': ({ pick, levels, between }) => ({ level: pick(levels), buildUpMm: between(0, 250) }),
  'levels.remove': ({ pick, levels }) => ({ level: pick(levels), ends: pick(['nextLevel', 'keepHeight', 'delete']) }),
  'levels.insertMany': ({ pick, levels, between }) => ({
    level: pick(levels),
    heights: [between(2700, 3600), 3300],
    mode: 'push',
  }),
  'levels.copy': ({ pick, levels, between }) => ({ level: pick(levels), byMm: between(900, 30_000) }),
  'levels.split': ({ pick, levels }) => ({ level: pick(levels), parts: 2 }),
  'levels.renumber': ({ building, pick }) => ({
    building,
    names: pick([
      { basement: 'U{n}', ground: 'G', upper: '{n}', roof: 'T' },
      { basement: 'B{n}', ground: '00', upper: '{nn}', roof: 'RF' },
    ]),
  }),
  'levels.editTable': ({ pick, levels, random }) => ({
    rows: [{ level: pick(levels), title: `T${Math.floor(random() * 1e6)}` }],
  }),
  'levels.setBudget': ({ pick, levels, between }) => ({ level: pick(levels), beamMm: between(0, 900) }),
  'grids.add': ({ building, between, random }) => ({
    building,
    name: `N${Math.floor(random() * 1e6)}`,
    baysA: `2@${between(4000, 9000)}`,
    baysB: '6000',
    yMm: 90_000,
  }),
  'grids.addRadial': ({ building, random }) => ({
    building,
    name: `R${Math.floor(random() * 1e6)}`,
    angles: '3@15',
    radii: '8m',
    xMm: 90_000,
  }),
  'grids.addFree': ({ building, between }) => ({
    building,
    lines: [{ path: { x0Mm: 0, y0Mm: between(-9000, 0), x1Mm: 20_000, y1Mm: 9000 } }],
  }),
  'grids.change': ({ grid, between }) => ({ system: grid, xMm: between(-5000, 5000) }),
  'grids.copy': ({ grid, between }) => ({ system: grid, xMm: between(40_000, 90_000), yMm: 0 }),
  'grids.setBays': ({ grid, pick, between }) => ({
    system: grid,
    direction: pick(['a', 'b']),
    bays: [between(3000, 9000), 6000, 6000],
  }),
  'grids.setAngles': ({ framework, between }) => ({
    system: gridsOf(framework).find(({ record }) => record.shape === 'radial')?.record.id ?? '',
    angles: [15, between(5, 20), 15],
  }),
  'grids.setBay': ({ pick, lines, between }) => ({ line: pick(lines), bayMm: between(1500, 9000), mode: 'push' }),
  'grids.addLine': ({ grid, pick, between }) => ({
    system: grid,
    direction: pick(['a', 'b']),
    bayMm: between(3000, 9000),
    end: pick(['first', 'last']),
  }),
  'grids.splitBay': ({ pick, lines, between }) => ({ line: pick(lines), ratio: between(30, 70) / 100 }),
  'grids.addJoint': ({ pick, lines, between }) => ({ line: pick(lines), gapMm: between(20, 90), mode: 'push' }),
  'grids.moveLine': ({ pick, lines, between }) => ({ line: pick(lines), byMm: between(-900, 900), mode: 'push' }),
  'grids.relabel': ({ pick, lines, random }) => ({ line: pick(lines), label: `X${Math.floor(random() * 1e4)}` }),
  'grids.setPath': ({ framework, pick, between }) => ({
    line: pick(recordsOf(framework, 'gridLine').filter(({ path }) => path !== null))?.id ?? 'none',
    path: { x0Mm: 0, y0Mm: between(-9000, 0), x1Mm: 12_000, y1Mm: between(1000, 9000) },
  }),
  'grids.changeLines': ({ pick, lines }) => ({ lines: [pick(lines)], heads: pick(['first', 'last', 'both', 'none']) }),
  'grids.removeLine': ({ pick, lines }) => ({ line: pick(lines) }),
  'grids.remove': ({ one }) => ({ system: one('gridSystem') }),
  'presets.save': ({ grid, random }) => ({ name: `P${Math.floor(random() * 1e6)}`, system: grid }),
  'presets.take': ({ framework, random, pick }) => {
    const { kind: _, id: __, ...fields } = pick(recordsOf(framework, 'bayPreset'));
    return { presets: [{ ...fields, name: `T${Math.floor(random() * 1e6)}` }] };
  },
  'presets.remove': ({ framework, pick }) => ({ name: pick(recordsOf(framework, 'bayPreset')).name }),
  'settingOut.add': ({ building, pick, lines, between }) => ({
    building,
    lines: [pick(lines)],
    offsetMm: between(50, 900),
    side: 'positive',
  }),
  'settingOut.change': ({ one, between }) => ({ line: one('settingOutLine'), offsetMm: between(50, 900) }),
  'settingOut.move': ({ one, between }) => ({ line: one('settingOutLine'), byMm: between(1, 90) }),
  'settingOut.remove': ({ one }) => ({ lines: [one('settingOutLine')] }),
  'columns.placeAtCrossings': ({ building, pick, lines }) => ({
    building,
    lines: [pick(lines), pick(lines), pick(lines), pick(lines)],
    section: { shape: 'circle', diameterMm: 400 },
  }),
  'columns.place': ({ building, between }) => ({
    building,
    place: `${between(0, 20_000)},${between(0, 14_000)}`,
    section: { shape: 'circle', diameterMm: 400 },
  }),
  'columns.placeAlong': ({ building, pick, lines, between }) => ({
    building,
    line: pick(lines),
    spacingMm: between(1500, 3000),
    count: 2,
    section: { shape: 'circle', diameterMm: 400 },
  }),
  'columns.take': ({ building, between }) => ({
    building,
    columns: [{ xMm: between(0, 20_000), yMm: between(0, 14_000), section: { shape: 'circle', diameterMm: 400 } }],
  }),
  'columns.copy': ({ one, between }) => ({ columns: [one('columnStack')], xMm: between(1000, 9000), yMm: 700 }),
  'columns.change': ({ one, between }) => ({
    column: one('columnStack'),
    section: { shape: 'circle', diameterMm: between(300, 700) },
  }),
  'columns.except': ({ one, pick, levels, between }) => ({
    columns: [one('columnStack')],
    level: pick(levels),
    xMm: between(1, 200),
  }),
  'columns.asBelow': ({ framework, pick }) => {
    const { id, exceptions } = pick(recordsOf(framework, 'columnStack').filter((stack) => stack.exceptions.length > 0));
    return { columns: [id], level: exceptions[0]!.level };
  },
  'columns.setBlocks': ({ one, between }) => ({
    columns: [one('columnStack')],
    head: { widthMm: 1200, depthMm: 1200, heightMm: between(100, 500) },
  }),
  'columns.carriedBy': ({ one, pick, levels, random }) => ({
    column: one('columnStack'),
    level: pick(levels),
    words: `beam ${Math.floor(random() * 1e6)}`,
  }),
  'columns.editTable': ({ one, pick, levels, between }) => ({
    cells: [
      { column: one('columnStack'), level: pick(levels), value: { shape: 'circle', diameterMm: between(300, 700) } },
    ],
  }),
  'floors.add': ({ building, between }) => ({ building, outline: square(between(4000, 20_000)) }),
  'floors.change': ({ one, between }) => ({ floor: one('floorPlate'), thicknessMm: between(150, 400) }),
  'floors.except': ({ one, pick, levels, between }) => ({
    floor: one('floorPlate'),
    level: pick(levels),
    thicknessMm: between(150, 400),
  }),
  'shafts.add': ({ building, between }) => ({
    building,
    outline: square(between(800, 3000), `${between(0, 20_000)},0`),
  }),
  'shafts.change': ({ one, pick, levels }) => ({
    shaft: one('shaft'),
    stopsAt: { level: pick(levels), offsetMm: pick([0, 1, 2, 3]) },
  }),
  'cores.build': ({ building, between }) => ({
    building,
    place: `${between(0, 9000)},40000`,
    widthMm: 9000,
    depthMm: 9000,
    brief: { lifts: { count: 1 }, stairs: { count: 1 } },
    rules: 'private',
  }),
  'shafts.setLift': ({ framework, pick, between }) => ({
    shaft: pick(recordsOf(framework, 'shaft').filter(({ purpose }) => purpose === 'lift')).id,
    lift: { pitMm: between(1000, 2500), doorWidthMm: between(800, 1200) },
  }),
  'shafts.except': ({ one, pick, levels }) => ({
    shaft: one('shaft'),
    level: pick(levels),
    slab: pick(['closed', 'sleeves']),
  }),
  ...CLIMBING_MAKERS,
  ...ROOF_MAKERS,
  ...WALL_MAKERS,
  ...CORNER_MAKERS,
  'ceilings.add': ({ building, between }) => ({ building, heightMm: between(2200, 3000), levels: { at: ['01'] } }),
  'ceilings.change': ({ one, between }) => ({ ceiling: one('ceiling'), heightMm: between(2200, 3000) }),
  'ceilings.except': ({ one, between }) => ({ ceiling: one('ceiling'), level: '01', heightMm: between(2200, 3000) }),
  'beams.add': ({ building, between, random }) => ({
    building,
    from: `${between(0, 9000)},${between(0, 9000)}`,
    to: `${between(10_000, 20_000)},${between(0, 9000)}`,
    depthMm: between(100, 900),
    form: random() < 0.5 ? 'beam' : 'downstand',
  }),
  'beams.change': ({ one, between }) => ({ beam: one('beam'), depthMm: between(100, 900) }),
  'beams.except': ({ one, between }) => ({ beam: one('beam'), level: '01', depthMm: between(100, 900) }),
  'foundations.add': ({ building, between }) => ({ building, form: 'raft', outline: square(between(9000, 20_000)) }),
  'foundations.change': ({ one, between }) => ({ foundation: one('foundation'), thicknessMm: between(300, 1500) }),
  'cores.add': ({ framework, pick }) => {
    const taken = new Set(recordsOf(framework, 'core').flatMap(({ members }) => members));
    return {
      ids: [
        pick([...recordsOf(framework, 'shaft'), ...recordsOf(framework, 'stair')].filter(({ id }) => !taken.has(id)))
          .id,
      ],
    };
  },
  'cores.change': ({ one, random }) => ({ core: one('core'), name: `K${Math.floor(random() * 1e6)}` }),
  'cores.release': ({ one }) => ({ core: one('core') }),
  'typical.follow': ({ pick, levels }) => ({ master: pick(levels), levels: [pick(levels)] }),
  'typical.release': ({ framework, pick, random }) => ({
    levels: [pick(pick(recordsOf(framework, 'typical')).levels)],
    keep: random() < 0.7,
  }),
  'carry.to': ({ one, pick, levels }) => ({
    ids: [one(pick(['columnStack', 'shaft', 'stair', 'wall']))],
    lowest: pick(levels),
    topmost: pick(levels),
  }),
  'carry.storeys': ({ pick, levels, building }) => ({ from: pick(levels), to: pick(levels), building }),
  'carry.wholeBuilding': ({ framework, between }) => ({
    building: recordsOf(framework, 'building').find(({ id }) => storeyLevels(framework, id).length === 0)?.id ?? 'none',
    storeys: '2@3.3m',
    outline: square(between(6000, 20_000)),
  }),
  'elements.move': ({ one, pick, between }) => ({
    ids: [one(pick(['columnStack', 'shaft', 'stair', 'wall']))],
    xMm: between(1, 900),
    yMm: 0,
  }),
  'elements.remove': ({ one, pick }) => ({ ids: [one(pick(['columnStack', 'shaft', 'stair', 'room']))] }),
  'elements.turn': ({ one, pick, between }) => {
    const copies = pick([true, false]);
    return {
      ids: [one(pick(['columnStack', 'shaft', 'stair', 'wall']))],
      about: { xMm: between(0, 20_000), yMm: between(0, 20_000) },
      turnDeg: pick([-90, 12.5, 90, 180]),
      copies,
      ...(copies ? { count: pick([1, 2]) } : {}),
    };
  },
  'elements.setEnd': ({ one, pick, levels, between }) => {
    const side = pick(['start', 'stop'] as const);
    return {
      id: one(pick(['columnStack', 'shaft', 'stair', 'wall'])),
      side,
      end: {
        level: pick(levels),
        face: side === 'start' ? pick(['SSL', 'FFL'] as const) : pick(['SSL', 'FFL', 'soffit'] as const),
        offsetMm: pick([0, 0, between(1, 400)]),
      },
    };
  },
  'elements.paste': ({ framework, one, pick, between }) => {
    const id = one(pick(['shaft', 'stair', 'wall', 'room', 'columnStack']));
    const { building } = framework.records.get(id) as { building: string };
    const storeys = storeyLevels(framework, building).map((level) => level.id);
    return {
      pieces: piecesOf(framework, [id], pick(storeys)),
      building,
      levels: [pick(storeys)],
      xMm: between(1, 9000),
      yMm: between(1, 900),
    };
  },
  'elements.copy': ({ one, pick, between }) => ({
    ids: [one(pick(['shaft', 'stair', 'wall']))],
    by: [{ xMm: between(1, 9000), yMm: 0 }],
  }),
  'elements.mirror': ({ one, pick, lines }) => ({
    ids: [one(pick(['columnStack', 'shaft', 'stair']))],
    line: pick(lines),
  }),
  'dimensions.define': ({ random, between }) => ({ name: `d${Math.floor(random() * 1e6)}`, value: between(1, 9000) }),
  'dimensions.remove': ({ one }) => ({ dimension: one('dimension') }),
  'views.setMark': ({ building, pick, lines, between }) => ({
    building,
    view: 'plan',
    of: pick(lines),
    end: pick([0, 1]),
    placed: { acrossMm: between(1, 900), outMm: 0 },
  }),
  'views.keep': ({ building, pick, levels, random }) => ({
    building,
    name: `V${Math.floor(random() * 1e6)}`,
    level: pick(levels),
    hidden: ['grids'],
  }),
  'views.drop': ({ framework, pick }) => ({ name: pick(recordsOf(framework, 'namedView')).name }),
  'views.clearMarks': ({ framework, pick }) => {
    const { building, view } = pick(recordsOf(framework, 'viewMark'));
    return { building, view };
  },
  'underlays.add': ({ building, random }) => ({
    building,
    name: `U${Math.floor(random() * 1e6)}`,
    sha256: SHA(Math.floor(random() * 1e9)),
    content: 'picture',
    width: 800,
    height: 600,
    mmPerUnit: 20,
  }),
  'underlays.change': ({ one, random }) => ({ underlay: one('underlay'), name: `U${Math.floor(random() * 1e6)}` }),
  'underlays.register': ({ one, between }) => ({
    underlay: one('underlay'),
    points: [{ from: { xMm: 0, yMm: 0 }, to: { xMm: between(1, 900), yMm: between(1, 900) } }],
  }),
  'underlays.replace': ({ one, random }) => ({
    underlay: one('underlay'),
    sha256: SHA(Math.floor(random() * 1e9)),
    content: 'picture',
    width: 640,
    height: 480,
  }),
  'underlays.remove': ({ one }) => ({ underlay: one('underlay') }),
};
