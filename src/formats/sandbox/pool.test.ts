import { chmodSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { settingOutPlan } from '@/core/drawing/setting-out-plan';
import type { Sheet } from '@/core/importing/sheet';
import { solve } from '@/core/solving/solve';
import { FURNISHED, given } from '@/core/testing/given';
import { formatElevation, formatLength } from '@/core/units/format-length';
import { writePdf } from '../pdf/write';
import { Pool } from './pool';
import { LIMITS, workApart, WorkProcess } from './work-process';

const folder = mkdtempSync(join(tmpdir(), 'spine-pool-'));
chmodSync(folder, 0o755);

/** A process that does on a message what is written here, in the place of ours. */
const child = (name: string, onMessage: string): string => {
  const file = join(folder, `${name}.mjs`);
  writeFileSync(file, `process.on('message', async (asked) => { ${onMessage} });\nprocess.send('ready');\n`);
  return file;
};
const answers = (text: string) =>
  `const json = Buffer.from(JSON.stringify(${text}));
   (await import('node:fs')).writeSync(4, json);
   process.send({ jsonCount: json.length, fileCount: null });`;
const run = async (file: string, limits = LIMITS, signal?: AbortSignal) => {
  const apart = new WorkProcess(limits, file);
  try {
    const answer = await apart.run('drawing', {}, new Uint8Array([1]), signal);
    return answer.ok ? (JSON.parse(Buffer.from(answer.value.json).toString()) as unknown) : answer.refusal.message;
  } finally {
    apart.end();
  }
};

describe('a process for the files of others', () => {
  it('answers what a drawing holds', async () => {
    const sheet = await workApart<Sheet, 'drawing'>('drawing', {}, readFileSync('e2e/fixtures/structure-grid-mm.dxf'));
    expect(sheet.ok && sheet.value.unit).toBe('mm');
    const bad = await workApart('drawing', {}, Buffer.from('nothing'));
    expect(bad).toMatchObject({ ok: false, refusal: { message: expect.stringMatching(/\w/) } });
  });

  it('draws a page within the memory it may take, whatever else it has not loaded', async () => {
    const tower = solve(given(FURNISHED));
    const plan = settingOutPlan(tower, 'Tower', {
      level: tower.levels[2]!.id,
      scale: 100,
      details: null,
      writeLength: formatLength,
      writeElevation: formatElevation,
    })!;
    const pdf = await writePdf(plan, new Date(0));
    for (let i = 0; i < 3; i += 1) {
      const page = await workApart<{ width: number; height: number }, 'pdfPage'>('pdfPage', { page: 1 }, pdf);
      expect(page.ok && page.value).toMatchObject({ width: expect.any(Number), height: expect.any(Number) });
    }
  });

  it('is ended when it takes too long, and when its asker goes away', async () => {
    const hangs = child('hangs', 'for (;;) {}');
    expect(await run(hangs, { ...LIMITS, longestMs: 1500 })).toMatch(/too long/);
    const gone = new AbortController();
    setTimeout(() => gone.abort(), 500);
    expect(await run(hangs, LIMITS, gone.signal)).toMatch(/Cancelled/);
  });

  it('is ended when it takes too much memory, on the engine’s heap or beside it', async () => {
    const limits = { longestMs: 90_000, mostBytes: 400_000_000 };
    const heap = child('heap', 'const all = []; for (;;) all.push(new Array(1e6).fill(0.5));');
    expect(await run(heap, limits)).toMatch(/too much memory/);
    // What cannot be had is refused by the system itself, so nothing grows beyond it.
    const beside = child(
      'beside',
      `const all = []; let refused = false;
       while (!refused && all.length < 100) try { all.push(Buffer.alloc(5e7, 1)) } catch { refused = true }
       const bytes = all.length * 5e7; all.length = 0; ${answers('{ refused, bytes }')}`,
    );
    const held = await run(beside, limits);
    if (typeof held === 'string') expect(held).toMatch(/too much memory/);
    else expect(held).toMatchObject({ refused: true, bytes: expect.any(Number) });
    if (typeof held !== 'string') expect((held as { bytes: number }).bytes).toBeLessThanOrEqual(limits.mostBytes);
  });

  it('crashes alone', async () => {
    expect(await run(child('crash', 'process.exit(3)'))).toMatch(/failed/);
  });

  it('knows no secret, and has no rights where the program has them all', async () => {
    process.env.AUTH_SECRET = 'nobody must see this';
    const said = (await run(child('env', answers('{ env: process.env, uid: process.getuid() }')))) as {
      env: Record<string, string>;
      uid: number;
    };
    delete process.env.AUTH_SECRET;
    expect(JSON.stringify(said.env)).not.toContain('nobody must see this');
    expect(Object.keys(said.env).filter((name) => /DATABASE|SECRET|PASSWORD|TOKEN/.test(name))).toEqual([]);
    if (process.getuid!() === 0) expect(said.uid).toBe(65534);
  });

  it('refuses bombs in words: a workbook, a picture, a drawing, a PDF that is none', async () => {
    const bytes = (text: string) => new TextEncoder().encode(text);
    // A PNG that says it has 60,000 × 60,000 pixels (its header alone).
    const png = Buffer.from(
      '89504e470d0a1a0a0000000d494844520000ea600000ea6008020000000000000000000049454e44ae426082',
      'hex',
    );
    for (const [job, input, file] of [
      ['picture', {}, png],
      ['picture', {}, bytes('<svg onload="alert(1)"/>')],
      ['pdfPage', { page: 1 }, bytes('%PDF-1.7\nnothing')],
      ['levels', { name: 'a.xlsx' }, bytes('PK\u0003\u0004 nothing')],
    ] as const) {
      const answer = await workApart(job, input as never, file);
      expect(answer).toMatchObject({ ok: false, refusal: { message: expect.stringMatching(/^[A-Z].{15,140}$/) } });
    }
  }, 120_000);
});

describe('the pool', () => {
  /** A process in the place of ours, whose jobs end when they are told to. */
  const pool = (size: number) => {
    const begun: { person: string; end: () => void }[] = [];
    const made: number[] = [];
    const jobs = new Pool(size, LIMITS, () => {
      made.push(1);
      return {
        lives: true,
        end: () => undefined,
        run: (_job: string, input: { person: string }) =>
          new Promise((resolve) =>
            begun.push({ person: input.person, end: () => resolve({ ok: true, value: { json: Buffer.from('{}') } }) }),
          ),
      } as unknown as WorkProcess;
    });
    const ask = (person: string, signal?: AbortSignal) =>
      jobs.run(person, 'drawing', { person } as never, new Uint8Array(), signal);
    return { ask, begun, made, jobs };
  };
  const settle = () => new Promise((done) => setTimeout(done, 5));

  it('takes people in turn: who asks for much waits, and nobody else does', async () => {
    const { ask, begun, made } = pool(2);
    for (let i = 0; i < 5; i += 1) void ask('greedy');
    void ask('modest');
    await settle();
    expect(begun.map(({ person }) => person)).toEqual(['greedy', 'greedy']);
    begun[0]!.end();
    await settle();
    expect(begun.map(({ person }) => person)).toEqual(['greedy', 'greedy', 'modest']);
    begun[1]!.end();
    begun[2]!.end();
    await settle();
    expect(begun).toHaveLength(5);
    // Processes are used again.
    expect(made).toHaveLength(2);
  });

  it('lets nobody pile up work, and forgets who went away', async () => {
    const { ask, begun, jobs } = pool(1);
    void ask('a');
    await settle();
    const gone = new AbortController();
    const waits = ask('a', gone.signal);
    gone.abort();
    expect(await waits).toMatchObject({ ok: false, refusal: { message: expect.stringMatching(/Cancelled/) } });
    expect(jobs.queued).toBe(0);
    for (let i = 0; i < 6; i += 1) void ask('a');
    expect(await ask('a')).toMatchObject({ ok: false, refusal: { message: expect.stringMatching(/several files/) } });
    expect(begun).toHaveLength(1);
  });
});
