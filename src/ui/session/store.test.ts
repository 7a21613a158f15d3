import { plan } from '@/core/commands/commands';
import { recordsOf } from '@/core/model/framework';
import { derivedCommandId } from '@/core/model/ids';
import { solve } from '@/core/solving/solve';
import { FURNISHED, given } from '@/core/testing/given';
import { IMPERIAL, METRIC } from '@/core/units/format-length';
import type { ProjectSession } from './project-session';
import { chooseBuilding, chooseDisplay, chosenDisplay, fieldUnit, makeProjectStore, type Project } from './store';

const framework = given([
  ...FURNISHED,
  ['buildings.add', { name: 'Annex', xMm: 60_000 }],
  ['levels.setUp', { building: 'Annex', above: '3m', below: '3m' }],
]);
const solved = solve(framework);
const building = (name: string) => recordsOf(framework, 'building').find((each) => each.name === name)!.id;

/** A store whose session plans commands on the framework it shows. */
function opened(more: Partial<Project> = {}) {
  const store = makeProjectStore();
  const session = {
    run: (command: string, input: unknown) =>
      plan(store.getState().framework, command as never, input, derivedCommandId('store', command)),
  } as unknown as ProjectSession;
  store.setState({ session, framework, solved, role: 'designer', mayEdit: true, ...more });
  return { store, now: () => store.getState() };
}

describe('a command', () => {
  it('that is done says what was done, and what it made is chosen', () => {
    const { now } = opened();
    expect(
      now().run('columns.place', {
        building: 'Annex',
        place: '3000,3000',
        section: { shape: 'circle', diameterMm: 400 },
      }),
    ).toBeNull();
    expect(now().notice?.kind).toBe('done');
    expect(now().lastDone).toBe('columns.place');
    expect(now().selection).toHaveLength(1);
  });

  it('that changes what is there leaves what is chosen', () => {
    const column = recordsOf(framework, 'columnStack')[0]!.id;
    const { now } = opened({ selection: [column] });
    const level = solved.levels[1]!.id;
    expect(now().run('levels.rename', { level, title: 'Lobby' })).toBeNull();
    expect(now().selection).toEqual([column]);
  });

  it('that makes a grid chooses none of its lines', () => {
    const { now } = opened();
    expect(now().run('grids.add', { building: 'Annex', baysA: '70@3m', baysB: '3@6m' })).toBeNull();
    expect(now().selection).toEqual([]);
  });

  it('that makes very many things at once chooses none of them, for they are a set-up', () => {
    const gridded = (baysA: string) =>
      given([['grids.add', { building: 'Annex', name: 'G', baysA, baysB: '6@6m' }]], framework);
    const place = (baysA: string) => {
      const at = gridded(baysA);
      const store = opened({ framework: at, solved: solve(at) });
      const section = { shape: 'circle' as const, diameterMm: 400 };
      expect(store.now().run('columns.placeAtCrossings', { building: 'Annex', lines: 'all', section })).toBeNull();
      return store.now().selection.length;
    };
    expect(place('4@6m')).toBe(35);
    expect(place('9@6m')).toBe(0);
  });

  it('that is refused answers why, in the reader’s units, and says nothing was done', () => {
    const input = { building: 'Annex', place: '3000,3000', section: { shape: 'circle' as const, diameterMm: 90_000 } };
    const [metric, feet] = [opened(), opened({ display: IMPERIAL })];
    const words = metric.now().run('columns.place', input);
    expect(words).toMatch(/\d mm/);
    expect(feet.now().run('columns.place', input)).not.toMatch(/ mm/);
    expect(metric.now().notice).toBeNull();
    expect(metric.now().lastDone).toBeNull();
  });

  it.each([
    ['is loading', { session: null }, 'The project is still loading'],
    ['is closed to changes', { readOnly: 'It is being moved', mayEdit: false }, 'It is being moved'],
    [
      'is only looked at',
      { mayEdit: false, role: 'viewer' as const },
      'As viewer you can look and measure, but not change the framework',
    ],
  ])('is not done while the project %s', (_, state, words) => {
    const { now } = opened(state);
    expect(now().run('levels.rename', { level: '00', title: 'X' })).toBe(words);
    expect(now().send({ command: 'levels.rename', input: { level: '00', title: 'X' } })).toBe(words);
  });
});

it('what is said is in the reader’s units, and trouble unless it is said otherwise', () => {
  const { now } = opened({ display: IMPERIAL });
  now().say('It is 304.8 mm long');
  expect(now().notice).toEqual({ text: 'It is 1\'-0" long', kind: 'trouble' });
  now().say('Done', 'done');
  expect(now().notice?.kind).toBe('done');
});

it('turning to another building shows its ground level, and no tool is at work', () => {
  const { store, now } = opened({ selection: ['x'], step: 'walls', act: { act: 'move', ids: ['x'] } });
  chooseBuilding(store, building('Annex'));
  const level = solved.levels.find(({ id }) => id === now().level)!;
  expect([level.building, level.fflMm]).toEqual([building('Annex'), 0]);
  expect(now()).toMatchObject({ selection: [], step: null, act: null, busy: null, ghost: null, cutLine: null });
});

it('units that are chosen are kept in this browser', () => {
  const kept = new Map<string, string>();
  Object.assign(globalThis, {
    localStorage: {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, text: string) => kept.set(key, text),
    },
  });
  const { store, now } = opened();
  expect(chosenDisplay()).toBeNull();
  chooseDisplay(store, 'imperial');
  expect([now().display, chosenDisplay()]).toEqual([IMPERIAL, IMPERIAL]);
  chooseDisplay(store, 'metric');
  expect([now().display, chosenDisplay()]).toEqual([METRIC, METRIC]);
  expect([fieldUnit(METRIC), fieldUnit(IMPERIAL)]).toEqual(['mm', 'ft']);
});
