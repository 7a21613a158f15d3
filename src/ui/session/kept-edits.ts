import type { Surroundings } from './surroundings';

/**
 * Edits not yet acknowledged, kept in this browser so that closing a tab while offline loses none. They belong to a person
 * and a project: nobody else who signs in here takes them up. Each tab keeps its own list under a lock that lives as
 * long as the tab, so a tab that opens knows which lists nobody sends any more.
 */
export class KeptEdits<T> {
  private readonly prefix: string;
  private readonly own: string;
  private release = () => {};

  constructor(
    private readonly around: Pick<Surroundings, 'storage' | 'locks'>,
    personId: string,
    projectId: string,
  ) {
    this.prefix = `spine-kept/${personId}/${projectId}/`;
    this.own = this.prefix + crypto.randomUUID();
    void around.locks.request(this.own, () => new Promise<void>((done) => (this.release = done)));
  }

  /** Keeps the edits in the place of those kept before; false if this browser keeps nothing. */
  keep(edits: readonly T[]): boolean {
    try {
      if (edits.length === 0) this.around.storage.removeItem(this.own);
      else this.around.storage.setItem(this.own, JSON.stringify(edits));
      return true;
    } catch {
      return edits.length === 0;
    }
  }

  /**
   * The lists of tabs that are closed. They stay where they are until `taken` is called: by then this tab keeps them.
   */
  async orphans(): Promise<{ edits: T[]; taken: () => void }> {
    const { locks, storage } = this.around;
    const { held = [], pending = [] } = await locks.query();
    const open = new Set([...held, ...pending].map(({ name }) => name));
    const all = Array.from({ length: storage.length }, (_, i) => storage.key(i) ?? '');
    const keys = all.filter((key) => key.startsWith(this.prefix) && !open.has(key));
    const edits = keys.flatMap((key) => {
      try {
        return JSON.parse(storage.getItem(key) ?? '[]') as T[];
      } catch {
        return [];
      }
    });
    return { edits, taken: () => keys.forEach((key) => storage.removeItem(key)) };
  }

  close(): void {
    this.release();
  }
}
