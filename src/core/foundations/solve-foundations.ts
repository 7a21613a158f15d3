import { finding, fixBy, type Finding } from '../checks/finding';
import { calledIn } from '../commands/refer';
import { mmOf } from '../dimensions/resolve-length';
import { sectionRing } from '../columns/section-shape';
import { platesUnder, soffitMm, type PlateSet } from '../floors/plates';
import type { Ring } from '../geometry/polygon';
import { endMm } from '../levels/resolve-end';
import type { ResolvedLevel } from '../levels/resolve-levels';
import { recordOf, recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { resolveOutline } from '../setting-out/resolve-outline';
import type { PlanFacts } from '../passes/plan-facts';
import type { ColumnPiece, FoundationPiece } from '../solving/solved';
import type { UnionStore } from '../geometry/profile-store';
import { stripsOf, wallPath } from '../walls/wall-path';
import type { Foundation } from './foundation';

interface Given {
  framework: Framework;
  plates: PlateSet;
  /** The lowest piece of a column. */
  footOf: (stack: Id) => ColumnPiece | undefined;
  union: UnionStore;
  facts: PlanFacts;
}

/** A foundation in pieces: the raft, or a pad or strip for each thing it is under. */
export function solveFoundation(record: Foundation, given: Given): { pieces: FoundationPiece[]; findings: Finding[] } {
  const { framework, facts, plates, union } = given;
  const findings: Finding[] = [];
  const bodies = bodiesOf(record, given);
  if (record.form === 'raft' && bodies.length === 0) {
    const message = record.outline
      ? `The outline of raft ${record.name} crosses itself or encloses nothing. Draw it again`
      : `No floor lies over raft ${record.name} to take its outline from. Draw its outline`;
    findings.push(finding('outline.unsound', record.building, null, [record.id], message));
  }
  const thicknessMm = mmOf(framework, record.thicknessMm);
  const pieces = bodies.map(({ under, rings }): FoundationPiece => {
    const above = new Set(rings.flatMap((ring) => [...platesUnder(plates.at(record.top.level), ring, facts)]));
    const topMm = endMm(framework, record.top, (level) =>
      soffitMm(level, plates, (plate) => above.has(plate), { rings, facts }),
    );
    const key = `${rings.map((ring) => facts.textOf(ring)).join('+')}|`;
    const { areaMm2 } = union(key, rings, []);
    return {
      foundation: record.id,
      building: record.building,
      name: record.name,
      form: record.form,
      material: record.material,
      level: record.top.level,
      under,
      rings,
      profile: key,
      bottomMm: topMm - thicknessMm,
      topMm,
      grossMm3: areaMm2 * thicknessMm,
      volumeMm3: areaMm2 * thicknessMm,
    };
  });
  return { pieces, findings };
}

function bodiesOf(
  record: Foundation,
  { framework, footOf, facts, plates }: Given,
): { under: Id | null; rings: Ring[] }[] {
  if (record.form === 'raft') {
    const drawn = record.outline && resolveOutline(framework, record.outline);
    const over = plates.at(record.top.level).flatMap(({ ring }) => (ring ? [ring] : []));
    const rings = record.outline === null ? [...new Set(over)] : drawn ? [facts.one(drawn)] : [];
    return rings.length > 0 ? [{ under: null, rings }] : [];
  }
  const [widthMm, depthMm] = [mmOf(framework, record.widthMm), mmOf(framework, record.depthMm)];
  return record.under.flatMap((id) => {
    if (record.form === 'pads') {
      const foot = footOf(id);
      if (!foot) return [];
      const pad = sectionRing({ shape: 'rectangle', widthMm, depthMm }, foot.at, foot.turnDeg);
      return [{ under: id, rings: [facts.one(pad)] }];
    }
    const wall = recordOf(framework, 'wall', id);
    const path = wall && wallPath(framework, wall);
    if (!path) return [];
    const [from, to] = path.build.coreMm;
    const middle = (from + to) / 2;
    const rings = stripsOf(path, middle - widthMm / 2, middle + widthMm / 2).map((ring) => facts.one(ring));
    return [{ under: id, rings }];
  });
}

/**
 * What stands on the lowest level of a building with no foundation under it: no raft there, no pad or strip of its own. Partitions
 * stand on the slab where there are foundations at all.
 */
export function checkFounded(
  framework: Framework,
  storeys: readonly ResolvedLevel[],
  /** What stands on the lowest level. */
  standing: readonly Id[],
  pieces: readonly FoundationPiece[],
): Finding[] {
  const [lowest] = storeys;
  if (!lowest || pieces.some(({ form, level }) => form === 'raft' && level === lowest.id)) return [];
  const own = new Set(pieces.map(({ under }) => under));
  const left = [...new Set(standing)].filter((id) => !own.has(id));
  if (left.length === 0) return [];
  const first = framework.records.get(left[0]!);
  const more = left.length - 1;
  const what = `${first ? calledIn(framework, first) : 'something'}${more > 0 ? ` and ${more} more` : ''}`;
  const building = lowest.record.building;
  // One that lay under the lowest floor before there was a lower one goes down with it.
  const high = recordsOf(framework, 'foundation').filter((each) => each.building === building && each.form === 'raft');
  const rafts = high.map(({ id, name }) =>
    fixBy(`Bring raft ${name} down under level ${lowest.record.name}`, 'foundations.change', {
      foundation: id,
      top: { level: lowest.id, face: 'soffit', offsetMm: 0 },
    }),
  );
  return [
    finding(
      'level.noFoundation',
      building,
      lowest.id,
      [lowest.id],
      `Nothing founds level ${lowest.record.name}, the lowest, where ${what} stand${more > 0 ? '' : 's'}. Add a raft, pads or strips`,
      [
        ...rafts,
        { words: 'Add a raft under the lowest floor', command: 'foundations.add', input: { building, form: 'raft' } },
        { words: 'Add a pad under each column', command: 'foundations.add', input: { building, form: 'pads' } },
      ],
    ),
  ];
}
