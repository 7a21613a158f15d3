import { finding, type Finding } from '../checks/finding';
import { soffitMm, type PlateSet } from '../floors/plates';
import { endMm } from '../levels/resolve-end';
import type { ResolvedLevel } from '../levels/resolve-levels';
import type { Framework } from '../model/framework';
import { resolvePlace } from '../outlines/resolve-place';
import type { PlanFacts } from '../solving/plan-facts';
import type { ColumnPiece } from '../solving/solved';
import { quantiseMm } from '../units/length-units';
import type { ColumnStack } from './column';
import { sectionArea, sectionMm, sectionRing } from './section-shape';

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
): { pieces: ColumnPiece[]; findings: Finding[] } {
  const place = resolvePlace(framework, stack.place);
  const section = sectionMm(framework, stack.section);
  const turnDeg = quantiseMm(place.turnDeg + stack.turnDeg);
  const ring = facts.one(sectionRing(section, place.at, turnDeg));
  const soffitAt = (level: ResolvedLevel) =>
    soffitMm(level, plates, (plate) => plate.ring !== null && facts.standing(ring, place.at, plate.ring).isOn);
  const startMm = endMm(framework, stack.startsAt, soffitAt);
  const stopMm = endMm(framework, stack.stopsAt, soffitAt);
  const mark = stack.name ?? place.mark ?? 'column';
  const area = sectionArea(section);
  const pieces: ColumnPiece[] = [];
  storeys.forEach((level, i) => {
    const above = storeys[i + 1];
    const bottomMm = Math.max(level.sslMm, startMm);
    const topMm = Math.min(above ? soffitAt(above) : stopMm, stopMm);
    if (topMm - bottomMm < 1) return;
    pieces.push({
      stack: stack.id,
      building: stack.building,
      mark,
      level: level.id,
      section,
      material: stack.material,
      at: place.at,
      turnDeg,
      bottomMm,
      topMm,
      volumeMm3: area * (topMm - bottomMm),
    });
  });
  if (pieces.length > 0) return { pieces, findings: [] };
  const message =
    stopMm <= startMm
      ? `Column ${mark} stops below where it starts, so it stands nowhere. Change where it starts or stops`
      : `Column ${mark} runs through no storey. Change where it starts or stops`;
  const rule = stopMm <= startMm ? 'span.upsideDown' : 'column.nothing';
  return { pieces, findings: [finding(rule, 'error', stack.building, stack.startsAt.level, [stack.id], message)] };
}
