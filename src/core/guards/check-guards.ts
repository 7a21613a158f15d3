import { finding, fixBy, type Finding } from '../checks/finding';
import { formatLength } from '../units/format-length';
import type { Id } from '../model/ids';
import { GAP, LOW, NOTHING, SHORT } from './guard-findings';
import { sourceOf } from '../stairs/rule-sets';
import type { GuardRules } from './guard-rules';
import type { Guard } from './guard';

/** Sizes of a guard against its rule set; `level`: where it is; `runs`: how many it has. */
export function checkGuard(
  guard: Guard,
  rules: GuardRules,
  sizes: { heightMm: number; gapMm: number; extensionMm: number },
  level: Id | null,
  runs: number,
): Finding[] {
  const called = `${guard.is === 'guard' ? 'Guard' : 'Handrail'} ${guard.name}`;
  const isOnFlight = guard.along.of === 'stair';
  const report = (rule: typeof LOW, words: string, fixes: Finding['fixes']) =>
    finding(rule, guard.building, level, [guard.id], words, fixes);
  const change = (words: string, part: { heightMm?: number; gapMm?: number; extensionMm?: number }) =>
    fixBy(words, 'guards.change', { guard: guard.id, ...part });
  const write = (mm: number) => `${formatLength(Math.round(mm * 10) / 10)} mm`;
  const found: Finding[] = [];
  if (runs === 0)
    return [
      report(NOTHING, `${called} runs along nothing. Choose other edges or levels for it, or delete it`, [
        fixBy('Delete it', 'elements.remove', { ids: [guard.id] }),
      ]),
    ];
  const { least, most } =
    guard.is === 'handrail' ? rules.handrailMm : { least: isOnFlight ? rules.flightMm : rules.edgeMm, most: Infinity };
  const leastName = guard.is === 'handrail' ? 'guards.handrail.least' : isOnFlight ? 'guards.flight' : 'guards.edge';
  if (sizes.heightMm < least - 0.5)
    found.push(
      report(
        LOW,
        `${called} is ${write(sizes.heightMm)} high; ${sourceOf(rules, leastName)} asks for ${write(least)}. Make it higher`,
        [change(`Make it ${write(least)} high`, { heightMm: least })],
      ),
    );
  if (sizes.heightMm > most + 0.5)
    found.push(
      report(
        LOW,
        `${called} is ${write(sizes.heightMm)} high; ${sourceOf(rules, 'guards.handrail.most')} allows ${write(most)}. Make it lower`,
        [change(`Make it ${write(most)} high`, { heightMm: most })],
      ),
    );
  if (guard.is === 'guard' && (guard.infill === 'none' || guard.infill === 'rails')) {
    const gap = sizes.heightMm / (guard.midRails + 1);
    if (gap > rules.gapMm)
      found.push(
        report(
          GAP,
          `${called} is open for ${write(gap)} between its rails; ${sourceOf(rules, 'guards.gap')} allows ${write(rules.gapMm)}. Fill it`,
          [fixBy('Fill it with bars', 'guards.change', { guard: guard.id, infill: 'bars', gapMm: rules.gapMm })],
        ),
      );
  } else if (guard.is === 'guard' && guard.infill === 'bars' && sizes.gapMm > rules.gapMm + 0.5)
    found.push(
      report(
        GAP,
        `The bars of ${called.charAt(0).toLowerCase()}${called.slice(1)} leave ${write(sizes.gapMm)} between them; ${sourceOf(rules, 'guards.gap')} allows ${write(rules.gapMm)}. Set them closer`,
        [change(`Leave ${write(rules.gapMm)} between them`, { gapMm: rules.gapMm })],
      ),
    );
  if (guard.is === 'handrail' && isOnFlight && sizes.extensionMm < rules.extensionMm - 0.5)
    found.push(
      report(
        SHORT,
        `${called} goes on ${write(sizes.extensionMm)} past the first and last nosing; ${sourceOf(rules, 'guards.extension')} asks for ${write(rules.extensionMm)}. Make it longer`,
        [change(`Let it go on ${write(rules.extensionMm)}`, { extensionMm: rules.extensionMm })],
      ),
    );
  return found;
}
