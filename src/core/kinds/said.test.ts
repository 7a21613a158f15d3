import { drawPlan } from '../drawing/draw-plan';
import type { Id } from '../model/ids';
import { recordsOf } from '../model/framework';
import { solve } from '../solving/solve';
import { given } from '../testing/given';
import { RICH, square } from '../testing/rich';
import { formatArea, formatElevation, formatLength, IMPERIAL, METRIC } from '../units/format-length';
import { facet } from './kind';
import { everyFacet, kindOf } from './registry';
import type { SayAt } from './said';

const framework = given([...RICH, ['ceilings.add', { building: 'West', outline: square(3000), heightMm: 2500 }]]);
const solved = solve(framework);
const say = (display: typeof METRIC): SayAt => ({
  framework,
  solved,
  write: (mm) => formatLength(mm, display),
  elevation: (mm) => formatElevation(mm, display),
  area: (mm2) => formatArea(mm2, display),
  level: (id) => solved.levels.find((level) => level.id === id)?.name ?? '?',
});
const listedAt = (level: (typeof solved.levels)[number]): Set<Id> =>
  new Set(
    everyFacet('listed').flatMap(({ things }) => things({ framework, solved, shown: level }).map(({ id }) => id)),
  );

describe('what one reads of a thing', () => {
  it('is one sentence for each that can be chosen, whole and without an id', () => {
    const said = [...framework.records.values()].flatMap((record) => {
      const sentence = facet(kindOf(record).sentence);
      return sentence
        ? [
            {
              id: record.id,
              words: `${sentence.title?.(record, say(METRIC)) ?? ''} ${sentence.of(record, say(METRIC))}`,
            },
          ]
        : [];
    });
    expect(said.length).toBeGreaterThan(30);
    for (const { id, words } of said) {
      expect(words).toMatch(/\.$/);
      expect(words).not.toMatch(/undefined|NaN|null|\?/);
      expect(words).not.toContain(id);
    }
  });

  it('is in feet and inches for who works in them', () => {
    const [stack] = recordsOf(framework, 'columnStack');
    const sentence = facet(kindOf(stack!).sentence)!;
    expect(sentence.of(stack!, say(METRIC))).not.toMatch(/″|"/);
    expect(sentence.of(stack!, say(IMPERIAL))).toMatch(/″|"/);
  });
});

describe('the list of a level', () => {
  it('has everything that is drawn in its plan, so that keyboard and screen reader reach it', () => {
    for (const level of solved.levels) {
      const listed = listedAt(level);
      const { primitives } = drawPlan(solved, {
        building: level.building,
        level: level.id,
        scale: 100,
        cutAboveMm: 1200,
        writeLength: String,
      });
      const missing = primitives.flatMap(({ id }) => {
        const record = id === null ? undefined : framework.records.get(id);
        return record && !('none' in kindOf(record).listed) && !listed.has(record.id)
          ? [`${record.kind} at ${level.name}`]
          : [];
      });
      expect([...new Set(missing)]).toEqual([]);
    }
  });

  it('names each thing once', () => {
    for (const level of solved.levels)
      for (const { heading, things } of everyFacet('listed')) {
        const ids = things({ framework, solved, shown: level }).map(({ id }) => id);
        expect([heading, level.name, new Set(ids).size]).toEqual([heading, level.name, ids.length]);
      }
  });
});
