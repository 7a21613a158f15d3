import { drawPlan } from '../drawing/draw-plan';
import type { PlanView } from '../drawing/plan-view';
import { ghostsOf, withoutKinds } from '../drawing/shown-kinds';
import { recordsOf } from '../model/framework';
import { solve } from '../solving/solve';
import { FURNISHED, given, levelId, refusal, afterFrom } from '../testing/given';
import { VIEW_KINDS, type ViewKind } from '../kinds/view-kinds';

const tower = given(FURNISHED);
const solved = solve(tower);
const after = afterFrom(tower);
const view = (level: string): PlanView => ({
  building: solved.buildings[0]!.id,
  level: levelId(tower, level),
  scale: 100,
  cutAboveMm: 1200,
  writeLength: String,
});
const kindsIn = (hidden: readonly ViewKind[]) => {
  const drawing = withoutKinds(tower, drawPlan(solved, view('B2')), new Set(hidden));
  return new Set(drawing.primitives.map(({ id }) => (id ? tower.records.get(id)!.kind : null)));
};

describe('kept views', () => {
  const kept = after('views.keep', { name: 'Structure', level: '02', hidden: ['walls', 'rooms'], ghosts: ['below'] });
  it('are kept under a name, kept anew under the same, and dropped', () => {
    expect(recordsOf(kept, 'namedView')[0]).toMatchObject({ name: 'Structure', tab: 'plan', ghosts: ['below'] });
    const anew = after('views.keep', { name: 'Structure', tab: 'model' }, kept);
    expect(recordsOf(anew, 'namedView').map(({ tab, level }) => [tab, level])).toEqual([['model', null]]);
    expect(recordsOf(after('views.drop', { name: 'Structure' }, kept), 'namedView')).toEqual([]);
    expect(refusal(tower, 'views.drop', { name: 'Structure' })).toMatch(/no view named Structure/);
  });
  it('outlive the level they show', () => {
    const gone = after('levels.remove', { level: '02' }, kept);
    expect(recordsOf(gone, 'namedView').map(({ level }) => level)).toEqual([null]);
  });
});

describe('a plan', () => {
  it('leaves out the kinds that are hidden, and only those', () => {
    expect(kindsIn([])).toEqual(new Set(['gridLine', 'columnStack', 'floorPlate', 'shaft', 'foundation', null]));
    expect(kindsIn(['grids'])).toEqual(new Set(['columnStack', 'floorPlate', 'shaft', 'foundation']));
    expect(kindsIn(['columns', 'foundations'])).toEqual(new Set(['gridLine', 'floorPlate', 'shaft', null]));
    expect(kindsIn([...VIEW_KINDS])).toEqual(new Set());
  });
  it('shows what stands below and above faint: its columns and the edge of its slab, no grid and no words', () => {
    const moved = after('columns.except', { columns: ['B-2'], level: '01', xMm: 700 });
    const other = solve(moved);
    const ghosts = ghostsOf(moved, other, view('02'), ['below'], new Set());
    const x = (primitives: typeof ghosts) =>
      primitives.flatMap((each) => (each.type === 'area' && each.style === 'columnCut' ? [each.rings[0]![0]!.x] : []));
    const plan = drawPlan(other, view('02')).primitives;
    expect(x(ghosts).filter((at) => !x(plan).includes(at))).toHaveLength(1);
    expect(ghosts.some(({ style, type }) => style === 'gridLine' || type === 'text')).toBe(false);
    expect(ghosts.some(({ style }) => style === 'slabSeen')).toBe(true);
    expect(ghostsOf(moved, other, view('B2'), ['below'], new Set())).toEqual([]);
    expect(ghostsOf(moved, other, view('02'), ['above'], new Set(['columns', 'floors', 'shafts']))).toEqual([]);
  });
});
