import { solve } from '@/core/solving/solve';
import { FURNISHED, given } from '@/core/testing/given';
import type { Solid } from '@/core/kinds/solids';
import { isInstanced } from './instances';
import { merged, paint, solidAt, type Drawn } from './merged';
import { middleOf, reachOf, solidsOf } from './space';

const solved = solve(given(FURNISHED));
const [building] = solved.buildings;
const all = solidsOf(solved, building!.id, new Set()).flatMap(({ solids }) => solids);
const drawn = all.filter((solid): solid is Drawn => !isInstanced(solid));
const mesh = merged(drawn, solved.profiles);

it('every triangle of the mesh is known by the solid it belongs to, first and last of each', () => {
  expect(drawn.length).toBeGreaterThan(5);
  expect(mesh.parts.map(({ solid }) => solid)).toEqual(drawn);
  for (const { solid, start, count } of mesh.parts) {
    expect(solidAt(mesh, start / 3)).toBe(solid);
    expect(solidAt(mesh, (start + count) / 3 - 1)).toBe(solid);
  }
  const total = mesh.geometry.getAttribute('position').count;
  expect(solidAt(mesh, total / 3)).toBeNull();
  expect(solidAt(mesh, -1)).toBeNull();
});

it('its corners reach as far as the solids do by themselves', () => {
  const { low, high } = reachOf(drawn, solved.profiles)!;
  mesh.geometry.computeBoundingBox();
  const box = mesh.geometry.boundingBox!;
  [box.min.x, box.min.y, box.min.z].forEach((mm, i) => expect(mm).toBeCloseTo(low[i]!, 1));
  [box.max.x, box.max.y, box.max.z].forEach((mm, i) => expect(mm).toBeCloseTo(high[i]!, 1));
});

it('a column reaches as far as its section, turned, and its height', () => {
  const column = all.find((solid): solid is Solid & { form: { bottomMm: number; heightMm: number } } =>
    isInstanced(solid),
  )!;
  const { low, high } = reachOf([column], solved.profiles)!;
  expect(high[2] - low[2]).toBe(column.form.heightMm);
  expect(low[2]).toBe(column.form.bottomMm);
  expect(reachOf([], solved.profiles)).toBeNull();
});

it('the scene is as large as what stands in it: roofs and walls beside all floors too', () => {
  const roofed = given([
    ...FURNISHED,
    [
      'pitchedRoofs.add',
      {
        outline: { type: 'rectangle', place: '200000,0', widthMm: 10_000, depthMm: 8000 },
        eavesAt: { level: 'RF', offsetMm: 20_000 },
      },
    ],
  ]);
  const [was, now] = [middleOf(solved), middleOf(solve(roofed))];
  expect(now.size).toBeGreaterThan(200);
  expect(now.z).toBeGreaterThan(was.z + 10);
});

it('colours are each solid’s own', () => {
  paint(mesh, (solid) => (solid === drawn[1] ? '#ff0000' : '#0000ff'));
  const colours = mesh.geometry.getAttribute('color');
  const at = (i: number) => [colours.getX(i), colours.getY(i), colours.getZ(i)];
  const { start, count } = mesh.parts[1]!;
  expect([at(start), at(start + count - 1)]).toEqual([
    [1, 0, 0],
    [1, 0, 0],
  ]);
  expect([at(start - 1), at(start + count)]).toEqual([
    [0, 0, 1],
    [0, 0, 1],
  ]);
});
