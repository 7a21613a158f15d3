import { drawPlan } from '../drawing/draw-plan';
import { recordsOf, type Framework } from '../model/framework';
import { solve } from '../solving/solve';
import { given, refusal, afterFrom } from '../testing/given';

const corners = (text: string) =>
  text.split(' ').map((pair) => ({ xMm: Number(pair.split(',')[0]), yMm: Number(pair.split(',')[1]) }));
const layers = [{ name: 'concrete', thicknessMm: 200, core: true }];

/** Three storeys of 3 m, build-up 100 but on the roof, slabs 250: 12 × 8 m outside, walls 200, parted at x = 6 m. */
const house = given([
  ['buildings.add', { name: 'House' }],
  ['levels.setUp', { above: '3@3m' }],
  ['floors.add', { name: 'Plate', outline: { type: 'rectangle', widthMm: 12_000, depthMm: 8000 } }],
  ['foundations.add', { form: 'raft' }],
  [
    'walls.add',
    {
      name: 'Out',
      use: 'exterior',
      type: { name: 'T', layers },
      points: corners('0,0 12000,0 12000,8000 0,8000'),
      closed: true,
      on: 'outside',
      startsAt: { level: '00' },
      stopsAt: { level: 'RF' },
    },
  ],
  [
    'walls.add',
    {
      name: 'In',
      type: 'T',
      points: corners('6000,100 6000,7900'),
      startsAt: { level: '00' },
      stopsAt: { level: 'RF' },
    },
  ],
  ['rooms.add', { level: '00', place: '2000,2000', name: 'Practice' }],
]);
const after = afterFrom(house);
const hung = after('ceilings.add', { heightMm: 2500, thicknessMm: 40 });

/** Level, net m², clear height and what is over each piece. */
function pieces(framework: Framework) {
  const solved = solve(framework);
  const names = new Map(solved.levels.map(({ id, name }) => [id, name]));
  return solved.ceilings.map(({ level, name, profile, clearMm, overMm }) => [
    names.get(level)!,
    name,
    Math.round(solved.profiles[profile]!.areaMm2) / 1e6,
    clearMm,
    overMm,
  ]);
}
const findings = (framework: Framework) => solve(framework).findings.filter(({ rule }) => /eiling/.test(rule));
const fixed = (framework: Framework, nth = 0) => {
  const fix = findings(framework)[0]!.fixes[nth]!;
  return after(fix.command, fix.input, framework);
};

describe('ceilings', () => {
  it('hang in every room of the storeys they serve, with what is clear under and left over them', () => {
    // 3000 − build-up 100 − slab 250 − 2500 − 40 = 110 over it; 5.7 × 7.6 m in each of two rooms; none over the roof.
    const room = 5.7 * 7.6;
    expect(pieces(hung)).toEqual(
      ['00', '00', '01', '01', '02', '02'].map((level) => [level, 'CE1', room, 2500, level === '02' ? 210 : 110]),
    );
    expect(findings(hung)).toEqual([]);
  });

  it('leave a room with a ceiling of its own to that one, carried up with the room', () => {
    const own = after('ceilings.add', { name: 'Wet', rooms: ['00.01'], heightMm: 2300 }, hung);
    expect(pieces(own).filter(([, name]) => name === 'Wet')).toHaveLength(3);
    expect(pieces(own)).toHaveLength(6);
  });

  it('give way to shafts, stairs, voids over them and columns, and never to a shaft that stops under them', () => {
    const room = 5.7 * 7.6;
    const first = (framework: Framework) => Math.round(Number(pieces(framework)[0]![2]) * 1e6) / 1e6;
    const shaft = {
      name: 'S',
      outline: { type: 'rectangle' as const, place: '1000,1000', widthMm: 1000, depthMm: 2000 },
    };
    expect(first(after('shafts.add', shaft, hung))).toBeCloseTo(room - 2, 6);
    const low = { ...shaft, stopsAt: { level: '00', face: 'FFL' as const, offsetMm: 2000 }, opensHead: false };
    expect(first(after('shafts.add', low, hung))).toBeCloseTo(room, 6);
    const hole = { type: 'rectangle' as const, place: '1000,1000', widthMm: 2000, depthMm: 2000 };
    const open = after('floors.except', { floor: 'Plate', level: '01', voids: [hole] }, hung);
    expect(first(open)).toBeCloseTo(room - 4, 6);
    // The storeys over it are alike but for that hole: theirs stay whole.
    const areas = (framework: Framework) => pieces(framework).map(([, , area]) => Math.round(Number(area) * 100) / 100);
    expect(areas(open).filter((area) => area < 43)).toHaveLength(1);
    expect(areas(open)).toHaveLength(areas(hung).length);
    // A shaft that opens the slab it begins on cuts the ceiling under that slab too, and not the one below.
    const above = { ...shaft, startsAt: { level: '02' }, opensFoot: true };
    expect(areas(after('shafts.add', above, hung)).slice(0, 4)).toEqual([room, room, room - 2, room]);
    // So does the hole of a stair that climbs one storey.
    const well = { type: 'rectangle' as const, place: '1000,1000', widthMm: 2700, depthMm: 5600 };
    const climbed = after('stairs.add', { well, startsAt: { level: '01' }, stopsAt: { level: '02' } }, hung);
    const wellM2 = 2.7 * 5.6;
    expect(
      areas(climbed)
        .slice(0, 4)
        .map((area) => Math.round(area * 1000) / 1000),
    ).toEqual([room, room, room - wellM2, room].map((area) => Math.round(area * 1000) / 1000));
    const square = { shape: 'rectangle' as const, widthMm: 500, depthMm: 500 };
    expect(first(after('columns.place', { place: '3000,3000', section: square }, hung))).toBeCloseTo(room - 0.25, 6);
  });

  it('may have an outline of their own, less the walls in it', () => {
    const outline = { type: 'rectangle' as const, place: '4000,2000', widthMm: 4000, depthMm: 3000 };
    const drawn = after('ceilings.add', { name: 'Strip', outline, levels: { at: ['01'] }, heightMm: 2500 });
    // The wall across takes 200 of the 4000.
    expect(pieces(drawn)).toEqual([['01', 'Strip', 11.4, 2500, 100]]);
    const both = after('ceilings.add', { name: 'Strip', outline, levels: { at: ['01'] }, heightMm: 2400 }, hung);
    const at01 = pieces(both).filter(([level]) => level === '01');
    expect(at01.map(([, , area]) => area).reduce((sum: number, area) => sum + Number(area), 0)).toBeCloseTo(
      2 * 5.7 * 7.6,
      6,
    );
  });

  it('differ by level, and follow when levels move', () => {
    const lower = after('ceilings.except', { ceiling: 'CE1', level: '01', heightMm: 2400 }, hung);
    expect(pieces(lower).map(([, , , clear]) => clear)).toEqual([2500, 2500, 2400, 2400, 2500, 2500]);
    const out = after('ceilings.except', { ceiling: 'CE1', level: '01', leftOut: true, upwards: true }, hung);
    expect(pieces(out).map(([level]) => level)).toEqual(['00', '00']);
    const raised = after('levels.setHeight', { level: '00', heightMm: 3600, mode: 'push' }, hung);
    expect(pieces(raised).map(([, , , , over]) => over)).toEqual([710, 710, 110, 110, 210, 210]);
    expect(refusal(hung, 'ceilings.except', { ceiling: 'CE1', level: '01' })).toMatch('Nothing differs there');
  });

  it('go with the last of their rooms, and never to all rooms instead', () => {
    const own = after('ceilings.add', { rooms: ['00.01'] });
    const room = recordsOf(own, 'room')[0]!.id;
    expect(recordsOf(after('elements.remove', { ids: [room] }, own), 'ceiling')).toEqual([]);
  });

  it('lose a level that goes', () => {
    const named = after('ceilings.add', { levels: { at: ['01', '02'] } });
    const gone = after('levels.remove', { level: '01' }, named);
    expect(pieces(gone).map(([level]) => level)).toEqual(['02', '02']);
    expect(recordsOf(after('levels.remove', { level: '02' }, gone), 'ceiling')).toEqual([]);
  });

  it('are carried by storeys and follow a master floor', () => {
    const one = after('ceilings.add', { levels: { at: ['00'] } });
    expect(pieces(after('carry.storeys', { from: '00', to: '01', kinds: ['ceilings'] }, one))).toHaveLength(4);
    const typical = after('typical.follow', { master: '00', levels: ['01'] }, one);
    expect(pieces(typical)).toHaveLength(4);
    const released = after('typical.release', { levels: ['01'] }, typical);
    expect(pieces(released)).toHaveLength(4);
  });
});

it('two ceilings in one room have their tags one under the other', () => {
  const two = after('ceilings.add', { name: 'More', heightMm: 2500 }, hung);
  const solved = solve(two);
  const tags = drawPlan(solved, {
    building: solved.buildings[0]!.id,
    level: solved.levels[0]!.id,
    scale: 100,
    cutAboveMm: 1200,
    writeLength: String,
  }).primitives.flatMap((each) => (each.type === 'text' && each.style === 'ceilingText' ? [each] : []));
  expect(tags.map(({ text }) => text)).toEqual(Array(4).fill('clear 2500'));
  for (const [i, a] of tags.entries())
    for (const b of tags.slice(i + 1))
      expect(Math.abs(a.at.x - b.at.x) > 1000 || Math.abs(a.at.y - b.at.y) >= a.heightMm).toBe(true);
});

describe('walls that stop at the ceiling', () => {
  const top = (framework: Framework) =>
    solve(framework)
      .walls.filter(({ name }) => name === 'In')
      .map(({ topMm }) => topMm);

  it('stop at the one that hangs beside them in every storey, ± a distance, else at the soffit', () => {
    const stopsAt = { level: 'RF', face: 'ceiling' as const, offsetMm: 100 };
    const held = after('walls.change', { wall: 'In', stopsAt }, hung);
    expect(top(held)).toEqual([2600, 5600, 8600]);
    expect(findings(held)).toEqual([]);
    const out = after('ceilings.except', { ceiling: 'CE1', level: '01', leftOut: true }, held);
    expect(top(out)).toEqual([2600, 5650, 8600]);
    const raised = after('ceilings.change', { ceiling: 'CE1', heightMm: 2600 }, held);
    // Never into the slab: its soffit is at 2650.
    expect(top(raised)).toEqual([2650, 5650, 8700]);
  });

  it('are the only things held to a ceiling', () => {
    const stopsAt = { level: 'RF', face: 'ceiling' };
    const outline = { type: 'rectangle' as const, place: '1000,1000', widthMm: 1000, depthMm: 2000 };
    expect(refusal(hung, 'shafts.add', { outline, stopsAt })).toMatch('only the top of a wall is held to a ceiling');
  });
});

describe('findings of ceilings', () => {
  it.each<[string, Framework, RegExp]>([
    ['in the slab', after('ceilings.change', { ceiling: 'CE1', heightMm: 2800 }, hung), /reaches 190 mm into the slab/],
    [
      'in the zones over it',
      after('levels.setBudget', { level: '00', beamMm: 200, servicesMm: 100 }, hung),
      /leaves 110 mm for beams and services, 190 mm under the 300/,
    ],
    [
      'too low',
      after('levels.setBudget', { level: '00', targetMm: 2600 }, hung),
      /leaves 2500 mm clear, 100 mm under the 2600 mm wanted/,
    ],
    ['twice in a room', after('ceilings.add', { name: 'More', heightMm: 2500 }, hung), /hang in one room at level 00/],
    ['nowhere', after('elements.remove', { ids: recordsOf(hung, 'wall').map(({ id }) => id) }, hung), /hangs nowhere/],
    [
      'over a door',
      after(
        'walls.addOpening',
        { wall: 'In', opening: 'door', alongMm: 1000, widthMm: 1000, heightMm: 2700, at: ['00'] },
        hung,
      ),
      /head of door .* is 150 mm over ceiling CE1 at level 00/,
    ],
    [
      'pierced by a wall',
      after('walls.change', { wall: 'In', stopsAt: { level: 'RF', face: 'soffit', offsetMm: -100 } }, hung),
      /goes 150 mm past ceiling CE1 and ends under the slab/,
    ],
  ])('%s, mended by the first fix', (_, framework, message) => {
    const found = findings(framework);
    expect(found.map((each) => each.message).join('\n')).toMatch(message);
    let now = framework;
    for (let i = 0; i < 6 && findings(now).some(({ rule }) => rule === found[0]!.rule); i += 1) now = fixed(now);
    expect(findings(now).filter(({ rule }) => rule === found[0]!.rule)).toEqual([]);
  });
});
