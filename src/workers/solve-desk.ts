import { consequences, type Consequence } from '@/core/carrying/consequences';
import { coreProposals, type CoreAsked, type CoreProposals } from '@/core/cores/propose';
import { plan } from '@/core/commands/commands';
import type { Sent } from '@/core/commands/command-inputs';
import { apply, type Changes } from '@/core/model/changes';
import { EMPTY_FRAMEWORK, frameworkHash, type Framework } from '@/core/model/framework';
import { hashOf } from '@/core/model/hash';
import type { Id } from '@/core/model/ids';
import type { Rec } from '@/core/model/kinds';
import { Solver } from '@/core/solving/solve';
import type { Solved } from '@/core/solving/solved';
import { deltaOf, type SolvedDelta } from '@/core/solving/solved-delta';
import type { LengthDisplay } from '@/core/units/format-length';

/** What a command tried out changes, and what that changes in the solve. */
export interface TriedOut {
  changes: Changes;
  delta: SolvedDelta;
}

/** What the browser's solver does: it keeps the framework, takes only changes, answers what they changed in the solve. */
export class SolveDesk {
  private framework: Framework = EMPTY_FRAMEWORK;
  private readonly solver = new Solver();
  /** What the page has been sent. */
  private sent: Solved | null = null;

  reset(records: Record<string, Rec>): SolvedDelta {
    this.framework = { records: new Map(Object.entries(records)) };
    this.sent = null;
    return this.answer();
  }

  update(changes: Changes): SolvedDelta {
    this.framework = apply(this.framework, changes);
    return this.answer();
  }

  /** Plans a command on the framework with some changes, and shows what it would be; null, and nothing changes, where it is refused. */
  tryOut(changes: Changes, { command, input }: Sent, commandId: Id): TriedOut | null {
    const planned = plan(apply(this.framework, changes), command, input, commandId);
    if (!planned.ok) return null;
    this.framework = planned.value.after;
    return { changes: planned.value.changes, delta: this.answer() };
  }

  /** What some changes would bring about, in words. The page is shown nothing of it. */
  bringsAbout(changes: Changes, display: LengthDisplay): Consequence[] {
    const before = { framework: this.framework, solved: this.sent ?? this.solver.solve(this.framework, 'hold') };
    const framework = apply(this.framework, changes);
    return consequences(before, { framework, solved: this.solver.solve(framework, 'hold') }, display);
  }

  /** Arrangements of a core in the building as it was solved last. */
  cores(asked: CoreAsked): CoreProposals {
    return coreProposals(this.framework, asked);
  }

  /** SHA-256 of the framework and of its solve, to compare with another machine's. */
  fingerprints(): { framework: string; solve: string } {
    return { framework: frameworkHash(this.framework), solve: hashOf(this.solver.solve(this.framework)) };
  }

  /** A part of what takes long and was held back: one at a time, so that an edit in between waits for no more. */
  more(): { delta: SolvedDelta; isWhole: boolean } {
    const delta = this.answer('one');
    return { delta, isWhole: this.solver.isWhole };
  }

  /** Only what changed crosses to the page. */
  private answer(late: 'hold' | 'one' = 'hold'): SolvedDelta {
    const solved = this.solver.solve(this.framework, late);
    const delta = deltaOf(this.sent, solved);
    this.sent = solved;
    return delta;
  }
}
