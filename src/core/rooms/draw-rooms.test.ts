import { drawPlan } from '../drawing/draw-plan';
import type { Step } from '../commands/command-inputs';
import { solve } from '../solving/solve';
import { given, step } from '../testing/given';

/** Two rooms in one house: one of 5 × 4 m, one a cell of 1.2 × 2 m with a zone in it. */
const framework = given([
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '2@3m' }],
  ['floors.add', { name: 'Plate', outline: { type: 'rectangle', place: '0,0', widthMm: 6600, depthMm: 4300 } }],
  ...(
    [
      ['0,0', 0, 4300],
      ['5150,0', 0, 4300],
      ['6500,0', 0, 4300],
      ['0,0', 6500, 0],
      ['0,4150', 6500, 0],
    ] as const
  ).map(([place, xMm, yMm], i): Step => [
    'walls.add',
    {
      name: `W${i + 1}`,
      type:
        i === 0 ? { name: 'Interior 150', layers: [{ name: 'studs', thicknessMm: 150, core: true }] } : 'Interior 150',
      place,
      points: [
        { xMm: 0, yMm: 0 },
        { xMm, yMm },
      ],
      startsAt: { level: '00' },
    },
  ]),
  ['rooms.add', { level: '00', name: 'Reading room', place: '2500,2000' }],
  ['rooms.add', { level: '00', name: 'Wet cell', place: '5800,2000' }],
]);
const solved = solve(framework);
const texts = (scale: number, of = solved) =>
  drawPlan(of, {
    building: solved.buildings[0]!.id,
    level: solved.levels.find(({ name }) => name === '00')!.id,
    scale,
    cutAboveMm: 1200,
    writeLength: String,
  }).primitives.flatMap((each) => (each.type === 'text' && each.style.startsWith('room') ? [each] : []));

it('a tag is as full as the room has place for: number and name, the number alone, or none that nobody could read', () => {
  const first = (scale: number) => texts(scale).flatMap(({ style, text }) => (style === 'roomText' ? [text] : []));
  expect(first(50)).toEqual(['00.01 Reading room', '00.02 Wet cell']);
  expect(first(100)).toEqual(['00.01 Reading room', '00.02']);
  expect(first(300)).toEqual(['00.01']);
  expect(first(2000)).toEqual([]);
});

it('nothing of a tag is written smaller than can be read', () => {
  for (const scale of [20, 50, 100, 150, 250, 400, 1000, 2000])
    for (const { heightMm } of texts(scale)) expect(heightMm / scale).toBeGreaterThan(1.2);
});

it('a tag too near a wall stands beside its place, within its room', () => {
  const near = step(framework, 'rooms.change', {
    room: '00.02',
    place: '5300,2000',
  }).after;
  const tag = texts(100, solve(near)).filter(({ text }) => text === '00.02');
  // The cell reaches from the middle wall's face at 5225 to the outer wall's at 6425.
  expect(tag).toHaveLength(1);
  const half = ('00.02'.length * 0.62 * tag[0]!.heightMm) / 2;
  expect(tag[0]!.at.x - half).toBeGreaterThan(5225);
  expect(tag[0]!.at.x).toBeLessThan(5900);
});
