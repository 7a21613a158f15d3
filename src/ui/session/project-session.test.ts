import { frameworkHash, recordsOf, type Framework } from '@/core/model/framework';
import { ProjectSession, type Shown } from './project-session';
import { Browser } from './testing/browser';
import { ModelServer } from './testing/model-server';
import { START } from './testing/start';

const open: ProjectSession[] = [];
afterEach(() => {
  for (const session of open.splice(0)) session.close();
  jest.useRealTimers();
});

function server(): ModelServer {
  const made = new ModelServer(START);
  for (const person of ['ada', 'ben']) {
    made.roles.set(person, 'designer');
    made.signedIn.add(person);
  }
  return made;
}

/** A tab of a person's browser with the project open. */
async function tab(at: ModelServer, person: string, browser = new Browser(at.sendAs(person))) {
  const { around, crash } = browser.tab();
  const said: { message: string; again?: () => void }[] = [];
  let shown: Shown | null = null;
  const session = new ProjectSession(
    at.projectId,
    (now) => (shown = now),
    (message, again) => said.push({ message, again }),
    around,
  );
  open.push(session);
  await session.open();
  const until = async (what: string, holds: (shown: Shown) => boolean) => {
    for (let i = 0; i < 1600; i += 1) {
      if (shown && holds(shown)) return;
      if (jest.isMockFunction(setTimeout) || isFaked()) await jest.advanceTimersByTimeAsync(250);
      else await new Promise((done) => setTimeout(done, 5));
    }
    throw new Error(`Not ${what}: ${JSON.stringify({ phase: shown?.phase, unsent: shown?.unsent.length })}`);
  };
  await until('current', ({ phase }) => phase === 'current');
  return {
    session,
    browser,
    said,
    crash,
    until,
    saved: () => until('saved', ({ phase, unsent }) => phase === 'current' && unsent.length === 0),
    phase: (phase: Shown['phase']) => until(phase, (now) => now.phase === phase),
    title: (title: string) => session.run('levels.rename', { level: '01', title }),
    get shown() {
      return shown!;
    },
  };
}

const isFaked = () => Object.hasOwn(setTimeout, 'clock');
const titleOf = (framework: Framework) => recordsOf(framework, 'level').find(({ name }) => name === '01')!.title;
const hash = frameworkHash;

describe('a project open in tabs', () => {
  it('shows an edit at once, saves it, and shows it and its undo to others', async () => {
    const at = server();
    const [ada, ben] = [await tab(at, 'ada'), await tab(at, 'ben')];
    expect(ada.title('Lobby').ok).toBe(true);
    expect(titleOf(ada.session.framework)).toBe('Lobby');
    await ada.saved();
    await ben.until('told', ({ framework }) => titleOf(framework) === 'Lobby');
    ada.session.undo();
    await ada.saved();
    await ben.until('told of the undo', ({ framework }) => titleOf(framework) === '');
    expect(hash(ben.session.framework)).toBe(hash(at.framework));
    expect(at.log.map(({ command }) => command)).toEqual(['levels.rename', 'history.undo']);
  });

  it('sends an edit whose answer was lost once more, and it is there once', async () => {
    const at = server();
    const ada = await tab(at, 'ada');
    at.answerNext('/commands', 502, true);
    ada.title('Lobby');
    await ada.saved();
    expect(at.log).toHaveLength(1);
  });

  it('keeps edits made offline, and sends them in order when the server is back, undos among them', async () => {
    const at = server();
    const ada = await tab(at, 'ada');
    at.isAway = true;
    at.dropStreams();
    for (const title of ['A', 'B', 'C']) ada.title(title);
    ada.session.undo();
    await ada.phase('offline');
    expect(ada.shown.unsent).toHaveLength(4);
    expect(titleOf(ada.session.framework)).toBe('B');
    expect([...ada.browser.kept.values()].flatMap((each) => JSON.parse(each) as unknown[])).toHaveLength(4);
    at.isAway = false;
    await ada.saved();
    expect(at.log).toHaveLength(4);
    expect(titleOf(at.framework)).toBe('B');
    expect(ada.browser.kept.size).toBe(0);
  }, 20_000);

  it('takes up what a crashed tab of the same person kept, and nobody else does', async () => {
    const at = server();
    const browser = new Browser((url, init) => at.sendAs(who)(url, init));
    let who = 'ada';
    const ada = await tab(at, 'ada', browser);
    at.isAway = true;
    at.dropStreams();
    ada.title('Kept');
    await ada.phase('offline');
    ada.crash();
    at.isAway = false;
    who = 'ben';
    const ben = await tab(at, 'ben', browser);
    await ben.saved();
    expect(at.log).toHaveLength(0);
    ben.session.close();
    who = 'ada';
    const again = await tab(at, 'ada', browser);
    await again.until('taken up', () => at.log.length === 1);
    expect(at.log[0]).toMatchObject({ authorId: 'ada', sentence: expect.stringContaining('Kept') });
    await again.saved();
    expect(browser.kept.size).toBe(0);
  });

  it('does not take up what another open tab still sends', async () => {
    const at = server();
    const browser = new Browser(at.sendAs('ada'));
    const first = await tab(at, 'ada', browser);
    at.answerNext('/commands', 503);
    first.title('Once');
    await first.phase('offline');
    const second = await tab(at, 'ada', browser);
    expect(second.shown.unsent).toHaveLength(0);
    await first.saved();
    expect(at.log).toHaveLength(1);
  });

  it('tells who keeps nothing in this browser', async () => {
    const at = server();
    const ada = await tab(at, 'ada');
    ada.browser.keepsNothing = true;
    ada.title('Lobby');
    expect(ada.said.map(({ message }) => message)).toEqual([expect.stringMatching(/keeps nothing/)]);
    await ada.saved();
  });

  it('signed out keeps its edits, signs in again in place as the same person only, and goes on', async () => {
    const at = server();
    let who = 'ada';
    const ada = await tab(at, 'ada', new Browser((url, init) => at.sendAs(who)(url, init)));
    at.signOut('ada');
    await ada.phase('signedOut');
    ada.title('Mine');
    who = 'ben';
    expect(await ada.session.signedIn()).toBe(false);
    expect(ada.shown.phase).toBe('signedOut');
    who = 'ada';
    at.signedIn.add('ada');
    expect(await ada.session.signedIn()).toBe(true);
    await ada.until('sent', () => at.log.length === 1);
    expect(at.log[0]!.authorId).toBe('ada');
  });

  it('out of the project keeps its edits, and sends them when it is let in again', async () => {
    const at = server();
    const ada = await tab(at, 'ada');
    at.roles.delete('ada');
    at.tellHeads('ada');
    await ada.phase('outOfProject');
    ada.title('Still mine');
    expect(ada.shown.unsent).toHaveLength(1);
    at.roles.set('ada', 'designer');
    at.tellHeads('ada');
    await ada.saved();
    expect(titleOf(at.framework)).toBe('Still mine');
  });

  it('an edit on what another changed meanwhile is told, and can be done all the same', async () => {
    const at = server();
    const [ada, ben] = [await tab(at, 'ada'), await tab(at, 'ben')];
    at.isSilent = true;
    ben.title('Ben’s');
    await ben.until('saved', () => at.log.length === 1);
    ada.title('Ada’s');
    await ada.until('told', () => ada.said.length === 1);
    expect(titleOf(at.framework)).toBe('Ben’s');
    at.isSilent = false;
    at.tellHeads('ada');
    await ada.until('caught up', ({ framework }) => titleOf(framework) === 'Ben’s');
    ada.said[0]!.again!();
    await ada.until('done', () => titleOf(at.framework) === 'Ada’s');
  });

  it('an edit the server breaks on for good is shown, and taken back lets the next through', async () => {
    const at = server();
    const ada = await tab(at, 'ada');
    for (let i = 0; i < 3; i += 1) at.answerNext('/commands', 500);
    ada.title('Breaks');
    ada.session.run('levels.rename', { level: '02', title: 'Goes' });
    await ada.until('stuck', ({ stuck }) => stuck !== null);
    expect(ada.shown.unsent).toHaveLength(2);
    ada.session.takeBack(ada.shown.stuck!.commandId);
    await ada.saved();
    expect(at.log.map(({ sentence }) => sentence)).toEqual([expect.stringContaining('Goes')]);
  }, 20_000);

  it('an edit the server broke on while it was in trouble goes once its stream speaks again', async () => {
    const at = server();
    const ada = await tab(at, 'ada');
    for (let i = 0; i < 3; i += 1) at.answerNext('/commands', 500);
    ada.title('Goes later');
    await ada.until('stuck', ({ stuck }) => stuck !== null);
    at.dropStreams();
    await ada.saved();
    expect(titleOf(at.framework)).toBe('Goes later');
  }, 20_000);

  it('a solve that fails once is begun anew; one that fails again leaves the last good one, and edits go on', async () => {
    const at = server();
    const ada = await tab(at, 'ada');
    await ada.until('solved', ({ solved }) => solved !== null);
    ada.browser.failingSolves = 1;
    ada.title('A');
    await ada.until('solved anew', ({ framework }) => titleOf(framework) === 'A');
    expect(ada.said.map(({ message }) => message)).toEqual([expect.stringMatching(/begun anew/)]);
    ada.browser.failingSolves = Infinity;
    ada.title('B');
    await ada.until('unsolved', ({ unsolved }) => unsolved !== null);
    expect(titleOf(ada.shown.framework)).toBe('A');
    await ada.until('committed all the same', () => titleOf(at.framework) === 'B');
    ada.browser.failingSolves = 0;
    ada.title('C');
    await ada.until('solved again', ({ framework, unsolved }) => unsolved === null && titleOf(framework) === 'C');
  });

  it('a file is made only of what is saved', async () => {
    const at = server();
    const ada = await tab(at, 'ada');
    at.isAway = true;
    at.dropStreams();
    ada.title('Not saved');
    await ada.phase('offline');
    const { signal } = new AbortController();
    await expect(ada.session.made('export', { what: 'ifc' }, signal)).rejects.toThrow(/what is saved/);
  });
});

describe('the live stream', () => {
  it('that says nothing is given up after 25 s and opened again: what was missed comes', async () => {
    const at = server();
    const [ada, ben] = [await tab(at, 'ada'), await tab(at, 'ben')];
    jest.useFakeTimers({ doNotFake: ['queueMicrotask', 'nextTick', 'setImmediate'] });
    // The watch begins anew with faked time.
    const second = await tab(at, 'ada', new Browser(at.sendAs('ada')));
    at.isSilent = true;
    ben.title('Missed');
    await ben.until('committed', () => at.log.length === 1);
    await second.phase('offline');
    const before = at.opened;
    at.isSilent = false;
    await second.until('reopened', ({ framework, phase }) => phase === 'current' && titleOf(framework) === 'Missed');
    expect(at.opened).toBeGreaterThan(before);
    expect(ada.session.framework).toBeDefined();
  });

  it('is one for all tabs of a browser; when the tab that holds it closes another takes it over', async () => {
    const at = server();
    const browser = new Browser(at.sendAs('ada'));
    const tabs = [await tab(at, 'ada', browser), await tab(at, 'ada', browser), await tab(at, 'ada', browser)];
    expect(at.opened).toBe(1);
    tabs[0]!.title('One');
    for (const each of tabs) await each.until('told', ({ framework }) => titleOf(framework) === 'One');
    tabs[0]!.crash();
    const ben = await tab(at, 'ben');
    ben.title('Two');
    for (const each of tabs.slice(1)) await each.until('told', ({ framework }) => titleOf(framework) === 'Two');
    expect(at.opened).toBe(3);
  });

  it('refused at first is opened again after a pause', async () => {
    const at = server();
    at.answerNext('/api/events', 503);
    const ada = await tab(at, 'ada');
    expect(at.opened).toBe(1);
    await ada.saved();
  });
});
