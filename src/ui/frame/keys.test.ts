import { recordsOf } from '@/core/model/framework';
import { solve } from '@/core/solving/solve';
import { FURNISHED, given, step } from '@/core/testing/given';
import { IMPERIAL } from '@/core/units/format-length';
import type { Busy } from '../session/busy';
import type { ProjectSession } from '../session/project-session';
import { makeProjectStore, type ProjectStore } from '../session/store';
import { listenToKeys } from './keys';

/** As much of a page as keys ask for. */
class FakeElement extends EventTarget {
  dataset: Record<string, string> = {};
  type = '';
  constructor(
    readonly tagName: string,
    private readonly isInPlan = false,
  ) {
    super();
  }
  closest = () => (this.isInPlan ? this : null);
  getBoundingClientRect = () => ({ left: 100, top: 50, width: 40, height: 20 });
}
class FakeInput extends FakeElement {}
class FakeArea extends FakeElement {}

const framework = given(FURNISHED);
const solved = solve(framework);
const building = solved.buildings[0]!.id;
const column = recordsOf(framework, 'columnStack').find(({ holds }) => holds.length === 0)!;

let page: EventTarget;
let kept: Map<string, string>;
let isCollapsed = true;
const body = new FakeElement('BODY');

beforeEach(() => {
  page = new EventTarget();
  kept = new Map();
  isCollapsed = true;
  Object.assign(globalThis, {
    window: page,
    Element: FakeElement,
    HTMLElement: FakeElement,
    HTMLInputElement: FakeInput,
    HTMLTextAreaElement: FakeArea,
    document: { body, querySelector: () => new FakeElement('MAIN') },
    getSelection: () => ({ isCollapsed }),
    localStorage: {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => void kept.set(key, value),
    },
  });
});

/** A project whose commands are done on the framework at once, and listened to. */
function opened(more: Partial<ReturnType<ProjectStore['getState']>> = {}) {
  const store = makeProjectStore();
  const done: { command: string; input: unknown }[] = [];
  const undone: boolean[] = [];
  const session = {
    run: (command: string, input: unknown) => {
      done.push({ command, input });
      return { ok: true, value: step(store.getState().framework, command as never, input as never) };
    },
    undo: (again: boolean) => {
      undone.push(again);
      return { ok: true, value: { sentence: again ? 'Column A-1 moved' : 'Move of column A-1 taken back' } };
    },
  } as unknown as ProjectSession;
  const level = solved.levels.find(({ name }) => name === '00')!.id;
  store.setState({ session, framework, solved, building, level, mayEdit: true, tab: 'plan', ...more });
  const close = listenToKeys(store);
  /** Presses a key; answers whether the page keeps it from the browser. */
  const press = (
    key: string,
    { on = body, ...held }: { on?: FakeElement; ctrlKey?: boolean; shiftKey?: boolean; altKey?: boolean } = {},
  ): boolean => {
    const event = new Event('keydown', { cancelable: true });
    Object.assign(event, { key, ctrlKey: false, shiftKey: false, altKey: false, metaKey: false, ...held });
    Object.defineProperty(event, 'target', { value: on });
    page.dispatchEvent(event);
    return event.defaultPrevented;
  };
  return { store, done, undone, press, close, now: () => store.getState() };
}

describe('arrows', () => {
  it('move what is chosen by a step in the plan, ten times as far with Shift', () => {
    const { press, done } = opened({ selection: [column.id] });
    expect(press('ArrowRight')).toBe(true);
    press('ArrowUp', { shiftKey: true });
    expect(done).toEqual([
      { command: 'elements.move', input: { ids: [column.id], xMm: 10, yMm: 0 } },
      { command: 'elements.move', input: { ids: [column.id], xMm: 0, yMm: 100 } },
    ]);
  });

  it('move by half an inch, and by half a foot, for who works in feet', () => {
    const { press, done } = opened({ selection: [column.id], display: IMPERIAL });
    press('ArrowLeft');
    press('ArrowDown', { shiftKey: true });
    expect(done.map(({ input }) => input)).toEqual([
      { ids: [column.id], xMm: -12.7, yMm: 0 },
      { ids: [column.id], xMm: 0, yMm: -152.4 },
    ]);
  });

  it.each([
    ['nothing is chosen', { selection: [] }, {}],
    ['another view is looked at', { selection: [column.id], tab: 'board' as const }, {}],
    ['a tool takes points', { selection: [column.id], busy: { with: 'points', tell: () => {} } as Busy }, {}],
    ['one may only look', { selection: [column.id], mayEdit: false }, {}],
    ['a button has the focus', { selection: [column.id] }, { on: new FakeElement('BUTTON') }],
    ['a field has the focus', { selection: [column.id] }, { on: new FakeInput('INPUT') }],
    ['Ctrl is held', { selection: [column.id] }, { ctrlKey: true }],
  ])('move nothing where %s, and stay the browser’s', (_, state, held) => {
    const { press, done } = opened(state);
    expect(press('ArrowRight', held)).toBe(false);
    expect(done).toEqual([]);
  });

  it('move what is chosen where the plan stands beside another view, and where it has the focus', () => {
    const beside = opened({ selection: [column.id], tab: 'section', beside: 'plan' });
    expect(beside.press('ArrowRight', { on: new FakeElement('SVG', true) })).toBe(true);
    expect(beside.done).toHaveLength(1);
  });

  it('that are refused say why', () => {
    const { press, now } = opened({ selection: [column.id], readOnly: 'It is being brought up to date' });
    press('ArrowRight');
    expect(now().notice).toEqual({ text: 'It is being brought up to date', kind: 'trouble' });
  });
});

describe('Ctrl+Z', () => {
  it('takes back the last change, with Shift the last undo, and says which', () => {
    const { press, undone, now } = opened();
    expect(press('z', { ctrlKey: true })).toBe(true);
    expect(now().notice).toMatchObject({ text: 'Move of column A-1 taken back', kind: 'done' });
    press('Z', { ctrlKey: true, shiftKey: true });
    expect(undone).toEqual([false, true]);
  });

  it('belongs to a field in which something is typed that was not taken yet', () => {
    const { press, undone } = opened();
    const [typed, taken, ticked, area] = [
      new FakeInput('INPUT'),
      new FakeInput('INPUT'),
      new FakeInput('INPUT'),
      new FakeArea('TEXTAREA'),
    ];
    taken.dataset.taken = '';
    ticked.type = 'checkbox';
    expect([typed, area, taken, ticked].map((on) => press('z', { ctrlKey: true, on }))).toEqual([
      false,
      false,
      true,
      true,
    ]);
    expect(undone).toHaveLength(2);
  });

  it('does nothing for who may not change anything', () => {
    const { press, undone } = opened({ mayEdit: false });
    press('z', { ctrlKey: true });
    expect(undone).toEqual([]);
  });
});

it('Esc goes back one step at a time: the act, the chosen lines, the tool, the selection', () => {
  const { press, now } = opened({
    selection: [column.id],
    step: 'walls',
    act: { act: 'move', ids: [column.id] },
    busy: { with: 'lines', chosen: ['l1'] },
  });
  press('Escape');
  expect(now()).toMatchObject({ act: null, busy: { with: 'lines', chosen: ['l1'] }, step: 'walls' });
  press('Escape');
  expect(now()).toMatchObject({ busy: { with: 'lines', chosen: [] }, step: 'walls' });
  press('Escape');
  expect(now()).toMatchObject({ busy: null, step: null, selection: [column.id] });
  press('Escape');
  expect(now().selection).toEqual([]);
});

it('Delete takes away what is chosen, and nothing is chosen then', () => {
  const { press, done, now } = opened({ selection: [column.id] });
  press('Delete');
  expect(done).toEqual([{ command: 'elements.remove', input: { ids: [column.id] } }]);
  expect(now().selection).toEqual([]);
  press('Delete');
  expect(done).toHaveLength(1);
});

it('PageUp and PageDown go a level up and down, and no farther than there are', () => {
  const { press, now } = opened();
  const name = () => solved.levels.find(({ id }) => id === now().level)!.name;
  const names = solved.levels
    .filter((level) => level.building === building && level.bounding)
    .map((level) => level.name);
  const at = names.indexOf('00');
  press('PageUp');
  expect(name()).toBe(names[at + 1]);
  press('PageDown');
  expect(name()).toBe('00');
  for (let i = 0; i < names.length + 2; i += 1) press('PageUp');
  expect(name()).toBe(names.at(-1));
});

it('? opens the help, the menu key what can be done with what is chosen', () => {
  const { press, now } = opened({ selection: [column.id] });
  expect(press('?')).toBe(true);
  expect(now().isHelpOpen).toBe(true);
  expect(press('F10', { shiftKey: true, on: new FakeElement('BUTTON') })).toBe(true);
  expect(now().menu).toEqual({ x: 120, y: 60 });
});

describe('Ctrl+C, X and V', () => {
  it('take along what is chosen and put it in again', () => {
    const { press, now, done } = opened({ selection: [column.id] });
    expect(press('c', { ctrlKey: true })).toBe(true);
    expect(now().notice?.text).toContain('One thing is taken along');
    expect(done).toEqual([]);
    expect(press('v', { ctrlKey: true })).toBe(true);
    expect(now()).toMatchObject({ act: { act: 'paste', ids: [] }, selection: [], tab: 'plan' });
  });

  it('X takes it away too', () => {
    const { press, done } = opened({ selection: [column.id] });
    press('x', { ctrlKey: true });
    expect(done.map(({ command }) => command)).toEqual(['elements.remove']);
    expect(kept.size).toBe(1);
  });

  it('stay the browser’s where text is chosen or nothing is; V without anything says so', () => {
    const { press, now } = opened({ selection: [column.id] });
    isCollapsed = false;
    expect(press('c', { ctrlKey: true })).toBe(false);
    expect(opened().press('c', { ctrlKey: true })).toBe(false);
    press('v', { ctrlKey: true });
    expect(now().notice?.text).toBe('Nothing was taken along yet. Choose things and press Ctrl+C');
  });

  it('what was kept and cannot be read counts as nothing', () => {
    const { press, now } = opened();
    kept.set('spine-taken', '{"pieces": 5');
    press('v', { ctrlKey: true });
    expect(now().act).toBeNull();
  });
});

it('after it is closed nothing is listened to', () => {
  const { press, close, done } = opened({ selection: [column.id] });
  close();
  press('ArrowRight');
  expect(done).toEqual([]);
});
