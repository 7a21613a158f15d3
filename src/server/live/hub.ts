import pg from 'pg';
import { log } from '../log';
import { settings } from '../settings';

/** Told that a project has a new head. */
export type Listener = (projectId: string, seq: number) => void;

/**
 * This process's ear on the database: one connection that listens for new heads and tells every open stream.
 * When the connection is lost it comes back by itself; what was missed meanwhile the heartbeats heal.
 */
class Hub {
  private readonly listeners = new Set<Listener>();
  private readonly closers = new Set<() => void>();
  private client: pg.Client | null = null;
  private connecting = false;
  private closed = false;

  listen(listener: Listener, close: () => void): () => void {
    this.listeners.add(listener);
    this.closers.add(close);
    void this.connect();
    return () => {
      this.listeners.delete(listener);
      this.closers.delete(close);
    };
  }

  /** Ends every stream, so that the process can end. */
  async close(): Promise<void> {
    this.closed = true;
    for (const close of [...this.closers]) close();
    await this.client?.end().catch(() => undefined);
  }

  private async connect(): Promise<void> {
    if (this.client || this.connecting || this.closed) return;
    this.connecting = true;
    const client = new pg.Client({ connectionString: settings().DATABASE_URL });
    const lost = () => {
      if (this.client === client) this.client = null;
      if (!this.closed && this.listeners.size > 0) setTimeout(() => void this.connect(), 500);
    };
    client.on('error', lost);
    client.on('end', lost);
    client.on('notification', ({ payload }) => {
      const [projectId, seq] = (payload ?? '').split(':');
      if (projectId && seq) for (const listener of this.listeners) listener(projectId, Number(seq));
    });
    try {
      await client.connect();
      await client.query('listen spine');
      this.client = client;
    } catch (error) {
      log.warn({ error: String(error) }, 'the live connection to the database failed; trying again');
      setTimeout(() => void this.connect(), 500);
    } finally {
      this.connecting = false;
    }
  }
}

const holder = globalThis as typeof globalThis & { spineHub?: Hub };

export const hub = (): Hub => (holder.spineHub ??= new Hub());
