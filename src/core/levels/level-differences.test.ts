import { recordsOf } from '../model/framework';
import { given, SMALL_TOWER, step } from '../testing/given';
import { levelDifferences, otherWords } from './level-differences';
import type { CommandInputs, CommandName } from '../commands/command-inputs';

const bare = given(SMALL_TOWER);
const building = recordsOf(bare, 'building')[0]!.id;
const differences = <Name extends CommandName>(name: Name, input: CommandInputs[Name]) =>
  levelDifferences(bare, step(bare, name, input).after, building).map(
    ({ name: is, formerly, fromMm, toMm }) =>
      `${formerly ? `${formerly}→` : ''}${is} ${fromMm ?? 'new'} ${toMm ?? 'gone'}`,
  );

describe('what would become of the levels', () => {
  it('is nothing where nothing changes', () => {
    expect(levelDifferences(bare, bare, building)).toEqual([]);
  });
  it('tells what else becomes another of a level that stays', () => {
    const after = given(
      [
        ['levels.rename', { level: '01', title: 'Hall' }],
        ['levels.change', { level: '01', buildUpMm: 180 }],
      ],
      bare,
    );
    const [only] = levelDifferences(bare, after, building);
    expect(only!.others.map((other) => otherWords(other, String))).toEqual(['use: none → Hall', 'build-up: 100 → 180']);
  });
  it('names those that move, from the top down', () => {
    expect(differences('levels.setElevation', { level: '03', fflMm: 15_150, mode: 'push' })).toEqual([
      'RF 21600 21750',
      '04 18300 18450',
      '03 15000 15150',
    ]);
  });
  it('names the new, the gone and the renamed', () => {
    expect(differences('levels.insert', { level: '01', heightMm: 2400, mode: 'only', name: 'N' })).toEqual([
      'N new 7800',
    ]);
    expect(differences('levels.remove', { level: '02' })).toEqual(['02 10200 gone']);
    expect(differences('levels.rename', { level: '01', name: 'L1' })).toEqual(['01→L1 5400 5400']);
  });
});
