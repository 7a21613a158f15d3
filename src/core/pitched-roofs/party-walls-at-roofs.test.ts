import { recordsOf, type Framework } from '../model/framework';
import { assembliesOf } from '../slants/assembly';
import { volumeOfSlant } from '../slants/slant';
import { solve } from '../solving/solve';
import { afterFrom, given } from '../testing/given';

const rectangle = (place: string, widthMm: number, depthMm: number) => ({
  type: 'rectangle' as const,
  place,
  widthMm,
  depthMm,
});
/** Two houses of 8 by 10 m side by side along y, East 500 higher; one party wall of 300 between them. */
const pair = given([
  ['buildings.add', { name: 'West' }],
  ['buildings.add', { name: 'East', xMm: 8000, zeroMm: 500 }],
  ['carry.wholeBuilding', { building: 'West', storeys: '2@3m', outline: rectangle('0,0', 8000, 10_000) }],
  ['carry.wholeBuilding', { building: 'East', storeys: '2@3m', outline: rectangle('0,0', 8000, 10_000) }],
]);
const of = (framework: Framework, building: string) =>
  recordsOf(framework, 'building').find(({ name }) => name === building)!.id;
const wallsOf = (framework: Framework, building: string) =>
  recordsOf(framework, 'wall').filter((wall) => wall.building === of(framework, building));
const joined = afterFrom(pair)('walls.makeParty', {
  walls: [wallsOf(pair, 'West')[0]!.id, wallsOf(pair, 'East')[0]!.id],
  name: 'Party',
});
const after = afterFrom(joined);
/** Saddle roofs of 45° whose ridges run from house to house: eaves to the south and the north, gables at the far ends. */
const roofed = ['West', 'East'].reduce((framework, building) => {
  const roof = after('pitchedRoofs.add', { building, name: building, slope: 45, overhangMm: 400 }, framework);
  const made = assembliesOf(solve(roof).assemblies, 'pitchedRoof').find(({ name }) => name === building)!;
  const record = recordsOf(roof, 'pitchedRoof').find(({ name }) => name === building)!;
  const [ring] = made.info.footprint;
  const far = building === 'West' ? Math.min(...ring!.map(({ x }) => x)) : Math.max(...ring!.map(({ x }) => x));
  const gable = ring!.findIndex(
    ({ x }, i) => Math.abs(x - far) < 1 && Math.abs(ring![(i + 1) % ring!.length]!.x - far) < 1,
  );
  expect(record.edges.map(({ is }) => is)).toEqual(['wall']);
  const gabled = after('pitchedRoofs.setEdge', { roof: building, edge: gable, is: 'gable' }, roof);
  return after('pitchedRoofs.trimWalls', { roof: building }, gabled);
}, joined);

describe('two houses 500 mm apart in height with a party wall and two pitched roofs', () => {
  const solved = solve(roofed);
  const roofs = assembliesOf(solved.assemblies, 'pitchedRoof');
  const party = recordsOf(roofed, 'wall').find(({ name }) => name === 'Party')!;
  const top = assembliesOf(solved.assemblies, 'wallTop').find(({ thing }) => thing === party.id)!;

  it('have each a saddle roof that ends at the party wall without an overhang', () => {
    expect(roofs.map(({ info }) => info.form)).toEqual(['saddle', 'saddle']);
    // The party wall's face lies 150 off the line between the houses.
    const west = roofs.find(({ name }) => name === 'West')!;
    expect(Math.max(...west.info.edge[0]!.map(({ x }) => x))).toBeCloseTo(7850, 6);
    expect(solved.findings.filter(({ rule }) => rule.startsWith('pitchedRoof'))).toEqual([]);
  });

  it('have the wall 300 over the higher of both roofs all along it, and nowhere less', () => {
    expect(party.stopsAt).toMatchObject({ face: 'roof', offsetMm: 300 });
    const [west, east] = ['West', 'East'].map((building) => roofs.find(({ name }) => name === building)!);
    // Both alike but 500 higher: the wall follows East's, 45° up to the ridge in the middle.
    const ridgeMm = east!.info.ridgeMm + 500;
    expect(west!.info.ridgeMm).toBeCloseTo(east!.info.ridgeMm, 6);
    expect(top.topMm).toBeCloseTo(ridgeMm + 300, 3);
    const slants = top.parts.flatMap(({ slants: each }) => each);
    for (const corner of slants.flat()) {
      if (corner.topMm < top.info.fromMm + 1) continue;
      expect(corner.topMm).toBeCloseTo(ridgeMm + 300 - Math.abs(corner.y - 5000), 1);
    }
    // Over its level part a triangle (or the part of one) of 300 across.
    const volume = slants.reduce((sum, slant) => sum + volumeOfSlant(slant), 0);
    const halfMm = top.topMm - top.info.fromMm;
    const wide = Math.max(...slants.flat().map(({ y }) => y)) - Math.min(...slants.flat().map(({ y }) => y));
    const cut = Math.max(0, halfMm - wide / 2);
    expect(volume / 1e9).toBeCloseTo((0.3 * (halfMm ** 2 - cut ** 2)) / 1e6, 2);
  });

  it('have it anew when one of them is raised or its roof is steeper', () => {
    const raised = afterFrom(roofed)('buildings.change', { building: 'East', zeroMm: 1500 });
    const next = assembliesOf(solve(raised).assemblies, 'wallTop').find(({ thing }) => thing === party.id)!;
    expect(next.topMm - top.topMm).toBeCloseTo(1000, 3);
    const steeper = afterFrom(roofed)('pitchedRoofs.change', { roof: 'West', slope: 60 });
    const west = assembliesOf(solve(steeper).assemblies, 'pitchedRoof').find(({ name }) => name === 'West')!;
    const now = assembliesOf(solve(steeper).assemblies, 'wallTop').find(({ thing }) => thing === party.id)!;
    expect(now.topMm).toBeCloseTo(west.info.ridgeMm + 300, 3);
  });
});

describe('one roof over two houses', () => {
  const walls = ['West', 'East'].flatMap((building) =>
    wallsOf(joined, building)
      .filter(({ use }) => use === 'exterior')
      .map(({ id }) => id),
  );
  const over = after('pitchedRoofs.add', {
    building: 'West',
    name: 'Both',
    outline: rectangle('0,0', 16_000, 10_000),
    eavesAt: { level: 'RF', offsetMm: 500 },
    slope: 40,
    edges: [
      { edge: 1, is: 'gable' },
      { edge: 3, is: 'gable' },
    ],
  });
  const trimmed = after('pitchedRoofs.trimWalls', { roof: 'Both' }, over);

  it('lets the walls of both end at it, and the party wall go through it', () => {
    const ends = recordsOf(trimmed, 'wall').map(({ id, stopsAt }) => [walls.includes(id), stopsAt.face]);
    expect(ends.filter(([isOut]) => isOut).map(([, face]) => face)).toEqual(walls.map(() => 'roof'));
    const party = recordsOf(trimmed, 'wall').find(({ use }) => use === 'party')!;
    const through = after('pitchedRoofs.trimWalls', { roof: 'Both', walls: [party.id], overMm: 300 }, trimmed);
    const solved = solve(through);
    const [roof] = assembliesOf(solved.assemblies, 'pitchedRoof');
    const top = assembliesOf(solved.assemblies, 'wallTop').find(({ thing }) => thing === party.id)!;
    expect(top.topMm).toBeCloseTo(roof!.info.ridgeMm + 300, 3);
    // The roof is open where the wall goes through: it loses its own thickness over 300 of length.
    const volumeOf = (framework: Framework) =>
      assembliesOf(solve(framework).assemblies, 'pitchedRoof')[0]!
        .parts.flatMap(({ slants }) => slants)
        .reduce((sum, slant) => sum + volumeOfSlant(slant), 0);
    const before = volumeOf(over);
    const wide = Math.max(...top.ring.map(({ y }) => y)) - Math.min(...top.ring.map(({ y }) => y));
    const thick = before / ((16_000 + 1000) * (10_000 + 1000));
    expect(volumeOf(through) / before).toBeCloseTo(1 - (thick * 300 * wide) / before, 3);
    // Walls of the other house have what goes up to it.
    const east = assembliesOf(solved.assemblies, 'wallTop').filter(({ building }) => building === of(through, 'East'));
    expect(east.length).toBeGreaterThan(0);
  });
});

it('a roof that stood there before follows when the side under it becomes a party wall', () => {
  const alone = afterFrom(pair)('pitchedRoofs.add', { building: 'West', name: 'First', slope: 45 });
  const [ring] = assembliesOf(solve(alone).assemblies, 'pitchedRoof')[0]!.info.footprint;
  const edgeAt = (of: readonly { x: number; y: number }[], x: number) =>
    of.findIndex((at, i) => Math.abs(at.x - x) < 1 && Math.abs(of[(i + 1) % of.length]!.x - x) < 1);
  const gabled = afterFrom(alone)('pitchedRoofs.setEdge', { roof: 'First', edge: edgeAt(ring!, 0), is: 'gable' });
  const made = afterFrom(gabled)('walls.makeParty', {
    walls: [wallsOf(pair, 'West')[0]!.id, wallsOf(pair, 'East')[0]!.id],
    name: 'Party',
  });
  const [roof] = assembliesOf(solve(made).assemblies, 'pitchedRoof');
  expect(roof!.info.form).toBe('saddle');
  const edges = recordsOf(made, 'pitchedRoof')[0]!.edges;
  const outline = roof!.info.footprint[0]!;
  expect(edges.map(({ edge, is }) => [edge, is]).sort()).toEqual(
    [
      [edgeAt(outline, 0), 'gable'],
      [edgeAt(outline, 7850), 'wall'],
    ].sort(),
  );
});
