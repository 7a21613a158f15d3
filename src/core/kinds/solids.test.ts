import { sectionArea } from '../columns/section-shape';
import { bounds, ringArea, type Ring } from '../geometry/polygon';
import { RICH, square } from '../testing/rich';
import { given } from '../testing/given';
import { volumeOfSlant } from '../slants/slant';
import { solve } from '../solving/solve';
import { definitionOf } from './registry';
import type { Kind } from '../model/kinds';
import type { Solid } from './solids';

const framework = given([...RICH, ['ceilings.add', { building: 'West', outline: square(3000), heightMm: 2500 }]]);
const solved = solve(framework);

const solidsOf = (kind: Kind): Solid[] => {
  const { solids } = definitionOf(kind);
  if ('none' in solids) throw new Error(solids.none);
  return solved.buildings.flatMap(({ id }) => solids.of(solved, id));
};

const volume = ({ form }: Solid): number => {
  if ('section' in form) return sectionArea(form.section) * form.heightMm;
  if ('slants' in form) return form.slants.reduce((sum, slant) => sum + volumeOfSlant(slant), 0);
  const area = 'profile' in form ? solved.profiles[form.profile]!.areaMm2 : Math.abs(ringArea(form.ring));
  return area * form.heightMm;
};
const sum = (values: number[]) => values.reduce((total, value) => total + value, 0);

describe('solids in 3D', () => {
  it.each<[Kind, { volumeMm3: number }[]]>([
    ['columnStack', [...solved.columns]],
    ['floorPlate', solved.floors],
    ['wall', solved.walls],
    ['ceiling', solved.ceilings],
    ['foundation', solved.foundations],
  ])('of %ss take the space that is worked out for them', (kind, pieces) => {
    const known = sum(pieces.map(({ volumeMm3 }) => volumeMm3));
    const blocks = kind === 'columnStack' ? sum(solved.blocks.map(({ grossMm3 }) => grossMm3)) : 0;
    expect(pieces.length).toBeGreaterThan(0);
    expect(sum(solidsOf(kind).map(volume)) / (known + blocks)).toBeCloseTo(1, 6);
  });

  it('of stairs lie in their wells, between the floors they join', () => {
    const stair = solved.stairs.find(({ storeys }) => storeys.some(({ steps }) => steps))!;
    const own = solidsOf('stair').filter(({ id }) => id === stair.stair);
    const well = bounds(stair.ring);
    const low = Math.min(...stair.storeys.map(({ level }) => solved.levels.find(({ id }) => id === level)!.fflMm));
    for (const { form } of own) {
      if (!('ring' in form)) throw new Error('A stair is drawn out of outlines');
      const corners = placed(form);
      const box = bounds(corners);
      expect(box.minX).toBeGreaterThanOrEqual(well.minX - 1);
      expect(box.maxX).toBeLessThanOrEqual(well.maxX + 1);
      expect(box.minY).toBeGreaterThanOrEqual(well.minY - 1);
      expect(box.maxY).toBeLessThanOrEqual(well.maxY + 1);
      expect(Math.min(...corners.map(({ z }) => z))).toBeGreaterThanOrEqual(low - 400);
    }
    expect(own.length).toBeGreaterThan(2);
  });

  it('have keys of their own within a kind', () => {
    for (const kind of [
      'columnStack',
      'floorPlate',
      'wall',
      'ceiling',
      'foundation',
      'stair',
      'shaft',
      'beam',
    ] as const) {
      const keys = solidsOf(kind).map(({ key }) => key);
      expect([kind, new Set(keys).size]).toEqual([kind, keys.length]);
    }
  });
});

/** The corners of an outline drawn out, in the axes of the building. */
function placed(form: Extract<Solid['form'], { ring: Ring }>): { x: number; y: number; z: number }[] {
  if ('bottomMm' in form)
    return form.ring.flatMap(({ x, y }) => [
      { x, y, z: form.bottomMm },
      { x, y, z: form.bottomMm + form.heightMm },
    ]);
  const { from, x: a, y: b, heightMm } = form;
  const out = [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]] as const;
  return form.ring.flatMap((point) =>
    [0, heightMm].map((far) => {
      const at = (i: 0 | 1 | 2) => from[i] + a[i] * point.x + b[i] * point.y + out[i] * far;
      return { x: at(0), y: at(1), z: at(2) };
    }),
  );
}
