import { solve } from '../solving/solve';
import { recordsOf, type Framework } from '../model/framework';
import { FURNISHED, given, step, afterFrom } from '../testing/given';
import { finding } from './finding';

const tower = given(FURNISHED);
const after = afterFrom(tower);
const found = (framework: Framework, rule?: string) =>
  solve(framework).findings.filter((each) => rule === undefined || each.rule === rule);
const column = (place: string, more: Record<string, unknown> = {}) =>
  after('columns.place', { place, section: { shape: 'rectangle', widthMm: 400, depthMm: 400 }, ...more });
/** Shaft S1 stands at x 2000 … 4400, y 1500 … 4500; the slab reaches from −300 to 25500 and 14700. */

it('a sound framework has no findings', () => expect(found(tower)).toEqual([]));

describe('a column in a shaft', () => {
  it('is wrong at every level where both stand', () => {
    const inside = found(column('3000,3000'), 'column.insideShaft');
    expect(inside).toHaveLength(7);
    expect(new Set(inside.map(({ level }) => level)).size).toBe(7);
    expect(inside[0]!.severity).toBe('error');
  });
  it('is none where it only touches, and one where it stands 1 mm in', () => {
    expect(found(column('1800,3000'), 'column.insideShaft')).toEqual([]);
    expect(found(column('1801,3000'), 'column.insideShaft')).toHaveLength(7);
  });
  it('is none above where the shaft stops', () => {
    const short = after('shafts.change', { shaft: 'S1', stopsAt: { level: '02' } });
    expect(
      found(
        step(short, 'columns.place', {
          place: '3000,3000',
          section: { shape: 'circle', diameterMm: 400 },
          startsAt: { level: '03' },
        }).after,
        'column.insideShaft',
      ),
    ).toEqual([]);
  });
  it('is found for a turned column by its corner', () => {
    const turned = (turnDeg: number) => found(column('1750,3000', { turnDeg }), 'column.insideShaft').length;
    expect([turned(0), turned(45)]).toEqual([0, 7]);
  });
});

describe('a column off the slab', () => {
  it('is wrong when none of it stands there, and to be looked at when part of it does', () => {
    expect(found(column('-600,3000')).map(({ severity }) => severity)).toEqual(Array(8 - 1).fill('error'));
    const part = found(column('-300,3000'));
    expect(part.map(({ severity }) => severity)).toEqual(Array(7).fill('warning'));
    expect(part[0]!.message).toContain('50 % over the slab edge');
    expect(found(column('-100,3000'))).toEqual([]);
  });
  it('stands on two slabs that meet under it', () => {
    const halves = given(
      [
        ['floors.add', { name: 'West', outline: { type: 'rectangle', place: '0,0', widthMm: 6000, depthMm: 9000 } }],
        ['floors.add', { name: 'East', outline: { type: 'rectangle', place: '6000,0', widthMm: 6000, depthMm: 9000 } }],
        ['foundations.add', { form: 'raft' }],
        ['columns.place', { place: '6000,4500', section: { shape: 'rectangle', widthMm: 400, depthMm: 400 } }],
      ],
      given(FURNISHED.filter(([name]) => name.startsWith('buildings') || name.startsWith('levels'))),
    );
    expect(found(halves)).toEqual([]);
  });
  it('a floor left out upwards is missed at no level from there up, and at those below as ever', () => {
    const plate = { name: 'P', outline: { type: 'rectangle' as const, place: '0,0', widthMm: 9000, depthMm: 9000 } };
    const framework = given([
      ['buildings.add', { name: 'T' }],
      ['levels.setUp', { above: '5@3m' }],
      ['floors.add', { ...plate, levels: { range: ['01', '04'] } }],
      ['floors.except', { floor: 'P', level: '03', upwards: true, leftOut: true }],
    ]);
    const named = new Map(solve(framework).levels.map(({ id, name }) => [id, name]));
    const missed = solve(framework).findings.filter(({ rule }) => rule === 'level.noSlab');
    expect(missed.map(({ level }) => named.get(level ?? ''))).toEqual(expect.arrayContaining(['00', 'RF']));
    expect(missed).toHaveLength(2);
  });
  it('is no finding at a level that has no slab at all', () => {
    const low = after('floors.change', { floor: 'Plate', levels: { range: ['B2', '01'] } });
    expect(found(low).filter(({ rule }) => rule !== 'level.noSlab')).toEqual([]);
  });
});

describe('grid labels given twice', () => {
  it('are one finding per label, with all its lines', () => {
    const twice = after('grids.relabel', { line: '5', label: 'A' });
    const [first, more] = found(twice, 'grid.duplicateLabel');
    expect(first!.about).toHaveLength(2);
    expect(more).toBeUndefined();
    expect(first!.message).toContain('2 grid lines are labelled A');
  });
  it('are none in two buildings, and none without a label', () => {
    const two = given(
      [
        ['buildings.add', { name: 'Annex' }],
        ['grids.add', { building: 'Annex', name: 'G2', baysA: '5000', baysB: '5000' }],
      ],
      tower,
    );
    expect(found(two, 'grid.duplicateLabel')).toEqual([]);
    const split = given(
      [
        ['grids.splitBay', { line: '2' }],
        ['grids.splitBay', { line: 'B' }],
      ],
      tower,
    );
    expect(found(split, 'grid.duplicateLabel')).toEqual([]);
  });
});

describe('findings', () => {
  it('keep their identity through edits elsewhere, and lose it only when they are mended', () => {
    const wrong = column('3000,3000');
    const keys = (framework: Framework) =>
      found(framework)
        .map(({ key }) => key)
        .sort();
    const elsewhere = step(wrong, 'levels.setHeight', { level: '03', heightMm: 3900 }).after;
    expect(keys(elsewhere)).toEqual(keys(wrong));
    const mended = step(elsewhere, 'elements.move', {
      ids: [recordsOf(elsewhere, 'shaft')[0]!.id],
      xMm: 4000,
      yMm: 0,
    }).after;
    expect(keys(mended)).toEqual([]);
  });
  it('are ordered the wrong ones first', () => {
    const both = step(column('-300,3000'), 'grids.relabel', { line: '5', label: 'A' }).after;
    const severities = found(both).map(({ severity }) => severity);
    expect(severities).toEqual([...severities].sort());
    expect(new Set(severities)).toEqual(new Set(['error', 'warning']));
  });
  it('have keys that do not depend on the order things are named in', () => {
    const key = (...about: string[]) => finding('column.insideShaft', 'b', 'l', about, '').key;
    expect(key('x', 'a')).toBe(key('a', 'x'));
    expect(finding('grid.duplicateLabel', 'b', null, ['a'], '').key).toBe('grid.duplicateLabel|a|');
  });
});
