import { KeptEdits } from './kept-edits';
import { Browser } from './testing/browser';

const browser = () => new Browser(() => Promise.reject(new Error('Nothing is sent')));
const tabOf = (at: Browser, person = 'ada', project = 'p1') => {
  const { around, crash } = at.tab();
  return { kept: new KeptEdits<string>(around, person, project), crash };
};

it('what is kept is taken up by the next tab of the same person and project, once the tab is gone', async () => {
  const at = browser();
  const first = tabOf(at);
  expect(first.kept.keep(['a', 'b'])).toBe(true);
  const second = tabOf(at);
  // The first still lives: what it keeps it sends.
  expect((await second.kept.orphans()).edits).toEqual([]);
  first.crash();
  const { edits, taken } = await second.kept.orphans();
  expect(edits).toEqual(['a', 'b']);
  // Until it is kept here it stays where it is.
  expect((await second.kept.orphans()).edits).toEqual(['a', 'b']);
  taken();
  expect((await second.kept.orphans()).edits).toEqual([]);
});

it('nobody else takes it up, nor another project', async () => {
  const at = browser();
  const own = tabOf(at);
  own.kept.keep(['mine']);
  own.crash();
  expect((await tabOf(at, 'ben').kept.orphans()).edits).toEqual([]);
  expect((await tabOf(at, 'ada', 'p2').kept.orphans()).edits).toEqual([]);
  expect((await tabOf(at).kept.orphans()).edits).toEqual(['mine']);
});

it('the latest list takes the place of the one before, an empty one leaves nothing', async () => {
  const at = browser();
  const first = tabOf(at);
  first.kept.keep(['a']);
  first.kept.keep(['a', 'b', 'c']);
  expect([...at.kept.values()].map((text) => JSON.parse(text) as string[])).toEqual([['a', 'b', 'c']]);
  first.kept.keep([]);
  expect(at.kept.size).toBe(0);
});

it('lists of several tabs that are gone are taken together, and one that cannot be read stops none', async () => {
  const at = browser();
  for (const edits of [['a'], ['b']]) {
    const tab = tabOf(at);
    tab.kept.keep(edits);
    tab.crash();
  }
  const broken = tabOf(at);
  broken.kept.keep(['c']);
  broken.crash();
  const [key] = [...at.kept].find(([, text]) => text.includes('c'))!;
  at.kept.set(key, '{"half');
  expect((await tabOf(at).kept.orphans()).edits.sort()).toEqual(['a', 'b']);
});

it('a browser that keeps nothing is told of, unless there is nothing to keep', () => {
  const at = browser();
  const { kept } = tabOf(at);
  at.keepsNothing = true;
  expect(kept.keep(['a'])).toBe(false);
  expect(kept.keep([])).toBe(true);
});

it('a tab that closes in order is no longer waited for', async () => {
  const at = browser();
  const first = tabOf(at);
  first.kept.keep(['late']);
  first.kept.close();
  await Promise.resolve();
  await new Promise((done) => setTimeout(done, 0));
  expect((await tabOf(at).kept.orphans()).edits).toEqual(['late']);
});
