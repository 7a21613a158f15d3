/**
 * Edits not yet acknowledged, kept in this browser so that closing a tab while offline loses none. Each tab keeps
 * its own list under a lock that lives as long as the tab, so a tab that opens knows which lists nobody sends any more.
 */
export class KeptEdits<T> {
  private readonly tab = crypto.randomUUID();
  private readonly prefix: string;
  private release = () => {};

  constructor(projectId: string) {
    this.prefix = `spine-kept-${projectId}-`;
    void navigator.locks.request(this.prefix + this.tab, () => new Promise<void>((done) => (this.release = done)));
  }

  keep(edits: readonly T[]): void {
    try {
      if (edits.length === 0) localStorage.removeItem(this.prefix + this.tab);
      else localStorage.setItem(this.prefix + this.tab, JSON.stringify(edits));
    } catch {
      // Without local storage what is pending lives as long as the tab.
    }
  }

  /** Takes over the lists of tabs that are closed. */
  async takeOver(): Promise<T[]> {
    const { held = [] } = await navigator.locks.query();
    const open = new Set(held.map(({ name }) => name));
    const orphans = Object.keys(localStorage).filter((key) => key.startsWith(this.prefix) && !open.has(key));
    return orphans.flatMap((key) => {
      const text = localStorage.getItem(key);
      localStorage.removeItem(key);
      try {
        return JSON.parse(text ?? '[]') as T[];
      } catch {
        return [];
      }
    });
  }

  close(): void {
    this.release();
  }
}
