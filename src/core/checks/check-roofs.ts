import type { PlateSet } from '../floors/plates';
import { contains, distanceToSegment, type Ring } from '../geometry/polygon';
import type { Point } from '../geometry/point';
import type { ResolvedLevel } from '../levels/resolve-levels';
import { recordOf, type Framework } from '../model/framework';
import type { PlanFacts } from '../passes/plan-facts';
import type { WallPiece } from '../walls/solved-wall';
import { finding, type Finding, type Fix } from './finding';

/** An eave shorter than this throws no water off, mm. */
const OVERHANG_MM = 100;

/** Slabs of the topmost storey on exterior walls, with neither a parapet on them, an overhang past the walls, nor a pitched roof over them. */
export function checkRoofs(
  framework: Framework,
  storeys: readonly ResolvedLevel[],
  plates: PlateSet,
  walls: readonly WallPiece[],
  facts: PlanFacts,
  /** Pitched roofs in plan. */
  pitched: readonly Ring[],
): Finding[] {
  const [top, below] = [storeys.at(-1), storeys.at(-2)];
  if (!top || !below) return [];
  const exterior = walls.filter(({ use }) => use === 'exterior');
  const meets = ({ strips }: WallPiece, ring: Ring) => strips.some((strip) => facts.meet(strip, ring));
  return plates.at(top.id).flatMap(({ ring, record }): Finding[] => {
    if (!ring) return [];
    const carrying = exterior.filter((piece) => piece.level === below.id && meets(piece, ring));
    const hasParapet = exterior.some(
      (piece) => piece.level === top.id && (piece.wall === record.id || meets(piece, ring)),
    );
    const overhangs = carrying.every(({ strips }) => strips.every((strip) => strip.every((at) => isWellIn(ring, at))));
    const isUnderRoof = pitched.some((edge) => ring.every((at) => contains(edge, at)));
    if (carrying.length === 0 || hasParapet || overhangs || isUnderRoof) return [];
    return [
      finding(
        'roof.bareEdge',
        top.record.building,
        top.id,
        [record.id],
        `The roof ${record.name} at level ${top.record.name} has neither a parapet nor an overhang. Give it one`,
        parapetFix(framework, top, record.id, carrying),
      ),
    ];
  });
}

const isWellIn = (ring: Ring, at: Point): boolean =>
  contains(ring, at) &&
  ring.every((corner, i) => distanceToSegment(at, corner, ring[(i + 1) % ring.length]!) >= OVERHANG_MM);

/** A parapet for a roof that is one; a roof with a parapet in the place of a floor. */
function parapetFix(framework: Framework, top: ResolvedLevel, id: string, carrying: readonly WallPiece[]): Fix[] {
  const words = 'Give it a parapet of 900 mm';
  if (recordOf(framework, 'roof', id))
    return [{ words, command: 'roofs.change', input: { roof: id, parapet: { heightMm: 900 } } }];
  const plate = recordOf(framework, 'floorPlate', id);
  const walls = [...new Set(carrying.map(({ wall }) => wall))];
  return plate
    ? [
        {
          words,
          command: 'roofs.addFlat',
          input: {
            building: top.record.building,
            level: top.id,
            walls,
            face: 'coreOutside',
            ...(typeof plate.thicknessMm === 'number' ? { thicknessMm: plate.thicknessMm } : {}),
            parapet: { heightMm: 900 },
          },
        },
      ]
    : [];
}
