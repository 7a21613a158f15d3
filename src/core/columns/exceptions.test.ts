import { recordsOf, type Framework } from '../model/framework';
import { solve } from '../solving/solve';
import { FURNISHED, given, levelId, refusal, step, afterFrom } from '../testing/given';
import { parseSection, sectionInput } from './section-text';
import { sectionArea, sectionRing } from './section-shape';
import { ringArea } from '../geometry/polygon';
import type { CommandInputs } from '../commands/command-inputs';

const tower = given(FURNISHED);
const after = afterFrom(tower);
const pieces = (framework: Framework, mark = 'B-2') => solve(framework).columns.filter((piece) => piece.mark === mark);
const sizes = (framework: Framework, mark = 'B-2') =>
  pieces(framework, mark).map(({ section }) =>
    section.shape === 'circle' ? `r${section.diameterMm}` : section.widthMm,
  );
const rules = (framework: Framework) => solve(framework).findings.map(({ rule }) => rule);
const box = (widthMm: number, depthMm = widthMm) => ({ shape: 'rectangle' as const, widthMm, depthMm });

describe('a stack that differs by level', () => {
  it('steps its size from a level up until another step, or at one level only', () => {
    const up = after('columns.except', { columns: ['B-2'], level: '01', upwards: true, section: box(400) });
    expect(sizes(up)).toEqual([500, 500, 500, 400, 400, 400, 400]);
    const twice = after('columns.except', { columns: ['B-2'], level: '03', upwards: true, section: box(300) }, up);
    const here = after(
      'columns.except',
      { columns: ['B-2'], level: '02', section: { shape: 'circle', diameterMm: 350 } },
      twice,
    );
    expect(sizes(here)).toEqual([500, 500, 500, 400, 'r350', 300, 300]);
    expect(sizes(after('columns.asBelow', { columns: ['B-2'], level: '02' }, here))).toEqual([
      500, 500, 500, 400, 400, 300, 300,
    ]);
    // An inserted level inherits what runs upwards, not what is for one level.
    const inserted = after('levels.insert', { level: '02', heightMm: 3000 }, here);
    expect(sizes(inserted)).toEqual([500, 500, 500, 400, 'r350', 400, 300, 300]);
  });

  it('keeps its centre or a face when it steps', () => {
    const step = (keep: CommandInputs['columns.except']['keep']) =>
      pieces(after('columns.except', { columns: ['B-2'], level: '01', upwards: true, section: box(300), keep })).at(-1)!
        .at;
    expect(step('centre')).toEqual({ x: 7200, y: 6600 });
    expect(step('x+')).toEqual({ x: 7300, y: 6600 });
    expect(step('y-')).toEqual({ x: 7200, y: 6500 });
    const twice = after(
      'columns.except',
      { columns: ['B-2'], level: '03', upwards: true, section: box(200), keep: 'x+' },
      after('columns.except', { columns: ['B-2'], level: '01', upwards: true, section: box(300), keep: 'x+' }),
    );
    // The face stays at 7200 + 250.
    expect(
      pieces(twice).map(({ at, section }) => at.x + (section.shape === 'circle' ? 0 : section.widthMm / 2)),
    ).toEqual(Array(7).fill(7450));
  });

  it('left out at a level stands on nothing above, until what carries it is named', () => {
    const out = after('columns.except', { columns: ['B-2'], level: '00', leftOut: true });
    expect(pieces(out)).toHaveLength(6);
    const found = solve(out).findings.filter(({ rule }) => rule === 'column.transfer');
    expect(found.map(({ level, severity }) => [level, severity])).toEqual([[levelId(out, '01'), 'error']]);
    const named = after('columns.carriedBy', { column: 'B-2', level: '01', words: 'beam T1' }, out);
    expect(rules(named)).toEqual([]);
    expect(rules(after('columns.carriedBy', { column: 'B-2', level: '01', words: null }, named))).toEqual([
      'column.transfer',
    ]);
    const gone = after('columns.except', { columns: ['B-2'], level: '01', upwards: true, leftOut: true });
    expect([pieces(gone).length, rules(gone)]).toEqual([3, []]);
  });

  it('moved or larger above is found', () => {
    const larger = after('columns.except', { columns: ['B-2'], level: '01', upwards: true, section: box(700) });
    expect(rules(larger)).toEqual(['column.largerAbove']);
    const moved = after('columns.except', { columns: ['B-2'], level: '01', upwards: true, xMm: 300 });
    expect(rules(moved)).toEqual(['column.outOfPlumb']);
    expect(pieces(moved).map(({ at }) => at.x)).toEqual([7200, 7200, 7200, 7500, 7500, 7500, 7500]);
    const within = after('columns.except', {
      columns: ['B-2'],
      level: '01',
      upwards: true,
      section: box(300),
      keep: 'x-',
    });
    expect(rules(within)).toEqual([]);
  });

  it('goes on from the next level when its level goes', () => {
    const up = after('columns.except', { columns: ['B-2'], level: '01', upwards: true, section: box(400) });
    expect(sizes(after('levels.remove', { level: '01' }, up))).toEqual([500, 500, 500, 400, 400, 400]);
    const here = after('columns.except', { columns: ['B-2'], level: '01', section: box(400) });
    expect(sizes(after('levels.remove', { level: '01' }, here))).toEqual(Array(6).fill(500));
  });

  it('is edited in a table, many cells as one edit', () => {
    const cells: CommandInputs['columns.editTable']['cells'] = [
      { column: 'A-1', level: '00', value: box(450) },
      { column: 'A-1', level: '01', value: 'leftOut' },
      { column: 'B-2', level: '03', value: { shape: 'I', widthMm: 300, depthMm: 300, webMm: 11, flangeMm: 19 } },
    ];
    const edited = step(tower, 'columns.editTable', { cells });
    expect(edited.changes.patched).toHaveLength(2);
    expect(sizes(edited.after, 'A-1')).toEqual([500, 500, 450, 500, 500, 500]);
    expect(pieces(edited.after)[5]!.section).toEqual({
      shape: 'I',
      widthMm: 300,
      depthMm: 300,
      webMm: 11,
      flangeMm: 19,
    });
    const undone = after('columns.editTable', { cells: cells.map((cell) => ({ ...cell, value: null })) }, edited.after);
    expect(recordsOf(undone, 'columnStack').every(({ exceptions }) => exceptions.length === 0)).toBe(true);
  });
});

describe('heads and thickenings', () => {
  const headed = after('columns.setBlocks', {
    columns: ['B-2', 'B-3'],
    head: { widthMm: 1200, depthMm: 1200, heightMm: 400 },
    thickening: { widthMm: 2400, depthMm: 2400, heightMm: 150 },
  });
  const blocks = (framework: Framework) => solve(framework).blocks.filter(({ mark }) => mark === 'B-2');

  it('stand under every slab but the top, the thickening above the head', () => {
    expect(blocks(headed)).toHaveLength(2 * 6);
    const at01 = blocks(headed).filter(({ level }) => level === levelId(headed, '01'));
    expect(at01.map(({ block, topMm, bottomMm }) => [block, topMm, bottomMm])).toEqual([
      ['thickening', 5050, 4900],
      ['head', 4900, 4500],
    ]);
    expect(at01[1]!.volumeMm3).toBe((1200 * 1200 - 500 * 500) * 400);
    const roof = solve(headed).levels.at(-1)!.id;
    expect(blocks(headed).some(({ level }) => level === roof)).toBe(false);
  });

  it('stand at chosen levels, and are taken away', () => {
    const some = after('columns.setBlocks', { columns: ['B-2'], at: ['02'] }, headed);
    expect(blocks(some).map(({ level }) => level)).toEqual(Array(2).fill(levelId(some, '02')));
    expect(blocks(after('columns.setBlocks', { columns: ['B-2'], head: null, thickening: null }, headed))).toEqual([]);
    expect(
      refusal(tower, 'columns.setBlocks', { columns: ['B-2'], head: { widthMm: 5, depthMm: 5, heightMm: 5 } }),
    ).toMatch(/head width/);
  });
});

describe('an I-shape', () => {
  it('has its area by hand and by its ring', () => {
    const shape = { shape: 'I' as const, widthMm: 300, depthMm: 310, webMm: 11, flangeMm: 20 } as const;
    expect(sectionArea(shape)).toBe(2 * 300 * 20 + 270 * 11);
    expect(ringArea(sectionRing(shape, { x: 40, y: 70 }, 0))).toBeCloseTo(sectionArea(shape), 6);
    const steel = after('columns.change', { columns: ['B-2', 'B-3'], section: shape, material: 'steel' });
    expect(pieces(steel)[2]!.volumeMm3).toBeCloseTo(sectionArea(shape) * 5150, 3);
  });

  it('is typed like other sections', () => {
    const read = (text: string) => {
      const parsed = parseSection(text);
      return parsed.ok ? sectionInput(parsed.value, Number) : parsed.refusal.message;
    };
    expect(read('I 300x310x11x20')).toEqual({ shape: 'I', widthMm: 300, depthMm: 310, webMm: 11, flangeMm: 20 });
    expect(read('500×600')).toEqual({ shape: 'rectangle', widthMm: 500, depthMm: 600 });
    expect(read('⌀550')).toEqual({ shape: 'circle', diameterMm: 550 });
    expect(read('I 300x310')).toMatch(/no section/);
    expect(read('nonsense')).toMatch(/no section/);
  });
});

it('columns are copied by a distance, on crossings where they land on one', () => {
  const bare = given(FURNISHED.filter(([name]) => !name.startsWith('columns')));
  const one = after('columns.place', { place: 'A-1', section: box(400) }, bare);
  const id = recordsOf(one, 'columnStack')[0]!.id;
  const copied = after('columns.copy', { columns: [id], xMm: 7200, yMm: 0, count: 2 }, one);
  expect([...new Set(solve(copied).columns.map(({ mark }) => mark))].sort()).toEqual(['A-1', 'A-2', 'A-3']);
});
