import { plan } from '../commands/commands';
import type { CommandName } from '../commands/command-inputs';
import type { Changes } from '../model/changes';
import { recordsOf, type Framework } from '../model/framework';
import { derivedCommandId } from '../model/ids';
import { storeyLevels } from '../levels/resolve-levels';
import { gridsOf } from '../grids/resolve-grids';
import { MAKERS } from './command-makers';
import { given } from './given';
import { numbersFrom } from './random-commands';
import { RICH } from './rich';

/** Commands the run knows how to make inputs for. */
export const MADE = Object.keys(MAKERS) as (keyof typeof MAKERS)[];

/** A step of the run: what was accepted, and what it changed. */
interface Accepted {
  name: CommandName;
  before: Framework;
  after: Framework;
  changes: Changes;
  sentence: string;
}

/**
 * Runs random commands until each has been accepted so many times, always one of those accepted least so far; begins anew from the
 * rich framework every `stretch` accepted commands. Gives up on a command after 60 refusals in a row.
 */
export function everyCommand(
  seed: number,
  times: number,
  stretch: number,
  seen: (step: Accepted) => void,
): Map<CommandName, number> {
  const random = numbersFrom(seed);
  const rich = given(RICH);
  const line = recordsOf(rich, 'gridLine')[0]!;
  const start = given([['views.setMark', { building: 'West', view: 'plan', of: line.id, end: 0, shown: false }]], rich);
  const accepted = new Map<CommandName, number>(MADE.map((name) => [name, 0]));
  const refusedInARow = new Map<string, number>();
  let framework = start;
  let sinceStart = 0;
  for (let tries = 0; tries < times * MADE.length * 8; tries += 1) {
    const least = Math.min(...accepted.values());
    if (least >= times) break;
    const behind = MADE.filter((name) => accepted.get(name) === least);
    const name = behind[Math.floor(random() * behind.length)]!;
    const made = oneOf(framework, name, random, `${seed} ${tries}`);
    if (!made) {
      const refused = (refusedInARow.get(name) ?? 0) + 1;
      refusedInARow.set(name, refused);
      if (refused > 60) break;
      if (refused % 4 === 0) [framework, sinceStart] = [start, 0];
      continue;
    }
    refusedInARow.delete(name);
    accepted.set(name, accepted.get(name)! + 1);
    seen({ name, before: framework, ...made });
    framework = made.after;
    sinceStart += 1;
    if (sinceStart >= stretch) [framework, sinceStart] = [start, 0];
  }
  return accepted;
}

/** One command with a random input; null where it was refused or found nothing to work on. */
function oneOf(framework: Framework, name: keyof typeof MAKERS, random: () => number, salt: string) {
  const pick = <T>(list: readonly T[]): T => {
    if (list.length === 0) throw new NothingThere();
    return list[Math.floor(random() * list.length)]!;
  };
  const building = recordsOf(framework, 'building').find((each) => each.name === 'West')!.id;
  const grids = gridsOf(framework).filter(({ record }) => record.building === building);
  const rectangular = grids.filter(({ record }) => record.shape === 'rectangular');
  try {
    const input = MAKERS[name]({
      framework,
      random,
      pick,
      between: (low, high) => Math.round((low + random() * (high - low)) * 64) / 64,
      one: (kind) => pick(recordsOf(framework, kind)).id,
      levels: storeyLevels(framework, building).map(({ id }) => id),
      lines: rectangular.flatMap(({ a, b }) => [...a, ...b]).map(({ id }) => id),
      grid: rectangular[0]?.record.id ?? '',
      building,
    });
    const planned = plan(framework, name, input, derivedCommandId('every', salt));
    return planned.ok ? planned.value : null;
  } catch (error) {
    if (error instanceof NothingThere) return null;
    throw error;
  }
}

class NothingThere extends Error {}
