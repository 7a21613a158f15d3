import { finding, type Finding, fixBy } from '../checks/finding';
import { mmOf } from '../dimensions/resolve-length';
import { floorUnder, soffitMm, type PlateSet } from '../floors/plates';
import type { Point } from '../geometry/point';
import type { Ring } from '../geometry/polygon';
import { endMm } from '../levels/resolve-end';
import type { ResolvedLevel } from '../levels/resolve-levels';
import type { Framework } from '../model/framework';
import { resolvePlace } from '../outlines/resolve-place';
import type { PlanFacts } from '../passes/plan-facts';
import type { ColumnBlock, ColumnPiece } from '../solving/solved';
import type { ColumnStack } from './column';
import { quantiseMm } from '../units/length-units';
import { sectionArea, sectionHull } from './section-shape';
import { storeyStates, type StoreyState } from './storey-states';

/**
 * A column stack cut into storeys: each piece from SSL to the soffit of the slab above, within its two ends.
 * Where no slab lies above it the piece reaches that level's SSL.
 */
export function solveColumn(
  framework: Framework,
  stack: ColumnStack,
  storeys: readonly ResolvedLevel[],
  plates: PlateSet,
  facts: PlanFacts,
  states: readonly StoreyState[] = storeyStates(framework, stack, storeys),
  /** The underside of the roofs over a section; null where none is. */
  roofOver: (ring: Ring) => number | null = () => null,
): { pieces: ColumnPiece[]; blocks: ColumnBlock[]; findings: Finding[] } {
  const mark = stack.name ?? resolvePlace(framework, stack.place).mark ?? 'column';
  const rings = new Map<StoreyState, Ring>();
  const ringOf = (state: StoreyState): Ring => {
    const known = rings.get(state) ?? facts.one(sectionHull(state.section, state.at, state.turnDeg));
    rings.set(state, known);
    return known;
  };
  const soffitAt = (level: ResolvedLevel, ring: Ring, at: Point) =>
    soffitMm(level, plates, (plate) => plate.ring !== null && facts.standing(ring, at, plate.ring).isOn, {
      rings: [ring],
      facts,
    });
  const end = (which: 'startsAt' | 'stopsAt'): number => {
    const i = storeys.findIndex(({ id }) => id === stack[which].level);
    const isTop = which === 'stopsAt' && stack.stopsAt.face !== 'roof';
    const state = states[Math.max(0, isTop ? i - 1 : i)] ?? states[0];
    const roofMm = which === 'stopsAt' && stack.stopsAt.face === 'roof' && state ? roofOver(ringOf(state)) : null;
    if (roofMm !== null) return quantiseMm(roofMm + Math.min(0, mmOf(framework, stack.stopsAt.offsetMm)));
    return endMm(framework, stack[which], (level) => (state ? soffitAt(level, ringOf(state), state.at) : level.sslMm));
  };
  const [startMm, stopMm] = [end('startsAt'), end('stopsAt')];
  const pieces: ColumnPiece[] = [];
  storeys.forEach((level, i) => {
    const state = states[i]!;
    const above = storeys[i + 1];
    const own = ringOf(state);
    const floor = floorUnder(level, plates, { rings: [own], facts });
    // It starts on the floor it stands on, where it starts at its level's.
    const isFoot = level.id === stack.startsAt.level;
    const bottomMm = isFoot ? quantiseMm(startMm + floor.sslMm - level.sslMm) : Math.max(floor.sslMm, startMm);
    const topMm = Math.min(above ? soffitAt(above, own, state.at) : stopMm, stopMm);
    if (topMm - bottomMm < 1 || state.leftOut) return;
    pieces.push({
      stack: stack.id,
      building: stack.building,
      mark,
      level: level.id,
      section: state.section,
      material: stack.material,
      at: state.at,
      turnDeg: state.turnDeg,
      bottomMm,
      topMm,
      grossMm3: sectionArea(state.section) * (topMm - bottomMm),
      volumeMm3: sectionArea(state.section) * (topMm - bottomMm),
    });
  });
  if (pieces.length > 0)
    return {
      pieces,
      blocks: blocksOf(framework, stack, pieces, storeys),
      findings: gaps(stack, mark, pieces, storeys),
    };
  const message =
    stopMm <= startMm
      ? `Column ${mark} stops below where it starts, so it stands nowhere. Change where it starts or stops`
      : `Column ${mark} runs through no storey. Change where it starts or stops`;
  const rule = stopMm <= startMm ? 'span.upsideDown' : 'column.nothing';
  return {
    pieces,
    blocks: [],
    findings: [
      finding(rule, stack.building, stack.startsAt.level, [stack.id], message, [
        {
          words: 'Let it stand in the storey it starts in',
          command: 'columns.change',
          input: { column: stack.id, ...oneStorey(stack, storeys) },
        },
      ]),
    ],
  };
}

/** Ends that stand a stack in the storey it starts in, or in the topmost where that has none over it. */
function oneStorey({ startsAt }: ColumnStack, storeys: readonly ResolvedLevel[]) {
  const rank = Math.max(
    0,
    Math.min(
      storeys.findIndex(({ id }) => id === startsAt.level),
      storeys.length - 2,
    ),
  );
  const end = (i: number, face: 'SSL' | 'soffit') => ({ level: storeys[i]?.id ?? startsAt.level, face, offsetMm: 0 });
  return { startsAt: end(rank, 'SSL'), stopsAt: end(rank + 1, 'soffit') };
}

/** Where the stack resumes above a storey without it: a load that must be carried aside, until something is named to. */
function gaps(
  stack: ColumnStack,
  mark: string,
  pieces: readonly ColumnPiece[],
  storeys: readonly ResolvedLevel[],
): Finding[] {
  if (stack.exceptions.length === 0) return [];
  const at = new Map(storeys.map(({ id }, i) => [id, i]));
  const named = new Set(stack.carriedBy.map(({ level }) => level));
  return pieces.flatMap((piece, i) => {
    const before = pieces[i - 1];
    if (!before || at.get(piece.level)! - at.get(before.level)! === 1 || named.has(piece.level)) return [];
    const level = storeys[at.get(piece.level)!]!.record.name;
    return finding(
      'column.transfer',
      stack.building,
      piece.level,
      [stack.id],
      `Column ${mark} resumes at level ${level} above a storey without it. Say what carries it there`,
      [
        ...storeys
          .slice(at.get(before.level)! + 1, at.get(piece.level)!)
          .slice(0, 1)
          .map(({ id, record }) =>
            fixBy(`Let it stand at level ${record.name} too`, 'columns.except', {
              columns: [stack.id],
              level: id,
              leftOut: false,
              upwards: stack.exceptions.some((each) => each.level === id && each.upwards),
            }),
          ),
        fixBy('A beam carries it', 'columns.carriedBy', { column: stack.id, level: piece.level, words: 'beam' }),
      ],
    );
  });
}

/** Heads and thickenings under the slabs its pieces carry. */
function blocksOf(
  framework: Framework,
  stack: ColumnStack,
  pieces: readonly ColumnPiece[],
  storeys: readonly ResolvedLevel[],
): ColumnBlock[] {
  if (!stack.head && !stack.thickening) return [];
  const above = new Map(storeys.map(({ id }, i) => [id, storeys[i + 1]?.id ?? null]));
  const top = pieces.at(-1)!;
  return pieces.flatMap((piece): ColumnBlock[] => {
    const slabLevel = above.get(piece.level) ?? null;
    const isWanted =
      stack.blocksAt === 'allButTop' ? piece !== top : slabLevel !== null && stack.blocksAt.includes(slabLevel);
    if (!isWanted || slabLevel === null) return [];
    let topMm = piece.topMm;
    return (['thickening', 'head'] as const).flatMap((block) => {
      const size = stack[block];
      if (!size) return [];
      const [widthMm, depthMm, heightMm] = [size.widthMm, size.depthMm, size.heightMm].map((length) =>
        mmOf(framework, length),
      ) as [number, number, number];
      const bottomMm = Math.max(piece.bottomMm, topMm - heightMm);
      const made: ColumnBlock = {
        stack: stack.id,
        building: stack.building,
        mark: piece.mark,
        level: slabLevel,
        block,
        material: stack.material,
        at: piece.at,
        turnDeg: piece.turnDeg,
        widthMm,
        depthMm,
        bottomMm,
        topMm,
        grossMm3: widthMm * depthMm * (topMm - bottomMm),
        volumeMm3: widthMm * depthMm * (topMm - bottomMm),
      };
      topMm = bottomMm;
      return [made];
    });
  });
}
