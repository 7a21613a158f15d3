import { finding, fixBy, type Finding, type Fix } from '../checks/finding';
import type { Point } from '../geometry/point';
import type { Id } from '../model/ids';
import type { Assembly } from '../slants/assembly';
import { formatLength } from '../units/format-length';
import { quantiseMm } from '../units/length-units';
import { ASTRAY, LOW_UPSTAND, NO_WAY_OUT } from './fall-rules';
import type { FallLayer } from './fall-layer';

const typed = ({ x, y }: Point) => `${quantiseMm(Math.round(x))},${quantiseMm(Math.round(y))}`;
const saidAt = ({ x, y }: Point) => `${said(x)} east and ${said(y)} north of zero`;
const said = (mm: number) => `${formatLength(Math.round(mm))} mm`;

/** What is wrong with a layer of falls. `parapet`: the roof whose parapet stands round it; `drains`: outlets that would let water out. */
export function checkFalls(
  layer: FallLayer,
  { info }: Assembly<'fallLayer'>,
  parapet: Id | null,
  drains: readonly Point[],
): Finding[] {
  const { id, building, level, name, slab } = layer;
  const report = (rule: typeof ASTRAY, part: number, words: string, fixes: Fix[]) => {
    const one = finding(rule, building, level, [id, slab], words, fixes);
    return part === 0 ? one : { ...one, key: `${one.key} ${part}` };
  };
  return [
    ...(info.ponds.length > 0
      ? [
          report(
            NO_WAY_OUT,
            0,
            `Water has no way out of layer of falls ${name} at ${info.ponds.map(({ at }) => saidAt(at)).join(', and at ')}: it can run no lower there. Place an outlet, or let it fall to an edge`,
            [
              fixBy(
                drains.length === 1 ? 'Place an outlet there' : `Place ${drains.length} outlets`,
                'fallLayers.addOutlets',
                { fallLayer: id, places: drains.map(typed) },
              ),
            ],
          ),
        ]
      : []),
    ...info.astray.map(({ number, at, nearest }, i) =>
      report(
        ASTRAY,
        i,
        `Outlet ${number + 1} of layer of falls ${name}, ${saidAt(at)}, does not lie on it. Move it onto it, or take it away`,
        [
          fixBy('Move it onto the layer', 'fallLayers.moveOutlet', {
            fallLayer: id,
            outlet: number,
            place: typed(nearest),
          }),
          fixBy('Take it away', 'fallLayers.removeOutlet', { fallLayer: id, outlet: number }),
        ],
      ),
    ),
    ...lowUpstands(layer, info, parapet, report),
  ];
}

function lowUpstands(
  layer: FallLayer,
  info: Assembly<'fallLayer'>['info'],
  parapet: Id | null,
  report: (rule: typeof ASTRAY, part: number, words: string, fixes: Fix[]) => Finding,
): Finding[] {
  const asked = typeof layer.upstandMm === 'number' ? layer.upstandMm : null;
  const low = info.upstands.filter(({ mm }) => mm < info.upstandMm - 0.5).sort((a, b) => a.mm - b.mm);
  const [worst] = low;
  if (!worst) return [];
  const missingMm = info.upstandMm - worst.mm;
  // So much less fall that the thickest of it is lower by what is missing.
  const rise = info.mostMm - info.leastMm;
  const ratio = rise > missingMm + 1 ? Math.ceil((info.slopeRatio * rise) / (rise - missingMm)) : null;
  const isParapet = low.every(({ wall }) => wall === parapet);
  return [
    report(
      LOW_UPSTAND,
      0,
      `${isParapet ? 'The parapet' : 'A wall'} stands ${said(Math.max(0, worst.mm))} over layer of falls ${layer.name} where that is thickest; ${said(info.upstandMm)} is asked for. Make it higher, or let the layer fall less`,
      [
        ...(isParapet && parapet
          ? [
              fixBy(`Make the parapet ${said(missingMm)} higher`, 'roofs.raiseParapet', {
                roof: parapet,
                byMm: Math.ceil(missingMm),
              }),
            ]
          : []),
        ...(ratio !== null && ratio <= 1000
          ? [fixBy(`Let it fall 1:${ratio}`, 'fallLayers.change', { fallLayer: layer.id, slope: `1:${ratio}` })]
          : []),
        ...(asked !== null && worst.mm >= 0
          ? [
              fixBy(`Ask for ${said(Math.floor(worst.mm))} only`, 'fallLayers.change', {
                fallLayer: layer.id,
                upstandMm: Math.floor(worst.mm),
              }),
            ]
          : []),
      ],
    ),
  ];
}
