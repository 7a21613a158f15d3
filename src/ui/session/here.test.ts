import type { Here } from '@/core/people/told';
import { eachOnce, heardOther } from './here';
import type { Other } from './project';

const here = (tab: string, userId: string, level: string | null = 'l1', isOpen = true): Here => ({
  projectId: 'p',
  tab,
  userId,
  name: `Name of ${userId}`,
  place: isOpen ? { building: 'b', level, view: 'plan', selection: [] } : null,
});
const after = (told: [Here, number][]): Other[] =>
  told.reduce<Other[]>((others, [each, at]) => heardOther(others, each, 'me', at), []);

describe('who else is here', () => {
  it('is who was heard, but oneself, until their tab closes', () => {
    expect(
      after([
        [here('a', 'ada'), 0],
        [here('b', 'me'), 1],
      ]).map(({ userId }) => userId),
    ).toEqual(['ada']);
    expect(
      after([
        [here('a', 'ada'), 0],
        [here('a', 'ada', 'l1', false), 1],
      ]),
    ).toEqual([]);
  });

  it('is who was heard lately: a tab that says nothing any more is gone', () => {
    const told = after([
      [here('a', 'ada'), 0],
      [here('s', 'sten'), 44_000],
      [here('s', 'sten'), 46_000],
    ]);
    expect(told.map(({ userId }) => userId)).toEqual(['sten']);
  });

  it('is each person once, where they were last', () => {
    const told = eachOnce(
      after([
        [here('a', 'ada', 'l1'), 0],
        [here('b', 'ada', 'l2'), 5],
        [here('s', 'sten'), 6],
      ]),
    );
    expect(told.map(({ userId, place }) => [userId, place.level])).toEqual([
      ['ada', 'l2'],
      ['sten', 'l1'],
    ]);
  });
});
