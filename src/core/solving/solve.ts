import { finding, type Finding } from '../checks/finding';
import type { Framework } from '../model/framework';
import { Graph, type Failure } from '../passes/graph';
import type { Solved } from './solved';
import { solvedPass } from './solved-pass';

/**
 * Works out every storey of a framework. What an edit does not touch is kept from the solve before; a solver that has seen other
 * states answers the same bytes as a new one.
 */
export class Solver {
  private readonly graph = new Graph();

  /**
   * Never throws for what a framework can hold: what cannot be worked out becomes a finding. `late`: what takes long is worked out
   * too; held back, so that it is as it was before; or one part of what was held back is made good.
   */
  solve(framework: Framework, late: 'now' | 'hold' | 'one' = 'now'): Solved {
    const { value, failures } = this.graph.solve(framework, solvedPass, late);
    const findings = [...value.findings, ...failures.map(failed)].sort(bySeverityThenKey);
    return { ...value, profiles: this.graph.profiles.inUse(), findings };
  }

  /** True where nothing was held back in the solve before. */
  get isWhole(): boolean {
    return this.graph.isWhole;
  }

  /** Which passes read which, in the solve before. */
  dependencies = () => this.graph.dependencies();
}

/** A solve from nothing. */
export const solve = (framework: Framework): Solved => new Solver().solve(framework);

/** A pass that threw, as none should, is a finding at what it is about; the rest is worked out without it. */
function failed({ what, building, about }: Failure): Finding {
  const message = `${capital(what)} could not be worked out. Undo what was done last or change it; everything else stands`;
  // Several parts may be about nothing in particular: what they are tells them apart.
  const key = `solve.failed|${[...about].sort().join(',')}|${what}`;
  return { ...finding('solve.failed', building, null, about, message), key };
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

const bySeverityThenKey = (a: Finding, b: Finding): number =>
  a.severity === b.severity ? (a.key < b.key ? -1 : a.key > b.key ? 1 : 0) : a.severity === 'error' ? -1 : 1;
