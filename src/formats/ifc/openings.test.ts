import * as WebIfc from 'web-ifc';
import { solve } from '@/core/solving/solve';
import { FURNISHED, given, stepsOf } from '@/core/testing/given';
import { layers } from '@/core/testing/rich';
import { TIDEWATER_YARD } from '@/demo/tidewater-yard';
import { writeIfc } from './write';

const AT = new Date('2026-01-15T10:00:00Z');
const points = (text: string) =>
  text.split(' ').map((pair) => ({ xMm: Number(pair.split(',')[0]), yMm: Number(pair.split(',')[1]) }));
const opening = (wall: string, kind: string, alongMm: number, more: object = {}) =>
  ['walls.addOpening', { wall, opening: kind, alongMm, ...more }] as never;

/** Two walls of one storey with a door and a window, and a core wall past four storeys with a door in two of them. */
const house = given(
  [
    [
      'walls.add',
      {
        name: 'W',
        use: 'exterior',
        type: {
          name: 'T',
          layers: [
            { name: 'facing', thicknessMm: 90 },
            { name: 'concrete', thicknessMm: 210, core: true },
          ],
        },
        points: points('8000,9000 13000,9000'),
        startsAt: { level: '01' },
        stopsAt: { level: '02' },
      },
    ],
    opening('W', 'door', 500, { widthMm: 1000, heightMm: 2100, hand: 'left', opens: 'outwards' }),
    opening('W', 'window', 2500, { widthMm: 1500, heightMm: 1400, sillMm: 900 }),
    [
      'walls.add',
      {
        name: 'K',
        use: 'core',
        type: { name: 'C', layers: layers(250) },
        points: points('15000,2000 18000,2000'),
        startsAt: { level: 'B2' },
        stopsAt: { level: '02', face: 'soffit' },
        passesClearMm: 0,
      },
    ],
    opening('K', 'door', 1000, { widthMm: 1000, heightMm: 2100, at: ['B1', '01'] }),
    opening('K', 'plain', 1000, { widthMm: 800, heightMm: 2000, at: ['00'] }),
  ],
  given(FURNISHED),
);

interface Line {
  expressID: number;
  GlobalId?: { value: string };
  Name?: { value: string };
  [key: string]: unknown;
}
const ref = (value: unknown): number => (value as { value: number }).value;
const refs = (value: unknown): number[] => (value as { value: number }[]).map(ref);

async function opened(text: string) {
  const api = new WebIfc.IfcAPI();
  await api.Init();
  const model = api.OpenModel(new TextEncoder().encode(text));
  const all = (type: number): Line[] => {
    const ids = api.GetLineIDsWithType(model, type);
    return Array.from({ length: ids.size() }, (_, i) => api.GetLine(model, ids.get(i)) as Line);
  };
  /** Triangles of a product as that program builds it, its openings cut out: corners in metres, y upwards. */
  const triangles = (id: number): number[][][] => {
    const found: number[][][] = [];
    const mesh = api.GetFlatMesh(model, id);
    for (let g = 0; g < mesh.geometries.size(); g += 1) {
      const placed = mesh.geometries.get(g);
      const geometry = api.GetGeometry(model, placed.geometryExpressID);
      const vertices = api.GetVertexArray(geometry.GetVertexData(), geometry.GetVertexDataSize());
      const indices = api.GetIndexArray(geometry.GetIndexData(), geometry.GetIndexDataSize());
      const m = placed.flatTransformation;
      const at = (i: number) => {
        const [x, y, z] = [vertices[6 * i]!, vertices[6 * i + 1]!, vertices[6 * i + 2]!];
        return [0, 1, 2].map((row) => m[row]! * x + m[row + 4]! * y + m[row + 8]! * z + m[row + 12]!);
      };
      for (let i = 0; i < indices.length; i += 3)
        found.push([at(indices[i]!), at(indices[i + 1]!), at(indices[i + 2]!)]);
      geometry.delete();
    }
    return found;
  };
  /** Volume of a product, m³. */
  const volume = (id: number): number =>
    Math.abs(
      triangles(id).reduce(
        (sum, [a, b, c]) =>
          sum +
          (a![0]! * (b![1]! * c![2]! - b![2]! * c![1]!) +
            a![1]! * (b![2]! * c![0]! - b![0]! * c![2]!) +
            a![2]! * (b![0]! * c![1]! - b![1]! * c![0]!)) /
            6,
        0,
      ),
    );
  /** Least and greatest x, y and height of a product, mm. */
  const box = (id: number): number[][] => {
    const corners = triangles(id).flat();
    return [
      [0, 1],
      [2, -1],
      [1, 1],
    ].map(([axis, way]) => {
      const values = corners.map((corner) => corner[axis!]! * way! * 1000);
      return [Math.min(...values), Math.max(...values)];
    });
  };
  const storeyOf = new Map<number, string>();
  for (const contained of all(WebIfc.IFCRELCONTAINEDINSPATIALSTRUCTURE)) {
    const storey = api.GetLine(model, ref(contained.RelatingStructure)) as Line;
    for (const id of refs(contained.RelatedElements)) storeyOf.set(id, storey.Name?.value ?? '');
  }
  return { api, model, all, volume, box, storeyOf };
}

describe('walls, their openings and what fills them, read by another program', () => {
  const solved = solve(house);
  let file: Awaited<ReturnType<typeof opened>>;
  beforeAll(async () => {
    file = await opened(writeIfc(house, solved, AT));
  });
  afterAll(() => file.api.CloseModel(file.model));
  const named = (type: number, name: string) => file.all(type).filter((line) => line.Name?.value === name);

  it('stand where they are drawn to a tenth of a millimetre, the doors and windows in their walls', () => {
    const ffl = (name: string) => solved.levels.find((level) => level.name === name)!.fflMm;
    const [wall] = named(WebIfc.IFCWALL, 'W 01');
    const [x, y] = file.box(wall!.expressID);
    // Drawn from 8000 to 13000 along its middle at 9000, 300 thick.
    expect([...x!, ...y!]).toEqual([8000, 13_000, 8850, 9150].map((mm) => expect.closeTo(mm, 1)));
    // The opening of a door stands 500 along it, 1000 wide, 2100 high; a window's 2500 along, 1500 wide, its sill 900 up.
    const clear = (id: number) => [file.box(id)[0]!, file.box(id)[2]!].flat();
    const fills = file.all(WebIfc.IFCRELFILLSELEMENT);
    const openingOf = (id: number) =>
      ref(fills.find((fill) => ref(fill.RelatedBuildingElement) === id)!.RelatingOpeningElement);
    const doors = file.all(WebIfc.IFCDOOR).filter((door) => file.storeyOf.get(door.expressID) === '01');
    const inWall = doors.map((door) => clear(openingOf(door.expressID))).find(([low]) => low! < 10_000);
    expect(inWall).toEqual([8500, 9500, ffl('01'), ffl('01') + 2100].map((mm) => expect.closeTo(mm, 1)));
    const [window] = file.all(WebIfc.IFCWINDOW);
    expect(clear(openingOf(window!.expressID))).toEqual(
      [10_500, 12_000, ffl('01') + 900, ffl('01') + 2300].map((mm) => expect.closeTo(mm, 1)),
    );
    // The core's door at B1: 1000 along from 15000.
    const below = file.all(WebIfc.IFCDOOR).filter((door) => file.storeyOf.get(door.expressID) === 'B1');
    expect(below.map((door) => clear(openingOf(door.expressID)))).toEqual([
      [16_000, 17_000, ffl('B1'), ffl('B1') + 2100].map((mm) => expect.closeTo(mm, 1)),
    ]);
  });

  it('are of the volumes solved, openings cut out, one wall in each storey', () => {
    const own = (name: string) =>
      solved.walls.filter((piece) => piece.name === name).reduce((sum, { volumeMm3 }) => sum + volumeMm3, 0) / 1e9;
    const [wall] = named(WebIfc.IFCWALL, 'W 01');
    expect(file.volume(wall!.expressID)).toBeCloseTo(own('W'), 4);
    expect(own('W')).toBeCloseTo(0.3 * (5 * 4.55 - 2.1 - 1.5 * 1.4), 6);
    const core = ['B2', 'B1', '00', '01'].map((level) => named(WebIfc.IFCWALL, `K ${level}`)[0]!);
    expect(core.map(({ expressID }) => file.storeyOf.get(expressID))).toEqual(['B2', 'B1', '00', '01']);
    expect(core.reduce((sum, { expressID }) => sum + file.volume(expressID), 0)).toBeCloseTo(own('K'), 4);
    expect(file.all(WebIfc.IFCGROUP).filter(({ Name }) => Name?.value === 'K')).toHaveLength(1);
    // Storey by storey, a door in one of them and none in the next: the net volume told is that of the solid.
    const sets = file.all(WebIfc.IFCELEMENTQUANTITY).filter(({ Name }) => Name?.value === 'Qto_WallBaseQuantities');
    const netOf = (expressID: number) => {
      const defines = file
        .all(WebIfc.IFCRELDEFINESBYPROPERTIES)
        .find(
          (line) =>
            refs(line.RelatedObjects).includes(expressID) &&
            sets.some((set) => set.expressID === ref(line.RelatingPropertyDefinition)),
        );
      const set = sets.find((each) => each.expressID === ref(defines!.RelatingPropertyDefinition))!;
      const quantities = refs(set.Quantities).map((id) =>
        file.all(WebIfc.IFCQUANTITYVOLUME).find((each) => each.expressID === id),
      );
      const net = quantities.find((each) => each?.Name?.value === 'NetVolume')!;
      return (net.VolumeValue as { value: number }).value;
    };
    for (const { expressID } of core) expect(netOf(expressID)).toBeCloseTo(file.volume(expressID), 4);
    expect(new Set(core.map(({ expressID }) => netOf(expressID).toFixed(3))).size).toBeGreaterThan(1);
  });

  it('have openings, and each door and window fills one and hangs in its own storey', () => {
    const fills = file.all(WebIfc.IFCRELFILLSELEMENT);
    const doors = file.all(WebIfc.IFCDOOR);
    expect([doors.length, file.all(WebIfc.IFCWINDOW).length, fills.length]).toEqual([3, 1, 4]);
    expect(doors.map(({ expressID }) => file.storeyOf.get(expressID)).sort()).toEqual(['01', '01', 'B1']);
    const voided = new Map(
      file
        .all(WebIfc.IFCRELVOIDSELEMENT)
        .map((line) => [ref(line.RelatedOpeningElement), ref(line.RelatingBuildingElement)]),
    );
    for (const fill of fills) {
      const wall = voided.get(ref(fill.RelatingOpeningElement))!;
      expect(file.storeyOf.get(wall)).toBe(file.storeyOf.get(ref(fill.RelatedBuildingElement)));
    }
    // A door that opens outwards and is hung left as one comes from outside is hung right as it opens.
    const operations = doors.map(({ OperationType }) => (OperationType as { value: string }).value).sort();
    expect(operations).toEqual(['SINGLE_SWING_LEFT', 'SINGLE_SWING_LEFT', 'SINGLE_SWING_RIGHT']);
    expect(file.volume(doors[0]!.expressID)).toBeCloseTo(1 * 2.1 * 0.06, 5);
  });

  it('have types with their layers from the outside inwards', () => {
    const type = named(WebIfc.IFCWALLTYPE, 'T')[0]!;
    const set = file
      .all(WebIfc.IFCMATERIALLAYERSET)
      .find(({ LayerSetName }) => (LayerSetName as { value: string }).value === 'T')!;
    const thick = refs(set.MaterialLayers).map(
      (id) => (file.api.GetLine(file.model, id) as Line).LayerThickness as { value: number },
    );
    expect(thick.map(({ value }) => value)).toEqual([90, 210]);
    const typed = file
      .all(WebIfc.IFCRELDEFINESBYTYPE)
      .find(({ RelatingType }) => ref(RelatingType) === type.expressID)!;
    expect(refs(typed.RelatedObjects)).toEqual(named(WebIfc.IFCWALL, 'W 01').map(({ expressID }) => expressID));
    expect(file.all(WebIfc.IFCCOLUMNTYPE).map(({ Name }) => Name?.value)).toEqual(['500 × 500, concrete']);
  });
});

it('the demo has each id once, all its doors and windows in walls, and its rooms as spaces', async () => {
  const demo = given(stepsOf(TIDEWATER_YARD));
  const solved = solve(demo);
  const text = writeIfc(demo, solved, AT);
  const ids = [...text.matchAll(/\('([0-9A-Za-z_$]{22})',/g)].map(([, id]) => id);
  expect(new Set(ids).size).toBe(ids.length);
  const file = await opened(text);
  const leaves = solved.walls.flatMap(({ openings }) => openings).filter(({ opening: kind }) => kind !== 'plain');
  expect(file.all(WebIfc.IFCRELFILLSELEMENT)).toHaveLength(leaves.length);
  const storeys = new Set(file.all(WebIfc.IFCDOOR).map(({ expressID }) => file.storeyOf.get(expressID)));
  expect(storeys.size).toBeGreaterThan(8);
  const rooms = file
    .all(WebIfc.IFCSPACE)
    .filter(({ ObjectType }) => (ObjectType as { value: string } | null)?.value === 'Room');
  expect(rooms).toHaveLength(solved.rooms.filter(({ room }) => room !== null).length);
  file.api.CloseModel(file.model);
});
