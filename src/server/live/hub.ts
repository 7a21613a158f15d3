import pg from 'pg';
import { readLogged } from '../changes/read-changes';
import { recentChange } from '../changes/recent';
import { codeOf } from '../entry/audit';
import { log } from '../log';
import { settings } from '../settings';
import type { Here } from '@/core/people/told';
import { HERE_CHANNEL } from './here';

/** For so long a tab is thought to be open after it said so last. */
const HERE_MS = 45_000;
/** Bytes of a change that are sent along the stream; a larger one is fetched by who needs it. */
const MOST_TOLD_BYTES = 64_000;

/** One open stream: what the hub tells it. */
export interface Listener {
  /** An event of a project it listens to, as the bytes that are sent. */
  tell: (bytes: Uint8Array) => void;
  /** The person's memberships or sessions changed, or may have been missed: both are read anew. */
  readAnew: () => void;
  end: () => void;
}

interface Listening {
  userId: string;
  listener: Listener;
  projects: ReadonlySet<string>;
}

const encoder = new TextEncoder();

/** An event as it goes over the wire. */
export const eventBytes = (event: string, data: unknown): Uint8Array =>
  encoder.encode(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`);

/**
 * This process's ear on the database: one connection that hears of commits and of changed memberships and sessions. A
 * commit is read at most once and told to the streams of its project; streams of others cost it nothing. When the
 * connection is lost it comes back by itself, and everything that hangs on it is read anew.
 */
class Hub {
  private readonly byProject = new Map<string, Set<Listening>>();
  private readonly byPerson = new Map<string, Set<Listening>>();
  private readonly peopleChanged = new Set<(userId: string | null) => void>();
  private readonly busy = new Map<string, Promise<void>>();
  /** Where people look, by project and tab, with when they said so. */
  private readonly here = new Map<string, Map<string, { here: Here; at: number }>>();
  private lookedForSilent = 0;
  private client: pg.Client | null = null;
  private connecting = false;
  private closed = false;

  /** True while nothing that the database tells can be missed. */
  hears(): boolean {
    if (!this.client) void this.connect();
    return this.client !== null;
  }

  /** Calls back with the person whose memberships or sessions changed; with null when any may have. */
  onPeople(changed: (userId: string | null) => void): void {
    this.peopleChanged.add(changed);
    void this.connect();
  }

  /** How many streams a person has open in this process. */
  streamsOf(userId: string): number {
    return this.byPerson.get(userId)?.size ?? 0;
  }

  /** Opens a stream's place. `follow` says which projects it is told of from then on; true if one is new. */
  listen(userId: string, listener: Listener): { follow: (projects: readonly string[]) => boolean; leave: () => void } {
    const listening: Listening = { userId, listener, projects: new Set() };
    add(this.byPerson, userId, listening);
    void this.connect();
    const follow = (projects: readonly string[]): boolean => {
      const next = new Set(projects);
      const isNew = projects.some((id) => !listening.projects.has(id));
      for (const id of listening.projects) if (!next.has(id)) drop(this.byProject, id, listening);
      const joined = projects.filter((id) => !listening.projects.has(id));
      for (const id of joined) add(this.byProject, id, listening);
      listening.projects = next;
      for (const id of joined) for (const here of this.hereIn(id)) listener.tell(eventBytes('here', here));
      return isNew;
    };
    return {
      follow,
      leave: () => {
        follow([]);
        drop(this.byPerson, userId, listening);
      },
    };
  }

  /** Ends every stream, so that the process can end. */
  async close(): Promise<void> {
    this.closed = true;
    for (const { listener } of this.all()) listener.end();
    await this.client?.end().catch(() => undefined);
  }

  private all(): Listening[] {
    return [...this.byPerson.values()].flatMap((each) => [...each]);
  }

  private heard(channel: string, payload: string): void {
    if (channel === 'spine_people') return this.readAnew(payload);
    if (channel === HERE_CHANNEL) return this.heardHere(JSON.parse(payload) as Here);
    const [projectId, seq] = payload.split(':');
    if (projectId && seq && this.byProject.has(projectId)) this.queue(projectId, Number(seq));
  }

  /** Somebody said where they look, or closed a tab: told to who is in the project, and kept a while for who comes later. */
  private heardHere(here: Here): void {
    const { projectId, tab, place } = here;
    this.forgetSilent();
    const known = this.here.get(projectId) ?? new Map<string, { here: Here; at: number }>();
    known.delete(tab);
    if (place) known.set(tab, { here, at: Date.now() });
    if (known.size > 0) this.here.set(projectId, known);
    else this.here.delete(projectId);
    const bytes = eventBytes('here', here);
    for (const { listener } of this.byProject.get(projectId) ?? []) listener.tell(bytes);
  }

  private hereIn(projectId: string): Here[] {
    this.forgetSilent();
    return [...(this.here.get(projectId)?.values() ?? [])].map(({ here }) => here);
  }

  /** A tab that crashed says nothing any more. Looked for once in a while, in every project. */
  private forgetSilent(): void {
    if (Date.now() - this.lookedForSilent < HERE_MS / 3) return;
    this.lookedForSilent = Date.now();
    for (const [projectId, known] of this.here) {
      for (const [tab, { at }] of known) if (Date.now() - at > HERE_MS) known.delete(tab);
      if (known.size === 0) this.here.delete(projectId);
    }
  }

  /** One after the other for a project, so that changes are told in their order. */
  private queue(projectId: string, seq: number): void {
    const told = (this.busy.get(projectId) ?? Promise.resolve())
      .then(() => this.tellChange(projectId, seq))
      .catch((error: unknown) => log.warn({ code: codeOf(error) }, 'a commit could not be read for the live streams'))
      .finally(() => {
        if (this.busy.get(projectId) === told) this.busy.delete(projectId);
      });
    this.busy.set(projectId, told);
  }

  private async tellChange(projectId: string, seq: number): Promise<void> {
    const listening = this.byProject.get(projectId);
    if (!listening) return;
    const change = recentChange(projectId, seq) ?? (await readLogged(projectId, seq));
    const whole = change && eventBytes('change', { projectId, change });
    const bytes = whole && whole.length <= MOST_TOLD_BYTES ? whole : eventBytes('head', { projectId, seq });
    for (const { listener } of listening) listener.tell(bytes);
  }

  /** Somebody whose memberships or sessions changed may be gone: their tabs say anew that they are here, if they may. */
  private forgetHere(userId: string): void {
    for (const known of [...this.here.values()])
      for (const { here } of [...known.values()]) if (here.userId === userId) this.heardHere({ ...here, place: null });
  }

  private readAnew(userId: string | null): void {
    if (userId !== null) this.forgetHere(userId);
    for (const changed of this.peopleChanged) changed(userId);
    const told = userId === null ? this.all() : [...(this.byPerson.get(userId) ?? [])];
    for (const { listener } of told) listener.readAnew();
  }

  private async connect(): Promise<void> {
    if (this.client || this.connecting || this.closed) return;
    this.connecting = true;
    const client = new pg.Client({
      connectionString: settings().DATABASE_URL,
      keepAlive: true,
      connectionTimeoutMillis: 5000,
      application_name: 'spine live',
    });
    const lost = () => {
      if (this.client !== client) return;
      this.client = null;
      for (const changed of this.peopleChanged) changed(null);
      if (!this.closed) setTimeout(() => void this.connect(), 500).unref();
    };
    client.on('error', lost);
    client.on('end', lost);
    client.on('notification', ({ channel, payload }) => this.heard(channel, payload ?? ''));
    try {
      await client.connect();
      // A listening connection is idle by nature.
      await client.query('set idle_session_timeout = 0');
      await client.query('listen spine');
      await client.query('listen spine_people');
      await client.query(`listen ${HERE_CHANNEL}`);
      this.client = client;
      this.readAnew(null);
    } catch (error) {
      log.warn({ code: codeOf(error) }, 'the live connection to the database failed; trying again');
      client.end().catch(() => undefined);
      if (!this.closed) setTimeout(() => void this.connect(), 500).unref();
    } finally {
      this.connecting = false;
    }
  }
}

function add<T>(sets: Map<string, Set<T>>, key: string, entry: T): void {
  const set = sets.get(key);
  if (set) set.add(entry);
  else sets.set(key, new Set([entry]));
}

function drop<T>(sets: Map<string, Set<T>>, key: string, entry: T): void {
  const set = sets.get(key);
  set?.delete(entry);
  if (set?.size === 0) sets.delete(key);
}

const holder = globalThis as typeof globalThis & { spineHub?: Hub };

export const hub = (): Hub => (holder.spineHub ??= new Hub());
