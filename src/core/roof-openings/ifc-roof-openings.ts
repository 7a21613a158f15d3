import type { IfcTrait, Product } from '../kinds/ifc';
import { assembliesOf, type Assembly } from '../slants/assembly';
import { loweredSlants, reachOfSlants } from '../slants/slant';

/** Roof windows as windows; dormers as wholes of walls, a roof and a window. */
export const roofOpeningsInIfc: IfcTrait = {
  products: ({ solved, level }) =>
    assembliesOf(solved.assemblies, 'roofOpening')
      .filter((each) => each.level === level.id)
      .flatMap((each): Product[] => each.parts.map((part) => productOf(each, part))),
};

const ENTITY = { walls: 'IFCWALL', roof: 'IFCROOF', glass: 'IFCWINDOW' } as const;
const PREDEFINED = { walls: 'SOLIDWALL', roof: 'FREEFORM', glass: 'WINDOW' } as const;

function productOf(
  { thing, name, info }: Assembly<'roofOpening'>,
  { name: part, slants }: Assembly['parts'][number],
): Product {
  const is = part as keyof typeof ENTITY;
  const { bottomMm } = reachOfSlants(slants);
  return {
    entity: ENTITY[is],
    // The window of a roof window is itself.
    globalId: info.is === 'window' ? { own: thing } : ['roof opening', `${thing} ${part}`],
    key: `${thing} ${part}`,
    name: info.is === 'window' ? name : `${name} ${part}`,
    predefined: is === 'glass' && info.is === 'window' ? 'SKYLIGHT' : PREDEFINED[is],
    tag: thing,
    ...(is === 'glass' && info.glass
      ? {
          more: { OverallHeight: info.glass.highMm, OverallWidth: info.glass.wideMm, PartitioningType: 'SINGLE_PANEL' },
        }
      : {}),
    stand: { bottomMm },
    shape: { slants: loweredSlants(slants, bottomMm) },
  };
}
