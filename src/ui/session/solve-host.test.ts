import { consequences } from '@/core/carrying/consequences';
import type { Sent } from '@/core/commands/command-inputs';
import { derivedCommandId } from '@/core/model/ids';
import { METRIC } from '@/core/units/format-length';
import { frameworkHash, type Framework } from '@/core/model/framework';
import { hashOf } from '@/core/model/hash';
import { solve } from '@/core/solving/solve';
import type { Solved } from '@/core/solving/solved';
import { SMALL_TOWER, given, step } from '@/core/testing/given';
import { CannotSolve, SolveHost, type Solving, type SolvingWorker } from './solve-host';
import { solvingWorker } from './testing/solving-worker';

const tower = given(SMALL_TOWER);
const raised = step(tower, 'levels.setElevation', { level: '01', fflMm: 5550, mode: 'push' }).after;

/** A worker as the browser's, in this process, that can be told to fail. */
function workshop() {
  let begun = 0;
  let ended = 0;
  const fails: ('throws' | 'hangs' | 'breaks')[] = [];
  let breakDown: (error: Error) => void = () => {};
  const make = (): SolvingWorker<Solving> => {
    begun += 1;
    return solvingWorker(
      async () => {
        const fail = fails.shift();
        if (fail === 'throws') throw new Error('Thrown on purpose');
        if (fail === 'hangs') await new Promise(() => {});
        if (fail === 'breaks') {
          breakDown(new Error('Broken on purpose'));
          await new Promise(() => {});
        }
      },
      { end: () => (ended += 1), onBroken: (tell) => (breakDown = tell) },
    );
  };
  return { make, fails, counts: () => [begun, ended] };
}

const same = (solved: Solved, framework: Framework) => expect(hashOf(solved)).toBe(hashOf(solve(framework)));

describe('the solving worker', () => {
  it('is sent only what changed, and what comes back adds up', async () => {
    const shop = workshop();
    const host = new SolveHost(shop.make);
    same(await host.solve(tower), tower);
    same(await host.solve(raised), raised);
    expect(shop.counts()).toEqual([1, 0]);
  });

  it.each(['throws', 'hangs', 'breaks'] as const)(
    'that %s is begun anew from the framework, and told so',
    async (how) => {
      const shop = workshop();
      const told: string[] = [];
      const host = new SolveHost(shop.make, ({ message }) => told.push(message), 50);
      await host.solve(tower);
      shop.fails.push(how);
      same(await host.solve(raised), raised);
      expect([shop.counts(), told.length]).toEqual([[2, 1], 1]);
      same(await host.solve(tower), tower);
    },
  );

  it('that fails twice at a framework says so, and solves the next one', async () => {
    const shop = workshop();
    const host = new SolveHost(shop.make, () => {}, 50);
    await host.solve(tower);
    shop.fails.push('throws', 'throws');
    await expect(host.solve(raised)).rejects.toThrow(CannotSolve);
    same(await host.solve(tower), tower);
    expect(frameworkHash(tower)).not.toBe(frameworkHash(raised));
  });

  it('plans and solves what is tried by itself; what is refused changes nothing, and what there is comes back', async () => {
    const shop = workshop();
    const host = new SolveHost(shop.make);
    await host.solve(tower);
    const sent: Sent = { command: 'levels.setElevation', input: { level: '01', fflMm: 5550, mode: 'push' } };
    const shown = (await host.tryOut(tower, sent, derivedCommandId('try', '1')))!;
    expect(frameworkHash(shown.framework)).toBe(frameworkHash(raised));
    same(shown.solved, raised);
    const wrong: Sent = { command: 'levels.setElevation', input: { level: '77', fflMm: 5550 } };
    expect(await host.tryOut(tower, wrong, derivedCommandId('try', '2'))).toBeNull();
    // The next is tried on what there is, not on the last that was tried.
    const other: Sent = { command: 'levels.setElevation', input: { level: '02', fflMm: 10_500, mode: 'push' } };
    const next = (await host.tryOut(tower, other, derivedCommandId('try', '3')))!;
    same(next.solved, step(tower, 'levels.setElevation', { level: '02', fflMm: 10_500, mode: 'push' }).after);
    same(await host.solve(tower), tower);
  });

  it('that breaks down while something is tried shows nothing of it, and what there is is solved anew', async () => {
    const shop = workshop();
    const told: string[] = [];
    const host = new SolveHost(shop.make, ({ message }) => told.push(message), 50);
    await host.solve(tower);
    shop.fails.push('breaks');
    const sent: Sent = { command: 'levels.setElevation', input: { level: '01', fflMm: 5550, mode: 'push' } };
    expect(await host.tryOut(tower, sent, derivedCommandId('try', '1'))).toBeNull();
    expect(told).toEqual(['Broken on purpose']);
    same(await host.solve(raised), raised);
  });

  it('says what a framework would bring about, as it is worked out beside it, and goes on from what there is', async () => {
    const host = new SolveHost(workshop().make);
    await host.solve(tower);
    const [before, after] = [tower, raised].map((framework) => ({ framework, solved: solve(framework) }));
    expect(await host.bringsAbout(raised, METRIC)).toEqual(consequences(before!, after!, METRIC));
    expect(await host.bringsAbout(tower, METRIC)).toEqual([]);
    same(await host.solve(raised), raised);
  });

  it('holds back what takes long, and makes it good part by part; one that breaks down meanwhile is begun anew', async () => {
    const withStair = given(
      [
        [
          'floors.add',
          { outline: { type: 'rectangle', place: '-9000,-9000', widthMm: 40_000, depthMm: 40_000 }, thicknessMm: 200 },
        ],
        ['stairs.add', { name: 'ST9', begin: { place: '3000,2500' } }],
      ],
      tower,
    );
    const shop = workshop();
    const host = new SolveHost(shop.make, () => {}, 200);
    const held = await host.solve(withStair);
    expect(held.waysOut.every(({ travelMm }) => travelMm === null)).toBe(true);
    let parts = 0;
    for (let more = await host.more(); ; more = await host.more()) {
      parts += 1;
      if (!more!.isWhole) continue;
      same(more!.solved, withStair);
      expect(more!.solved.waysOut.some(({ travelMm }) => travelMm !== null)).toBe(true);
      break;
    }
    expect(parts).toBeGreaterThan(1);
    shop.fails.push('breaks');
    expect(await host.more()).toBeNull();
    expect((await host.solve(withStair)).levels).toEqual(held.levels);
  });
});
