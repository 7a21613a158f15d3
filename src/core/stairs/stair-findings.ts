import { finding, fixBy, type Finding, type Fix } from '../checks/finding';
import type { ResolvedLevel } from '../levels/resolve-levels';
import { formatLength } from '../units/format-length';
import type { WellSize } from './form-of-stair';
import { climbedByForm, GROWN, leastGrowth, nearestHeight } from './least-change';
import type { StairFix, StairStorey } from './solved-stair';
import type { Stair } from './stair';
import type { StairAsked } from './stair-candidates';
import { FORM_WORDS } from './stair-form';
import type { Well } from './well';

/**
 * The least changes with which a storey could be climbed: a larger well, another height, the smaller one first; then another form.
 * `grown`: a well of other corners than four square ones, larger in its own shape.
 */
export function fixesFor(
  asked: StairAsked,
  heightsMm: readonly number[],
  lower: ResolvedLevel,
  grown: ((byMm: number) => WellSize) | null = null,
): StairFix[] {
  const fixes: (StairFix & { byMm: number })[] = [];
  const isRound = asked.form === 'spiral' || asked.form === 'circular';
  const grow = (kind: 'longerWell' | 'widerWell' | 'largerWell', words: string) => {
    const byMm = leastGrowth(asked, GROWN[kind]);
    if (byMm !== null) fixes.push({ kind, byMm, words: `make its well ${write(byMm)} mm ${words}` });
    return byMm !== null;
  };
  if (grown) {
    const byMm = leastGrowth(asked, (_, by) => grown(by));
    if (byMm !== null)
      fixes.push({
        kind: 'longerWell',
        byMm,
        words: `make its well larger, the side of its first flight by ${write(byMm)} mm`,
      });
  } else if (!isRound) {
    const helps = [grow('longerWell', 'longer'), grow('widerWell', 'wider')].some(Boolean);
    if (!helps) grow('largerWell', 'longer and wider');
  } else grow('largerWell', 'longer and wider');
  const height = nearestHeight(asked);
  if (height !== null)
    fixes.push({
      kind: 'height',
      toMm: height,
      level: lower.id,
      byMm: Math.abs(height - asked.heightMm),
      words: `make the storey ${write(height)} mm high`,
    });
  const { form: own, heightMm: _, ...rest } = asked;
  const others = (well: StairAsked['well'], isFree: boolean) =>
    climbedByForm({ ...rest, well }, heightsMm)
      .filter(({ form, climbed: count }) => (isFree || form !== own) && count === heightsMm.length)
      .map(({ form }): StairFix => {
        const words = isFree ? 'let it be as large as it must be' : 'use another form';
        return { kind: 'form', form, isFree, words: `${words}: ${lowered(FORM_WORDS[form])}` };
      });
  const all = [...fixes.sort((a, b) => a.byMm - b.byMm), ...others(asked.well, false)];
  // In no well of its own form, and in this well in no form: then out of it.
  return all.length > 0 || !asked.well ? all : others(null, true).slice(0, 3);
}

/** What is wrong with a storey as it is climbed, or not; `name`: that of the level it starts at; `isGone`: what was chosen is no way any more. */
export function foundAt(stair: Stair, storey: StairStorey, name: string, isGone: boolean): Finding[] {
  if (!storey.steps) return [unsolved(stair, storey, name)];
  const found: Finding[] = [];
  if (isGone)
    found.push(
      finding(
        'stair.choiceGone',
        stair.building,
        storey.level,
        [stair.id],
        `Stair ${stair.name} cannot climb from level ${name} as it was chosen there any more, so it does as is best`,
        [fixBy('Let it be as is best there', 'stairs.choose', { stair: stair.id, level: storey.level, flights: null })],
      ),
    );
  if (storey.broken.length > 0)
    found.push(
      finding(
        'stair.limits',
        stair.building,
        storey.level,
        [stair.id],
        `Stair ${stair.name} from level ${name}, as it was asked for: ${storey.broken.map(inUnits).join('; ')}. Ask for less, or for other steps`,
        [
          fixBy('Let its steps be as is best', 'stairs.change', {
            stair: stair.id,
            risers: null,
            goingMm: null,
            landingDepthMm: null,
          }),
        ],
      ),
    );
  return found;
}

export function tooNarrow(
  stair: Stair,
  { widthMm }: Well,
  flightWidthMm: number,
  eyeMm: number,
  report: (rule: 'stair.well', message: string, fixes?: Fix[]) => Finding,
): Finding {
  const message = `The well of stair ${stair.name} is ${write(widthMm)} wide; two flights of ${write(flightWidthMm)} and an eye of ${write(eyeMm)} need ${write(2 * flightWidthMm + eyeMm)}. Make the well wider or the flights narrower`;
  const widestMm = Math.floor((widthMm - eyeMm) / 2);
  const fix = fixBy(`Make the flights ${write(widestMm)} wide`, 'stairs.change', {
    stair: stair.id,
    widthMm: widestMm,
  });
  return report('stair.well', message, widestMm >= 300 ? [fix] : []);
}

function unsolved(stair: Stair, storey: StairStorey, lower: string): Finding {
  const [fix] = storey.fixes;
  const where = stair.isFree ? '' : ' in its well';
  const what = `Stair ${stair.name} cannot climb ${write(storey.heightMm)} mm from level ${lower}${where} within its rule set`;
  return finding(
    'stair.unsolved',
    stair.building,
    storey.level,
    [stair.id],
    fix
      ? `${what}. Least change: ${fix.words}`
      : `${what}, however large it is. Another form or rule set has to be used`,
    storey.fixes.map((each) => fixOf(stair, each)),
  );
}

function fixOf(stair: Stair, fix: StairFix): Fix {
  const words = capital(fix.words);
  switch (fix.kind) {
    case 'height':
      return fixBy(words, 'levels.setHeight', { level: fix.level, heightMm: fix.toMm, mode: 'push' });
    case 'form':
      return fixBy(words, 'stairs.change', {
        stair: stair.id,
        form: fix.form,
        ...(fix.isFree ? { isFree: true } : {}),
      });
    default:
      return fixBy(words, 'stairs.lengthenWell', {
        stair: stair.id,
        ...(fix.kind === 'widerWell' ? {} : { byMm: fix.byMm }),
        ...(fix.kind === 'longerWell' ? {} : { widerMm: fix.byMm }),
      });
  }
}

const write = (mm: number): string => formatLength(Math.round(mm * 10) / 10);
const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
const lowered = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);

/** A limit that is broken with the unit of its lengths, for who reads it in feet; the verdict of a way tells them in millimetres. */
const inUnits = (limit: string): string =>
  limit.replace(
    /^(riser|going|2 risers and a going|rise of one flight|landing) ([\d.]+) (over|under) ([\d.]+)/,
    '$1 $2 mm $3 $4 mm',
  );
