import { finding, fixBy, type Finding } from '../checks/finding';
import { floorsPass } from '../floors/cut-floor-passes';
import { plus, quantised, times, type Point } from '../geometry/point';
import { convexParts } from '../geometry/convex-parts';
import { bounds, contains, ringArea, type Ring } from '../geometry/polygon';
import { called } from '../kinds/records';
import { recordOf, recordsOf } from '../model/framework';
import type { Id } from '../model/ids';
import { definePass, keyOf, type Context } from '../passes/pass';
import type { Assembly } from '../slants/assembly';
import { flooredPass, ownRecords } from '../solving/building-passes';
import { wallsBefore } from '../walls/wall-passes';
import { typedPlanPass } from '../walls/wall-plans';
import { checkFalls } from './check-falls';
import type { FallLayer } from './fall-layer';
import { NONE, UNSOLVED } from './fall-rules';
import { holding, towards } from './ponds';
import { solveFallLayer, type Beside, type SolvedFalls, type Under } from './solve-fall-layer';

/** A wall that begins this near over the slab stands on it, mm. */
const ON_SLAB_MM = 300;

/** What a layer of falls lies on; null where its slab is not at that level. */
function underOf(cx: Context, layer: FallLayer): Under | null {
  const { building, slab, level } = layer;
  const floors = cx.get(floorsPass, building);
  const own = floors.filter((piece) => piece.plate === slab && piece.level === level);
  const levels = cx.get(flooredPass, building);
  const fflMm = levels.find(({ id }) => id === level)?.fflMm;
  // Parts of a floor that lie lower or higher are not of it.
  const [first] = [...own].sort((a, b) => Math.abs(ringArea(b.outline)) - Math.abs(ringArea(a.outline)));
  if (!first || fflMm === undefined) return null;
  const higher = new Set(levels.filter((each) => each.fflMm > fflMm).map(({ id }) => id));
  const walls = cx
    .get(wallsBefore.band, keyOf(building, level))
    .flatMap(({ wall, type, bottomMm, topMm }): Beside[] => {
      if (bottomMm > ON_SLAB_MM || topMm < 1) return [];
      const plan = cx.get(typedPlanPass, keyOf(building, wall, type));
      return plan ? [{ wall, rings: plan.strips, topMm: fflMm + topMm }] : [];
    });
  return {
    regions: own
      .filter(({ topMm }) => topMm === first.topMm)
      .flatMap(({ profile }) => cx.profiles.known(profile).regions),
    edge: first.outline,
    topMm: first.topMm,
    walls,
    covers: floors.filter((piece) => higher.has(piece.level)).map(({ outline }) => outline),
  };
}

const fallLayerPass = definePass<SolvedFalls | null>({
  name: 'layer of falls',
  scope: 'thing',
  run: (cx, id) => {
    const layer = recordOf(cx.framework, 'fallLayer', id);
    if (!layer) return null;
    const under = underOf(cx, layer);
    return under
      ? solveFallLayer(cx.framework, layer, under)
      : { fault: 'Its slab is not at its level. Choose another level, or delete it' };
  },
  failing: ({ framework }, id) => {
    const layer = recordOf(framework, 'fallLayer', id);
    return {
      what: layer ? called(layer) : 'A layer of falls',
      building: layer?.building ?? '',
      about: [id],
      value: null,
    };
  },
});

export const fallLayersPass = definePass({
  name: 'layers of falls',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly Assembly[] =>
    ownRecords(recordsOf(cx.framework, 'fallLayer'), building).flatMap(({ id }) => {
      const solved = cx.get(fallLayerPass, id);
      return solved && 'made' in solved ? [solved.made] : [];
    }),
});

export const fallFindingsPass = definePass({
  name: 'findings of layers of falls',
  scope: 'building',
  run: (cx, building): readonly Finding[] => [
    ...withoutFalls(cx, building),
    ...ownRecords(recordsOf(cx.framework, 'fallLayer'), building).flatMap((layer) => {
      const solved = cx.get(fallLayerPass, layer.id);
      if (!solved) return [];
      if ('made' in solved)
        return checkFalls(layer, solved.made, parapetOf(cx, layer.slab), drainsOf(cx, layer, solved.made));
      const { nearest } = solved;
      const fixes = [
        ...(nearest
          ? [
              fixBy('Move its outlet onto it', 'fallLayers.moveOutlet', {
                fallLayer: layer.id,
                outlet: 0,
                place: `${nearest.x},${nearest.y}`,
              }),
            ]
          : []),
        fixBy('Delete it', 'elements.remove', { ids: [layer.id] }),
      ];
      const words = `Layer of falls ${layer.name} cannot be worked out. ${solved.fault}`;
      return [finding(UNSOLVED, building, layer.level, [layer.id], words, fixes)];
    }),
  ],
});

/** A roof longer than this gets two outlets, mm. */
const LONG_MM = 15_000;

/** Flat roofs within a parapet that are laid to no falls: water stands on them. */
function withoutFalls(cx: Context, building: Id): Finding[] {
  const laid = new Set(ownRecords(recordsOf(cx.framework, 'fallLayer'), building).map(({ slab }) => slab));
  return ownRecords(recordsOf(cx.framework, 'roof'), building).flatMap(({ id, name, level, parapet }) => {
    const slab =
      parapet && !laid.has(id) ? cx.get(floorsPass, building).find((piece) => piece.plate === id) : undefined;
    if (!slab) return [];
    const outlets = outletsIn(slab.outline).map(({ x, y }) => `${x},${y}`);
    const words = `Roof ${name} has a parapet and no falls: water has no way out. Lay it to falls`;
    const fix = fixBy(
      `Lay it to falls of 2 % to ${outlets.length === 1 ? 'an outlet' : `${outlets.length} outlets`}`,
      'fallLayers.add',
      { building, on: id, outlets },
    );
    return [finding(NONE, building, level, [id], words, [fix])];
  });
}

/** Where outlets stand in an outline: one in its middle, of a long one two along it; where that is beside it, in its largest part. */
function outletsIn(outline: Ring): Point[] {
  const { minX, minY, maxX, maxY } = bounds(outline);
  const [w, d] = [maxX - minX, maxY - minY];
  const shares = Math.max(w, d) > LONG_MM ? [0.25, 0.75] : [0.5];
  const places = shares.map((t) =>
    quantised(w >= d ? { x: minX + w * t, y: minY + d / 2 } : { x: minX + w / 2, y: minY + d * t }),
  );
  if (places.every((at) => contains(outline, at))) return places;
  const largest = convexParts(outline).reduce((a, b) => (Math.abs(ringArea(b)) > Math.abs(ringArea(a)) ? b : a));
  return [quantised(times(largest.reduce(plus, { x: 0, y: 0 }), 1 / largest.length))];
}

/** The roof whose parapet may be raised; a roof's parapet has the id of the roof. */
const parapetOf = (cx: Context, slab: Id): Id | null => {
  const roof = recordOf(cx.framework, 'roof', slab);
  return roof?.parapet ? roof.id : null;
};

/** An outlet that lets water out stands so far in from where it stood, mm. */
const IN_MM = 200;
const MOST_DRAINS = 12;

/** Outlets that would let water out of a layer from everywhere: one where it stands, and on while another place is left. */
function drainsOf(cx: Context, layer: FallLayer, made: Assembly<'fallLayer'>): Point[] {
  const under = made.info.ponds.length > 0 ? underOf(cx, layer) : null;
  if (!under) return [];
  const drains: Point[] = [];
  let { ponds, faces } = made.info;
  while (ponds.length > 0 && drains.length < MOST_DRAINS) {
    const { at } = ponds[0]!;
    const piece = holding(faces, at);
    const middle = piece ? times(piece.reduce(plus, { x: 0, y: 0 }), 1 / piece.length) : at;
    drains.push(quantised(towards(at, middle, IN_MM)));
    const outlets = drains.map(({ x, y }) => ({ place: { lines: null, xMm: x, yMm: y }, diameterMm: 100 }));
    const next = solveFallLayer(cx.framework, { ...layer, outlets: [...layer.outlets, ...outlets] }, under);
    if (!('made' in next)) break;
    ({ ponds, faces } = next.made.info);
  }
  return drains;
}
