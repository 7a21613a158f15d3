import { plan } from '@/core/commands/commands';
import type { Step } from '@/core/commands/command-inputs';
import { EMPTY_FRAMEWORK, type Framework } from '@/core/model/framework';
import { derivedCommandId } from '@/core/model/ids';

/** A small made-up house with a thing in every form of outline, a named dimension, and something wrong. */
const STEPS: readonly Step[] = [
  ['project.start', { name: 'Parts' }],
  ['buildings.add', { name: 'House' }],
  ['dimensions.define', { name: 'slab', value: 250 }],
  ['levels.setUp', { above: '4.2m 2@3.3m', below: '3m' }],
  ['grids.add', { name: 'Grid', baysA: '2@6000', baysB: '2@5400' }],
  [
    'floors.add',
    { name: 'Plate', outline: { type: 'gridOffset', system: 'Grid', offsetMm: 400 }, thicknessMm: 'slab' },
  ],
  ['columns.placeAtCrossings', { lines: 'all', section: { shape: 'rectangle', widthMm: 400, depthMm: 400 } }],
  [
    'walls.add',
    {
      name: 'W1',
      type: { name: 'Block 200', layers: [{ name: 'block', thicknessMm: 200, core: true }] },
      points: [
        { xMm: 0, yMm: 0 },
        { xMm: 12_000, yMm: 0 },
        { xMm: 12_000, yMm: 5400 },
      ],
      startsAt: { level: '00' },
      stopsAt: { level: '02' },
    },
  ],
  ['walls.addOpening', { wall: 'W1', opening: 'door', alongMm: 2000 }],
  [
    'shafts.add',
    { name: 'S1', outline: { type: 'rectangle', place: 'A-1 + 900,900', widthMm: 1800, depthMm: 'slab*8' } },
  ],
  ['shafts.add', { name: 'S2', outline: { type: 'circle', place: 'B-2 + 1500,1500', diameterMm: 900 } }],
  ['shafts.change', { shaft: 'S1', stopsAt: { level: '02', face: 'SSL', offsetMm: -150 } }],
];

/** The house, with the sentences of what made it. */
export function sample(): { framework: Framework; sentences: string[] } {
  const sentences: string[] = [];
  const framework = STEPS.reduce<Framework>((now, [name, input], i) => {
    const planned = plan(now, name, input, derivedCommandId('parts', String(i)));
    if (!planned.ok) throw new Error(`${name}: ${planned.refusal.message}`);
    sentences.push(planned.value.sentence);
    return planned.value.after;
  }, EMPTY_FRAMEWORK);
  return { framework, sentences };
}
