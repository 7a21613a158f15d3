import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import pg from 'pg';
import { EventSourceParserStream } from 'eventsource-parser/stream';
import { Installation } from '../faults/installation';
import { Person } from '../faults/person';
import { post } from './post';
import { freePort } from '../scripts/ports.mjs';
import type { Step } from '@/core/commands/command-inputs';

/** What is measured: commands against bare commits of one row on the same server, in one run. */
const ROUNDS = 400;
const CLIENTS = 20;
const PROJECTS = 5;
const BUSY_MS = 6000;
const EDITS_SEEN = 60;
const IDLE_STREAMS = 150;

const FURNISHED: Step[] = [
  ['levels.setUp', { above: '5.4m 2@4.8m 12@3.3m', below: '3.9m 3.6m' }],
  ['grids.add', { baysA: '5@7200', baysB: '3@6600' }],
  ['floors.add', { name: 'Plate', outline: { type: 'gridOffset', offsetMm: 300 } }],
  ['columns.placeAtCrossings', { lines: 'all', section: { shape: 'rectangle', widthMm: 500, depthMm: 500 } }],
];

const at = (values: number[], part: number): number => {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(part * sorted.length))]!;
};
const median = (values: number[]): number => at(values, 0.5);
const round = (value: number, digits = 1): number => Math.round(value * 10 ** digits) / 10 ** digits;

async function timed(work: () => Promise<unknown>): Promise<number> {
  const begun = performance.now();
  await work();
  return performance.now() - begun;
}

/** One who sends commands as fast as they are answered. */
class Client {
  private count = 0;

  constructor(
    private readonly person: Person,
    readonly projectId: string,
    private readonly level: string,
  ) {}

  async command(): Promise<void> {
    const body = JSON.stringify({ commandId: crypto.randomUUID(), command: 'levels.rename', input: this.next() });
    const url = `${this.person.origin}/api/projects/${this.projectId}/commands`;
    const { status, text } = await post(url, body, this.person.cookie);
    if (status !== 200) throw new Error(`A command was answered with ${status}: ${text}`);
  }

  private next(): unknown {
    this.count += 1;
    return { level: this.level, title: `Number ${this.count}` };
  }

  /** Opens a live stream; `heard` is called with each change that comes by it. Answers how to close it. */
  async listen(heard: () => void): Promise<() => void> {
    const stop = new AbortController();
    const response = await this.person.send('/api/events', { signal: stop.signal });
    const events = response
      .body!.pipeThrough(new TextDecoderStream())
      .pipeThrough(new EventSourceParserStream())
      .getReader();
    await events.read();
    void (async () => {
      try {
        for (;;) {
          const { value, done } = await events.read();
          if (done) return;
          if (value.event === 'change' || value.event === 'head') heard();
        }
      } catch {
        // Closed here.
      }
    })();
    return () => stop.abort();
  }
}

/** The furnished installation that is measured, with people in it. */
class Load {
  private constructor(
    private readonly installation: Installation,
    private readonly bare: pg.Client,
    private readonly clients: Client[],
    private readonly people: Person[],
  ) {}

  static async begin(installation: Installation): Promise<Load> {
    await installation.start();
    const people: Person[] = [];
    const clients: Client[] = [];
    const projects: string[] = [];
    for (let i = 0; i < CLIENTS; i += 1) {
      const person = new Person(
        `Client ${'ABCDEFGHIJKLMNOPQRST'[i]}`,
        () => installation.address,
        installation.address,
      );
      await person.signUp();
      people.push(person);
      if (i < PROJECTS) projects.push(await person.startProject(`Project ${i}`, FURNISHED));
      else
        await installation.query(`insert into membership (project_id, user_id, role) values ($1, $2, 'designer')`, [
          projects[i % PROJECTS],
          person.id,
        ]);
      clients.push(new Client(person, projects[i % PROJECTS]!, `0${1 + (i % 9)}`));
    }
    const bare = new pg.Client({ connectionString: await installation.adminUrl() });
    await bare.connect();
    await bare.query('create table bare_commit (n int)');
    return new Load(installation, bare, clients, people);
  }

  private bareCommit = () => this.bare.query('insert into bare_commit values (1)');

  /** Commands of one client and bare commits in turn; medians in milliseconds. */
  async oneClient(): Promise<{ bareMs: number; commandMs: number }> {
    const [client] = this.clients;
    const times: Record<'bare' | 'command', number[]> = { bare: [], command: [] };
    for (let i = 0; i < ROUNDS; i += 1) {
      times.bare.push(await timed(this.bareCommit));
      times.command.push(await timed(() => client!.command()));
    }
    return { bareMs: median(times.bare), commandMs: median(times.command) };
  }

  /** Commands a second of all clients at once. */
  async busy(): Promise<{ perSecond: number; p95Ms: number }> {
    const times: number[] = [];
    const until = performance.now() + BUSY_MS;
    const lane = async (client: Client) => {
      while (performance.now() < until) times.push(await timed(() => client.command()));
    };
    const begun = performance.now();
    await Promise.all(this.clients.map(lane));
    const seconds = (performance.now() - begun) / 1000;
    return { perSecond: times.length / seconds, p95Ms: at(times, 0.95) };
  }

  /** Empty answers a second of a bare server in a process of its own: what this machine can do at all with these clients. */
  async bareServer(): Promise<number> {
    const code =
      "require('http').createServer((q,r)=>{q.resume();q.on('end',()=>r.end('{}'))}).listen(0,'127.0.0.1',function(){console.log(this.address().port)})";
    const child = spawn(process.execPath, ['-e', code], { stdio: ['ignore', 'pipe', 'inherit'] });
    const port = await new Promise<string>((said) =>
      child.stdout.once('data', (text: Buffer) => said(String(text).trim())),
    );
    let count = 0;
    const until = performance.now() + BUSY_MS / 2;
    const body = JSON.stringify({ commandId: crypto.randomUUID(), command: 'levels.rename', input: { level: '01' } });
    const lane = async () => {
      while (performance.now() < until) {
        await post(`http://127.0.0.1:${port}/`, body);
        count += 1;
      }
    };
    await Promise.all(Array.from({ length: CLIENTS }, lane));
    child.kill();
    return count / (BUSY_MS / 2000);
  }

  /** How long until an edit is seen by 20 others of its project, for each of them. */
  async seen(): Promise<{ p95Ms: number; medianMs: number }> {
    const [client] = this.clients;
    for (const person of this.people)
      await this.installation.query(
        `insert into membership (project_id, user_id, role) values ($1, $2, 'viewer') on conflict do nothing`,
        [client!.projectId, person.id],
      );
    let begun = 0;
    const times: number[] = [];
    let heard = 0;
    let all = () => {};
    const close = await Promise.all(
      this.clients.map((each) =>
        each.listen(() => {
          times.push(performance.now() - begun);
          heard += 1;
          if (heard === CLIENTS) all();
        }),
      ),
    );
    for (let i = 0; i < EDITS_SEEN; i += 1) {
      heard = 0;
      const everybody = new Promise<void>((done) => (all = done));
      begun = performance.now();
      await Promise.all([client!.command(), everybody]);
      await new Promise((done) => setTimeout(done, 20));
    }
    close.forEach((stop) => stop());
    return { p95Ms: at(times, 0.95), medianMs: median(times) };
  }

  /** What idle streams of other projects' people cost a command: its median with them over its median without. */
  async idle(): Promise<number> {
    const [client, ...others] = this.clients;
    const apart = others.filter(({ projectId }) => projectId !== client!.projectId);
    const without: number[] = [];
    const withStreams: number[] = [];
    for (let turn = 0; turn < 4; turn += 1) {
      for (let i = 0; i < ROUNDS / 4; i += 1) without.push(await timed(() => client!.command()));
      const close = await Promise.all(
        Array.from({ length: IDLE_STREAMS }, (_, i) => apart[i % apart.length]!.listen(() => undefined)),
      );
      for (let i = 0; i < ROUNDS / 4; i += 1) withStreams.push(await timed(() => client!.command()));
      close.forEach((stop) => stop());
      await new Promise((done) => setTimeout(done, 300));
    }
    return median(withStreams) / median(without);
  }

  async end(): Promise<void> {
    await this.bare.end();
    await this.installation.stop();
  }
}

/** Measures commands under load, against bare commits, on an installation of its own. */
export async function measureLoad(): Promise<void> {
  mkdirSync('.data', { recursive: true });
  const folder = mkdtempSync(join('.data', 'bench-'));
  const installation = new Installation(folder, await freePort(3600));
  const load = await Load.begin(installation);
  try {
    await load.oneClient();
    const one = await load.oneClient();
    const bare = await load.bareServer();
    const busy = await load.busy();
    const idle = await load.idle();
    const seen = await load.seen();
    const rows = {
      'bare commit of one row, median ms': round(one.bareMs, 2),
      'command, 1 client, median ms': round(one.commandMs, 2),
      'command over bare commit, 1 client (wanted: at most 12)': round(one.commandMs / one.bareMs),
      'commands a second, 20 clients, 5 projects (wanted: 300)': Math.round(busy.perSecond),
      'empty answers a second of a bare HTTP server, 20 clients': Math.round(bare),
      'command, 20 clients, 95th of 100, ms': round(busy.p95Ms),
      'an edit seen by 20 others, 95th of 100, ms (wanted: at most 50)': round(seen.p95Ms),
      'an edit seen by 20 others, median ms': round(seen.medianMs),
      [`a command with ${IDLE_STREAMS} idle streams of others, over without`]: round(idle, 2),
    };
    for (const [name, value] of Object.entries(rows)) process.stdout.write(`${String(value).padStart(10)}  ${name}\n`);
    mkdirSync('test-results', { recursive: true });
    writeFileSync('test-results/load.json', JSON.stringify(rows, null, 2));
  } finally {
    await load.end();
    rmSync(folder, { recursive: true, force: true });
  }
}
