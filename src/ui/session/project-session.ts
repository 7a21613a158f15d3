import type { Consequence } from '@/core/carrying/consequences';
import type { LengthDisplay } from '@/core/units/format-length';
import type { Remote } from 'comlink';
import { v4 } from 'uuid';
import type { LoggedChange } from '@/core/history/entry';
import { UNDO } from '@/core/history/undo-command';
import { isEmpty } from '@/core/model/changes';
import { groundsDigest, type Planned } from '@/core/commands/command';
import type { CommandInputs, CommandName, Sent } from '@/core/commands/command-inputs';
import { recalledBy } from '@/core/commands/commands';
import { EMPTY_FRAMEWORK, recordsById, type Framework } from '@/core/model/framework';
import type { Json } from '@/core/model/json';
import { refuse, type Result } from '@/core/model/result';
import type { Rec } from '@/core/model/kinds';
import { ARCHIVED, type Role } from '@/core/people/powers';
import type { CoreAsked, CoreProposals } from '@/core/cores/propose';
import type { Solved } from '@/core/solving/solved';
import type { LengthUnit } from '@/core/units/length-units';
import type { SolveWorker } from '@/workers/solve.worker';
import type { Here } from '@/core/people/told';
import { KeptEdits } from './kept-edits';
import { listenLive, type Told } from './live';
import { nextUndo, planHere, step } from './machine';
import {
  CLOSED,
  phaseOf,
  unsent,
  type Effect,
  type Pending,
  type Phase,
  type SessionEvent,
  type SessionState,
} from './session-state';
import { serverFor, ServerRefused, type Opened, type TellWork } from './server';
import { SolveHost } from './solve-host';
import { browserSurroundings, type Surroundings } from './surroundings';

/** What the interface shows. `framework` and `solved` always belong together: one generation, never a mixture. */
export interface Shown {
  framework: Framework;
  solved: Solved | null;
  /** False while what takes long, like ways out, is still of an earlier state. */
  isWhole: boolean;
  generation: number;
  phase: Phase;
  role: Role | null;
  readOnly: string | null;
  /** Edits of this tab the server has not acknowledged, oldest first. */
  unsent: readonly Pending[];
  /** Why the oldest of them cannot be saved. */
  stuck: { commandId: string; message: string } | null;
  /** What undo and redo would take back now, in words. */
  undo: string | null;
  redo: string | null;
  /** Number of the last change taken in: who shows the history reads it anew when this moves. */
  seq: number;
  /** Why what is seen is not what was done: the solver failed at it. */
  unsolved: string | null;
}

/**
 * One open project in one tab. It does what the machine says: sends edits one after the other, reads what was missed,
 * keeps what is not acknowledged, and has every state solved in the worker.
 */
export class ProjectSession {
  readonly server: ReturnType<typeof serverFor>;
  /** Told where somebody looks, and of what somebody else did. */
  onHere: (here: Here) => void = () => {};
  onOthersEdit: (change: LoggedChange) => void = () => {};
  private state: SessionState = CLOSED;
  private kept: KeptEdits<Pending> | null = null;
  private person: Opened['person'] | null = null;
  /** What is tried while something is dragged: shown in every view, and neither kept nor sent; told to the worker once. */
  private tried: { edit: Sent; isAsked: boolean } | null = null;
  private readonly host: SolveHost<Remote<SolveWorker>>;
  private shownFramework: Framework | null = null;
  private cannotSolve: Framework | null = null;
  private solving = false;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private closeLive = () => {};
  private closed = false;
  private shown: Shown = {
    framework: EMPTY_FRAMEWORK,
    solved: null,
    isWhole: true,
    generation: 0,
    phase: 'opening',
    role: null,
    readOnly: null,
    unsent: [],
    stuck: null,
    undo: null,
    redo: null,
    seq: 0,
    unsolved: null,
  };

  constructor(
    private readonly projectId: string,
    private readonly onShown: (shown: Shown) => void,
    /** Something the person must read: a refusal that came back, or somebody else's edit in the way and how to do theirs all the same. */
    private readonly onTrouble: (message: string, again?: () => void) => void,
    private readonly around: Surroundings = browserSurroundings(),
  ) {
    this.server = serverFor(projectId, around.send);
    this.host = new SolveHost(around.makeWorker, () =>
      this.onTrouble('The solver stopped and was begun anew from the framework. Nothing is lost'),
    );
  }

  /** SHA-256 of the framework as it is seen, and of its solve, to compare with another machine's. */
  fingerprints(): Promise<{ framework: string; solve: string }> {
    return this.host.remote.fingerprints();
  }

  /** What a framework tried on the side would bring about against the one that is shown, in words. */
  bringsAbout(tried: Framework, display: LengthDisplay): Promise<Consequence[]> {
    return this.host.bringsAbout(tried, display);
  }

  /** Arrangements of a core, worked out by the worker in what was solved last. */
  cores(asked: CoreAsked): Promise<CoreProposals> {
    return this.host.remote.cores(asked);
  }

  async open(): Promise<Opened> {
    const opened = await this.server.open();
    const framework = { records: new Map(Object.entries(opened.records)) };
    const { person, role, seq, readOnly, archived } = opened;
    this.person = person;
    this.kept = new KeptEdits(this.around, person.id, this.projectId);
    this.on({ type: 'opened', seq, framework, personId: person.id, role, own: [], readOnly, archived });
    this.closeLive = listenLive(this.around, (told) => this.heard(told));
    this.around.page.addEventListener('beforeunload', this.warn);
    void this.readOwn();
    void this.restoreKept();
    return opened;
  }

  close(): void {
    this.closed = true;
    clearTimeout(this.timer);
    this.around.page.removeEventListener('beforeunload', this.warn);
    this.closeLive();
    this.kept?.close();
    this.host.end();
  }

  /** Plans a command against what is seen, without doing it: for previews and counts. */
  previewOf({ command, input }: Sent): Result<Planned> {
    return planHere(this.state, command, input, v4());
  }

  /** Shows everywhere what a command would bring about, while it is still being dragged; null shows what is there again. */
  try(edit: Sent | null): void {
    this.tried = edit && { edit, isAsked: false };
    this.refresh();
  }

  /** Does a command: at once here, then on the server. A refusal changes nothing. */
  run<Name extends CommandName>(command: Name, input: CommandInputs[Name]): Result<Planned> {
    return this.doNow(command, input);
  }

  private doNow(command: string, input: unknown): Result<Planned> {
    const commandId = v4();
    this.tried = null;
    const planned = planHere(this.state, command, input, commandId);
    if (!planned.ok || isEmpty(planned.value.changes)) {
      this.refresh();
      return planned;
    }
    const { changes, sentence } = planned.value;
    const edit = {
      commandId,
      command,
      input: input as Json,
      digest: groundsDigest(changes),
      madeAt: this.state.baseSeq,
      sentence,
    };
    this.on({ type: 'edited', edit, planned: planned.value });
    return planned;
  }

  /** Takes back this person's last change that still stands; `again` takes back the last undo. A command like others. */
  undo(again = false): Result<Planned> | null {
    const target = nextUndo(this.state, again);
    return target ? this.run(UNDO, { target: target.commandId }) : null;
  }

  /** Sends the edit that is stuck once more. */
  tryAgain = (): void => this.on({ type: 'tryAgain' });

  /** Takes back an edit that was not sent. */
  takeBack = (commandId: string): void => this.on({ type: 'takeBack', commandId });

  /** Told that somebody signed in again in this tab; true if it is the person this tab belongs to. */
  async signedIn(): Promise<boolean> {
    const { person, role, seq } = await this.server.open();
    if (person.id !== this.person?.id) return false;
    this.on({ type: 'signedIn' });
    this.on({ type: 'heads', seq, role });
    return true;
  }

  /** The framework with everything done here, whether it was sent or solved or not. */
  get framework(): Framework {
    return this.state.view;
  }

  /** The framework as plain records, for the import worker. */
  records(): Record<string, Rec> {
    return recordsById(this.state.view);
  }

  /** A sheet or an export as a file, once everything pending is committed: they are made of what is saved. */
  async made(
    what: 'sheet' | 'export',
    query: Record<string, string>,
    signal: AbortSignal,
    tell?: TellWork,
  ): Promise<{ name: string; blob: Blob }> {
    while (this.state.pending.length > 0 && !this.closed && !signal.aborted) {
      const phase = phaseOf(this.state);
      if (phase !== 'sending' && phase !== 'catchingUp')
        throw new Error('Files are made of what is saved, and not all is. Wait until it says Saved');
      await new Promise((resolve) => setTimeout(resolve, 30));
    }
    return this.server.made(what, query, signal, tell);
  }

  readDrawing(file: File, signal: AbortSignal, tell?: TellWork) {
    return this.server.readDrawing(file, signal, tell).catch((error: Error) => refuse(error.message));
  }

  readLevels(file: File, unit: LengthUnit | undefined, signal: AbortSignal, tell?: TellWork) {
    return this.server.readLevels(file, unit, signal, tell).catch((error: Error) => refuse(error.message));
  }

  private on(event: SessionEvent): void {
    if (this.closed) return;
    const { state, effects } = step(this.state, event);
    this.state = state;
    for (const effect of effects) this.carryOut(effect);
    this.show({});
    this.refresh();
  }

  private carryOut(effect: Effect): void {
    switch (effect.do) {
      case 'send':
        return void this.send(effect.edit);
      case 'readMissed':
        return void this.ask(async () => {
          const { changes } = await this.server.since(effect.since);
          this.on({ type: 'missedRead', changes });
        });
      case 'wait':
        clearTimeout(this.timer);
        this.timer = setTimeout(() => this.on({ type: 'waited' }), effect.ms);
        return;
      case 'keep':
        if (this.kept?.keep(effect.edits) === false)
          this.onTrouble('This browser keeps nothing. Leave this tab open until it says Saved');
        return;
      case 'say': {
        const { again } = effect;
        return this.onTrouble(effect.message, again && (() => this.doAnew(again)));
      }
    }
  }

  private send({ commandId, command, input, digest, madeAt }: Pending): Promise<void> {
    const personId = this.state.personId;
    return this.ask(async () => {
      const sent = { commandId, command, input, baseSeq: madeAt, previewDigest: digest, personId };
      const { seq, changes, sentence } = await this.server.send(sent);
      const target = recalledBy(command, input);
      const who = { author: this.person?.name ?? '', authorId: personId, at: '' };
      const entry = isEmpty(changes) ? null : { seq, commandId, command, target, sentence, changes, ...who };
      this.on({ type: 'acknowledged', commandId, seq, changes, entry });
    });
  }

  /** A request; what is refused or not answered becomes an event. */
  private async ask(work: () => Promise<void>): Promise<void> {
    try {
      await work();
    } catch (error) {
      const { status, message, more } =
        error instanceof ServerRefused ? error : { status: 0, message: String(error), more: {} };
      this.on({ type: 'refused', status, message, ...more });
    }
  }

  private heard(told: Told): void {
    switch (told.event) {
      case 'live':
        if (told.data !== this.state.live) this.on({ type: 'live', live: told.data });
        return;
      case 'out':
        return this.on({ type: 'signedOut' });
      case 'heads': {
        const head = told.data[this.projectId];
        return this.on({
          type: 'heads',
          seq: head?.seq ?? null,
          role: head?.role ?? null,
          archived: head?.archived ?? false,
        });
      }
      case 'head':
        if (told.data.projectId === this.projectId && this.state.role)
          this.on({ type: 'heads', seq: told.data.seq, role: this.state.role });
        return;
      case 'here':
        if (told.data.projectId === this.projectId) this.onHere(told.data);
        return;
      case 'change': {
        const { projectId, change } = told.data;
        if (projectId !== this.projectId) return;
        if (change.authorId !== this.state.personId) this.onOthersEdit(change);
        this.on({ type: 'told', change });
      }
    }
  }

  private show(part: Partial<Shown>): void {
    if (this.closed) return;
    const { state } = this;
    this.shown = {
      ...this.shown,
      phase: phaseOf(state),
      role: state.role,
      readOnly: state.readOnly ?? (state.archived ? ARCHIVED : null),
      unsent: unsent(state),
      stuck: state.stuck,
      undo: nextUndo(state, false)?.sentence ?? null,
      redo: nextUndo(state, true)?.sentence ?? null,
      seq: state.baseSeq,
      ...part,
    };
    this.onShown(this.shown);
  }

  /** Does an edit again that somebody else's stood in the way of, on what is there now. */
  private doAnew({ command, input }: Pending): void {
    const planned = this.doNow(command, input);
    if (!planned.ok) this.onTrouble(planned.refusal.message);
  }

  /** Brings the worker to the latest state and shows what it answers. States in between are passed over. */
  private refresh(): void {
    if (this.solving || this.closed || !this.state.opened) return;
    this.solving = true;
    void (async () => {
      for (;;) {
        const { tried } = this;
        if (tried) {
          if (tried.isAsked || this.closed) break;
          tried.isAsked = true;
          const shown = await this.host.tryOut(this.state.view, tried.edit, v4());
          // What cannot be done leaves the last that could.
          if (shown) this.shownFramework = shown.framework;
          if (shown) this.show({ ...shown, isWhole: false, generation: this.shown.generation + 1, unsolved: null });
          continue;
        }
        const target = this.state.view;
        if (this.closed || target === this.cannotSolve) break;
        if (target === this.shownFramework) {
          // What takes long comes after all that is done by hand.
          if (this.shown.isWhole) break;
          const more = await this.host.more();
          if (!more) break;
          // Shown once it is all there: what draws need not be done anew for each part.
          if (more.isWhole) this.show({ ...more, generation: this.shown.generation + 1 });
          continue;
        }
        try {
          const solved = await this.host.solve(target);
          this.shownFramework = target;
          this.cannotSolve = null;
          this.show({
            framework: target,
            solved,
            isWhole: false,
            generation: this.shown.generation + 1,
            unsolved: null,
          });
        } catch (error) {
          // The last good solve stays. Edits go on: an undo may bring back what can be solved.
          this.cannotSolve = target;
          this.show({ unsolved: (error as Error).message, ...(this.shown.solved ? {} : { framework: target }) });
        }
      }
      this.solving = false;
    })();
  }

  /** Takes up edits that a closed tab could not send. */
  private async restoreKept(): Promise<void> {
    if (!this.kept) return;
    const { edits, taken } = await this.kept.orphans();
    if (this.closed) return;
    if (edits.length > 0) this.on({ type: 'restored', edits });
    taken();
  }

  private async readOwn(): Promise<void> {
    try {
      const { own } = await this.server.own();
      this.on({ type: 'ownRead', own: own satisfies LoggedChange[] });
    } catch {
      // What was done before this page opened cannot be taken back then; what is done here can.
    }
  }

  /** Leaving while something is not sent is asked about, though it is kept. */
  private readonly warn = (event: Event): void => {
    if (phaseOf(this.state) === 'stuck') event.preventDefault();
  };
}
