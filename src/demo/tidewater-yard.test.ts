import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { plan } from '@/core/commands/commands';
import { EMPTY_FRAMEWORK } from '@/core/model/framework';
import { derivedCommandId } from '@/core/model/ids';
import { reportSchema } from '@/core/report/report';
import { solve } from '@/core/solving/solve';
import { TIDEWATER_YARD } from './tidewater-yard';

const folder = mkdtempSync(join(tmpdir(), 'spine-demo-'));
const at = (name: string) => join(folder, name);
const spine = (...args: string[]) =>
  spawnSync(process.execPath, ['scripts/spine.mjs', ...args], { encoding: 'utf8', maxBuffer: 64e6 });

it('is built by its script alone, the same bytes each time, with its findings said and exit code 1', () => {
  writeFileSync(at('demo.json'), JSON.stringify(TIDEWATER_YARD));
  for (const name of ['one', 'two']) {
    expect(spine('run', at('demo.json'), '--save', at(`${name}.spine.json`)).status).toBe(1);
  }
  expect(readFileSync(at('one.spine.json'))).toEqual(readFileSync(at('two.spine.json')));
  const { status, stdout } = spine('report', at('one.spine.json'));
  expect(status).toBe(1);
  const { findings, project, buildings } = reportSchema.parse(JSON.parse(stdout));
  expect([project, ...buildings.map(({ name }) => name)]).toContain('Tidewater Yard');
  expect(findings.filter(({ severity }) => severity === 'error').length).toBeGreaterThan(0);
}, 60_000);

describe('the made-up music school', () => {
  const framework = TIDEWATER_YARD.reduce((now, { command, input }, i) => {
    const planned = plan(now, command, input, derivedCommandId('demo', String(i)));
    if (!planned.ok) throw new Error(`${command}: ${planned.refusal.message}`);
    return planned.value.after;
  }, EMPTY_FRAMEWORK);
  const solved = solve(framework);
  const id = (name: string) => solved.buildings.find((building) => building.name === name)!.id;
  const levels = (name: string) => solved.levels.filter(({ building }) => building === id(name));
  const stacks = (name: string, level: string) =>
    solved.columns.filter(
      (piece) => piece.building === id(name) && piece.level === levels(name).find((each) => each.name === level)!.id,
    ).length;

  it('has the hall house of two basements, twelve storeys, plant, roof and parapet, and the annex 600 higher', () => {
    expect(
      levels('Hall house')
        .map(({ name }) => name)
        .join(' '),
    ).toBe('B2 B1 00 01 02 03 04 05 06 07 08 09 10 11 12 RF PP');
    expect(levels('Annex').map(({ fflMm }) => fflMm)).toEqual([0, 4200, 7800, 11400]);
    expect(solved.buildings.find(({ name }) => name === 'Annex')!.zeroMm).toBe(600);
  });

  it('is set back above level 09, where the columns under the terrace stop', () => {
    const area = (name: string) =>
      solved.profiles[
        solved.floors.find(({ level }) => level === levels('Hall house').find((each) => each.name === name)!.id)!
          .profile
      ]!.areaMm2 / 1e6;
    expect(area('09') - area('10')).toBeGreaterThan(40);
    expect([stacks('Hall house', '08'), stacks('Hall house', '09')]).toEqual([29, 28]);
    expect(stacks('Annex', '00')).toBe(12 + 10);
  });

  it('has a rotunda of rays and rings beside the annex, slimmer columns above, heads over the hall, and survey coordinates', () => {
    const rays = solved.lines.filter(({ building, bayDeg }) => building === id('Annex') && bayDeg !== null);
    expect(rays.map(({ label }) => label)).toEqual(['31', '32', '33', '34', '35']);
    expect(
      new Set(solved.columns.filter(({ mark }) => mark === 'B-2').map(({ section }) => JSON.stringify(section))).size,
    ).toBe(2);
    expect(solved.blocks).toHaveLength(9);
    expect(solved.survey?.trueNorthDeg).toBe(6.1);
    expect(solved.settingOut.map(({ name }) => name).sort()).toEqual(['Face A', 'Face E']);
  });

  it('is furnished on every storey: rooms with their doors, wet cells, windows all round, corridors clear of columns', () => {
    const rooms = solved.rooms.filter(({ building }) => building === id('Hall house'));
    const storeys = levels('Hall house').filter(({ bounding, levelKind }) => bounding && levelKind !== 'roof');
    for (const storey of storeys) expect(rooms.filter(({ level }) => level === storey.id).length).toBeGreaterThan(1);
    const students = rooms.filter(({ name }) => name.startsWith('Student room'));
    expect(students).toHaveLength(20 * 6);
    for (const { netMm2 } of students) {
      expect(netMm2 / 1e6).toBeGreaterThan(14);
      expect(netMm2 / 1e6).toBeLessThan(18);
    }
    const openings = solved.walls.flatMap((wall) => wall.openings);
    const of = (kind: string) => openings.filter(({ opening }) => opening === kind).length;
    expect(rooms.length).toBeGreaterThan(190);
    expect(of('door')).toBeGreaterThan(260);
    expect(of('window')).toBeGreaterThan(230);
  });

  it('holds a handful of true findings and nothing else', () => {
    expect(solved.findings.map(({ rule, message }) => `${rule}: ${message.split('.')[0]}`).sort()).toEqual([
      'column.insideShaft: Column C-6 stands in shaft Hall at level 01',
      'column.insideShaft: Column C-6 stands in shaft Hall at level 02',
      'escape.deadEnd: From room B2',
      expect.stringMatching(/^level.lowClear: Storey 01 has \d+ mm clear/),
    ]);
  });
});
