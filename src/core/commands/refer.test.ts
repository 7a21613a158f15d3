import { recordsOf } from '../model/framework';
import { given, FURNISHED, refusal, step } from '../testing/given';
import {
  buildingReferred,
  crossingReferred,
  gridReferred,
  levelReferred,
  lineReferred,
  markOf,
  thingReferred,
} from './refer';

const tower = given(FURNISHED);
const two = given(
  [
    ['buildings.add', { name: 'Annex' }],
    ['levels.setUp', { building: 'Annex', above: '2@4m' }],
    ['grids.add', { building: 'Annex', name: 'Annex grid', baysA: '5000', baysB: '5000' }],
  ],
  tower,
);
const building = (name: string) => recordsOf(two, 'building').find((each) => each.name === name)!.id;
const message = (work: () => unknown): string => {
  try {
    work();
    return 'found';
  } catch (error) {
    const { refusal: told, message: said } = error as { refusal?: { message: string }; message?: string };
    return told?.message ?? said ?? '';
  }
};

describe('things referred to in a command', () => {
  it('are found by name where one has it, and by id always', () => {
    expect(levelReferred(tower, '01').record.name).toBe('01');
    expect(levelReferred(two, levelReferred(tower, '01').id).record.building).toBe(building('Hall'));
    expect(gridReferred(two, 'Annex grid').a).toHaveLength(2);
    expect(lineReferred(tower, 'C')[1].offsetMm).toBe(14400);
    expect(crossingReferred(tower, 'C-4').at).toEqual({ x: 18000, y: 14400 });
    expect(thingReferred(tower, 'columnStack', 'B-2').kind).toBe('columnStack');
    expect(thingReferred(tower, 'shaft', 'S1').name).toBe('S1');
    expect(markOf(tower, thingReferred(tower, 'columnStack', 'B-2'))).toBe('B-2');
  });

  it('are the only ones there are when none is named, and asked for when there are more', () => {
    expect(buildingReferred(tower, undefined)).toBe(building('Hall'));
    expect(message(() => buildingReferred(two, undefined))).toMatch(/Say which building/);
    expect(message(() => gridReferred(two, undefined))).toMatch(/Say which grid/);
    expect(gridReferred(two, undefined, building('Annex')).record.name).toBe('Annex grid');
    expect(message(() => gridReferred(given([['buildings.add', { name: 'E' }]]), undefined))).toMatch(/no grid yet/);
  });

  it('are asked for by id when several have the name, and said to be missing when none has', () => {
    expect(message(() => levelReferred(two, '01'))).toMatch(/There are 2 levels named 01. Say which one by its id/);
    expect(levelReferred(two, '01', building('Annex')).fflMm).toBe(4000);
    expect(message(() => lineReferred(two, '1'))).toMatch(/There are 2 grid lines/);
    expect(message(() => thingReferred(tower, 'shaft', 'S9'))).toBe('There is no shaft named S9');
    const gone = recordsOf(tower, 'shaft')[0]!.id;
    const without = step(tower, 'elements.remove', { ids: [gone] }).after;
    expect(refusal(without, 'shafts.change', { shaft: gone, name: 'x' })).toMatch(/not there any more/);
  });

  it('follow their marks: a column is called by its crossing after the lines are relabelled', () => {
    const relabelled = step(tower, 'grids.relabel', { line: '2', label: '22' }).after;
    expect(thingReferred(relabelled, 'columnStack', 'B-22').id).toBe(thingReferred(tower, 'columnStack', 'B-2').id);
    expect(message(() => thingReferred(relabelled, 'columnStack', 'B-2'))).toMatch(/no column stack named B-2/);
    const named = step(relabelled, 'columns.change', { column: 'B-22', name: 'K1' }).after;
    expect(thingReferred(named, 'columnStack', 'K1').name).toBe('K1');
  });
});
