import { solve } from '@/core/solving/solve';
import { recordsOf } from '@/core/model/framework';
import { corners, WALL_200 } from '@/core/testing/drawn';
import { FURNISHED, given } from '@/core/testing/given';
import type { Project } from '../session/project';
import { actsFor } from './acts';

const framework = given(
  [
    [
      'walls.add',
      { name: 'W', type: WALL_200, place: '0,0', points: corners('1000,3000 9000,3000'), startsAt: { level: '00' } },
    ],
    [
      'walls.add',
      { name: 'V', type: WALL_200, place: '0,0', points: corners('1000,5000 9000,5000'), startsAt: { level: '00' } },
    ],
  ],
  given(FURNISHED),
);
const solved = solve(framework);
const id = (name: string) => [...framework.records.values()].find((each) => 'name' in each && each.name === name)!.id;
const column = recordsOf(framework, 'columnStack')[0]!.id;

/** What is offered for what is chosen; `chosen` hears what is chosen next. */
const offered = (selection: string[], more: Partial<Project> = {}) => {
  const groups = actsFor({
    framework,
    solved,
    selection,
    building: solved.buildings[0]!.id,
    level: solved.levels.find(({ name }) => name === '00')!.id,
    mayEdit: true,
    ...more,
  } as Project);
  const words = (acts: readonly { words: string }[] = []) => acts.map((each) => each.words);
  return { few: words(groups?.few), more: words(groups?.more), groups };
};

describe('what is offered for what is chosen', () => {
  it('is nothing where nothing is, and for who may only look what changes nothing', () => {
    expect(offered([]).groups).toBeNull();
    const looking = offered([id('W')], { mayEdit: false });
    expect(looking.few).toEqual([]);
    expect(looking.more).toEqual([
      'Choose all walls on this level',
      'Choose all walls on all levels',
      'Choose the walls that go on from it',
    ]);
  });

  it('has what its kind has besides: a wall is split, two are brought to meet or joined', () => {
    expect(offered([id('W')]).few).toEqual(['Move', 'Copy', 'Mirror', 'Turn', 'Flush', 'Split']);
    expect(offered([id('W'), id('V')]).few).toEqual(['Move', 'Copy', 'Mirror', 'Turn', 'Flush', 'Meet', 'Join']);
    expect(offered([id('W'), column]).few).toEqual(['Move', 'Copy', 'Mirror', 'Turn', 'Flush']);
  });

  it('offsets edges only of what they go round', () => {
    expect(offered([id('S1')]).more).toContain('Offset');
    expect(offered([id('S1'), id('Plate')]).more).toContain('Offset');
    expect(offered([id('W')]).more).not.toContain('Offset');
    expect(offered([id('S1'), id('W')]).more).not.toContain('Offset');
  });

  it('chooses all of a kind here, or everywhere', () => {
    let chosen: string[] = [];
    const select = (ids: string[]) => void (chosen = ids);
    const { groups } = offered([id('W')], { select });
    const here = groups!.more.find(({ words }) => words === 'Choose all walls on this level')!;
    expect(
      here.act({ framework, solved, level: solved.levels.find(({ name }) => name === '00')!.id, select } as Project),
    ).toBeNull();
    expect(new Set(chosen)).toEqual(new Set([id('W'), id('V')]));
    expect(here.act({ framework, solved, level: solved.levels.at(-1)!.id, select } as Project)).toBeNull();
    expect(chosen).toEqual([]);
  });
});
