import { inTurn } from './in-turn';

const later = (ms: number) => new Promise<void>((done) => setTimeout(done, ms));

it('work of one name is done one after the other, in order, also behind what failed; other names do not wait', async () => {
  const said: string[] = [];
  const work = (name: string, words: string, ms: number, fails = false) =>
    inTurn(name, async () => {
      said.push(`${words} begins`);
      await later(ms);
      said.push(`${words} ends`);
      if (fails) throw new Error(words);
      return words;
    });
  const all = await Promise.allSettled([
    work('a', 'A1', 30),
    work('a', 'A2', 5, true),
    work('b', 'B1', 1),
    work('a', 'A3', 1),
  ]);
  expect(all.map(({ status }) => status)).toEqual(['fulfilled', 'rejected', 'fulfilled', 'fulfilled']);
  expect(said.filter((words) => words.startsWith('A'))).toEqual(
    ['A1', 'A2', 'A3'].flatMap((words) => [`${words} begins`, `${words} ends`]),
  );
  expect(said.indexOf('B1 ends')).toBeLessThan(said.indexOf('A1 ends'));
});
