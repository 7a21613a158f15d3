import { wrap, type Remote } from 'comlink';
import { v4 } from 'uuid';
import { apply, difference, isEmpty, type Changes } from '@/core/model/changes';
import { groundsDigest, type Planned } from '@/core/model/command';
import { plan } from '@/core/model/commands';
import { EMPTY_FRAMEWORK, recordsById, type Framework } from '@/core/model/framework';
import type { Json } from '@/core/model/json';
import type { Result } from '@/core/model/result';
import { refuse } from '@/core/model/result';
import type { Solved } from '@/core/solving/solved';
import { withDelta } from '@/core/solving/solved-delta';
import type { SolveWorker } from '@/workers/solve.worker';
import { KeptEdits } from './kept-edits';
import { listenToHeads, type Heads } from './live';
import { UNDO, undoTarget } from './undo-target';
import { serverFor, ServerRefused, type HistoryEntry, type Opened } from './server';

/** A command on its way: planned here, not yet acknowledged. */
interface Pending {
  commandId: string;
  command: string;
  input: Json;
  digest: string;
}

/** What the interface shows. `framework` and `solved` always belong together: one generation, never a mixture. */
export interface Shown {
  framework: Framework;
  solved: Solved | null;
  generation: number;
  pendingCount: number;
  online: boolean;
  history: HistoryEntry[];
}

/**
 * One open project in one tab. Commands are planned here at once and sent one after the other; what others commit
 * is taken in below what is pending, which is then planned anew. Every state is solved in the worker.
 */
export class ProjectSession {
  readonly worker: Remote<SolveWorker>;
  private readonly raw: Worker;
  readonly server: ReturnType<typeof serverFor>;
  private readonly kept: KeptEdits<Pending>;
  private base: Framework = EMPTY_FRAMEWORK;
  private baseSeq = 0;
  /** Base with all pending commands. */
  private view: Framework = EMPTY_FRAMEWORK;
  /** What is tried while something is dragged: shown in every view, and neither kept nor sent. */
  private tried: Framework | null = null;
  private pending: Pending[] = [];
  private inWorker: Framework = EMPTY_FRAMEWORK;
  private solving = false;
  private sending = false;
  private catchingUp: Promise<void> | null = null;
  private closeLive = () => {};
  private closed = false;
  private shown: Shown = {
    framework: EMPTY_FRAMEWORK,
    solved: null,
    generation: 0,
    pendingCount: 0,
    online: true,
    history: [],
  };

  constructor(
    private readonly projectId: string,
    private readonly onShown: (shown: Shown) => void,
    /** Something the person must read: a refusal that came back, or somebody else's edit in the way and how to do theirs all the same. */
    private readonly onTrouble: (message: string, again?: () => void) => void,
  ) {
    this.server = serverFor(projectId);
    this.kept = new KeptEdits(projectId);
    this.raw = new Worker(new URL('../../workers/solve.worker.ts', import.meta.url), { type: 'module' });
    this.worker = wrap<SolveWorker>(this.raw);
  }

  async open(): Promise<Opened> {
    const opened = await this.server.open();
    this.base = { records: new Map(Object.entries(opened.records)) };
    this.baseSeq = opened.seq;
    this.view = this.base;
    const solved = withDelta(null, await this.worker.reset(opened.records));
    this.inWorker = this.base;
    this.show({ framework: this.base, solved, generation: 1 });
    void this.restoreKept();
    this.closeLive = listenToHeads(
      (heads) => this.heard(heads),
      (isTrouble) => this.show({ online: !isTrouble }),
    );
    void this.readHistory();
    return opened;
  }

  close(): void {
    this.closed = true;
    this.closeLive();
    this.kept.close();
    this.raw.terminate();
  }

  /** Plans a command against what is seen, without doing it: for previews and counts. */
  preview(command: string, input: unknown): Result<Planned> {
    return plan(this.view, command, input, v4());
  }

  /** Shows everywhere what a command would bring about, while it is still being dragged; null shows what is there again. */
  try(edit: { command: string; input: Json } | null): void {
    const planned = edit && plan(this.view, edit.command, edit.input, v4());
    // What cannot be done leaves the last that could.
    if (planned && !planned.ok) return;
    this.tried = planned ? planned.value.after : null;
    this.refresh();
  }

  /** Does a command: at once here, then on the server. A refusal changes nothing. */
  run(command: string, input: Json): Result<Planned> {
    const commandId = v4();
    const planned = plan(this.view, command, input, commandId);
    this.tried = null;
    if (!planned.ok || isEmpty(planned.value.changes)) return planned;
    this.pending.push({ commandId, command, input, digest: groundsDigest(planned.value.changes) });
    this.view = planned.value.after;
    this.kept.keep(this.pending);
    this.refresh();
    void this.sendNext();
    return planned;
  }

  /** Takes back this person's last change that still stands; `again` takes back the last undo. */
  async undo(personId: string, again = false): Promise<void> {
    // The history is read anew: what was just done must be what is taken back.
    await this.settled();
    const target = undoTarget(this.shown.history, personId, again);
    if (!target) return;
    try {
      const { seq, changes } = await this.server.send({
        commandId: v4(),
        command: UNDO,
        input: { target: target.commandId },
        baseSeq: this.baseSeq,
      });
      if (seq === this.baseSeq + 1) this.takeIn([{ seq, commandId: '', changes }]);
      else await this.catchUp();
      await this.readHistory();
    } catch (error) {
      this.onTrouble((error as Error).message);
    }
  }

  /** Resolves when nothing is pending any more. */
  private async settled(): Promise<void> {
    while (this.pending.length > 0 && !this.closed) await new Promise((resolve) => setTimeout(resolve, 30));
    await this.readHistory();
  }

  private async readHistory(): Promise<void> {
    try {
      this.show({ history: (await this.server.history()).history });
    } catch {
      // The history is read again after the next change.
    }
  }

  private show(part: Partial<Shown>): void {
    if (this.closed) return;
    this.shown = { ...this.shown, ...part, pendingCount: this.pending.length };
    this.onShown(this.shown);
  }

  private heard(heads: Heads): void {
    this.show({ online: true });
    const head = heads[this.projectId];
    if (head !== undefined && head > this.baseSeq) void this.catchUp();
    if (this.pending.length > 0) void this.sendNext();
  }

  private catchUp(): Promise<void> {
    this.catchingUp ??= (async () => {
      try {
        for (;;) {
          const { changes } = await this.server.since(this.baseSeq);
          this.takeIn(changes);
          if (changes.length < 500) break;
        }
        void this.readHistory();
      } catch (error) {
        if (!(error instanceof ServerRefused) || error.status !== 0) this.onTrouble((error as Error).message);
        else this.show({ online: false });
      } finally {
        this.catchingUp = null;
      }
    })();
    return this.catchingUp;
  }

  /** Takes committed changes into the base, in order, and plans what is pending anew on top. */
  private takeIn(committed: readonly { seq: number; commandId: string; changes: Changes }[]): void {
    let isNew = false;
    for (const { seq, commandId, changes } of committed) {
      if (seq !== this.baseSeq + 1) continue;
      this.base = apply(this.base, changes);
      this.baseSeq = seq;
      this.pending = this.pending.filter((waiting) => waiting.commandId !== commandId);
      isNew = true;
    }
    if (isNew) this.replan();
  }

  private replan(): void {
    this.view = this.base;
    this.pending = this.pending.filter((waiting) => {
      const planned = plan(this.view, waiting.command, waiting.input, waiting.commandId);
      if (!planned.ok) {
        this.onTrouble(`An edit could not be kept after somebody else's: ${planned.refusal.message}`);
        return false;
      }
      this.view = planned.value.after;
      return true;
    });
    this.kept.keep(this.pending);
    this.refresh();
  }

  /** Sends the oldest pending command; one at a time, so they are committed in the order they were made. */
  private async sendNext(): Promise<void> {
    const [next] = this.pending;
    if (!next || this.sending || this.closed) return;
    this.sending = true;
    this.show({});
    let delayMs = 0;
    try {
      const { commandId, command, input, digest } = next;
      const { seq, changes } = await this.server.send({
        commandId,
        command,
        input,
        baseSeq: this.baseSeq,
        previewDigest: digest,
      });
      if (seq === this.baseSeq + 1) this.takeIn([{ seq, commandId, changes }]);
      else if (seq > this.baseSeq) await this.catchUp();
      if (this.pending[0] === next) this.pending.shift();
      this.show({ online: true });
      void this.readHistory();
    } catch (error) {
      if (error instanceof ServerRefused && error.status !== 0 && error.status < 500) {
        this.pending = this.pending.filter((waiting) => waiting !== next);
        this.onTrouble(error.message, error.status === 409 ? () => this.doAnew(next) : undefined);
        await this.catchUp();
        this.replan();
      } else {
        this.show({ online: false });
        delayMs = 2000;
      }
    } finally {
      this.sending = false;
      this.kept.keep(this.pending);
      this.show({});
    }
    if (this.pending.length > 0) setTimeout(() => void this.sendNext(), delayMs);
  }

  /** Does an edit again that somebody else's stood in the way of, on what is there now. */
  private doAnew({ command, input }: Pending): void {
    const planned = this.run(command, input);
    if (!planned.ok) this.onTrouble(planned.refusal.message);
  }

  /** Brings the worker to the latest state and shows what it answers. States in between are passed over. */
  private refresh(): void {
    if (this.solving || this.closed) return;
    this.solving = true;
    void (async () => {
      while (this.inWorker !== (this.tried ?? this.view) && !this.closed) {
        const target = this.tried ?? this.view;
        const changes = difference(this.inWorker, target);
        const solved = withDelta(this.shown.solved, await this.worker.update(changes));
        this.inWorker = target;
        this.show({ framework: target, solved, generation: this.shown.generation + 1 });
      }
      this.solving = false;
    })();
  }

  /** Takes up edits that a closed tab could not send. */
  private async restoreKept(): Promise<void> {
    const kept = await this.kept.takeOver();
    if (kept.length === 0 || this.closed) return;
    this.pending.push(...kept);
    this.replan();
    void this.sendNext();
  }

  /** The framework as plain records, for the import worker. */
  records(): Record<string, import('@/core/model/record').Rec> {
    return recordsById(this.view);
  }

  /** The setting-out plan of a level as a file, once everything pending is committed. */
  async sheet(query: Record<string, string>): Promise<{ name: string; blob: Blob }> {
    if (this.pending.length > 0) await this.settled();
    return this.server.sheet(query);
  }

  readDrawing(file: File, signal: AbortSignal) {
    return this.server.readDrawing(file, signal).catch((error: Error) => refuse(error.message));
  }
}
