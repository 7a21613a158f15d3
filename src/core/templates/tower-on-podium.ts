import type { Sent } from '../commands/command-inputs';
import {
  BAY,
  LETTERS,
  STOREY,
  alongSide,
  basements,
  ends,
  levelNames,
  levels,
  opening,
  parapet,
  ring,
  room,
  typeFor,
  wall,
  windowFor,
  type WindowSize,
} from './parts';
import type { Template, TemplateSite } from './template';

/** Within the core: a stair, a lobby, two lifts and two risers, side by side. */
const CORE = { wide: 7200, deep: 7200 };
const STAIR_WIDE = 2700;
const LOBBY = { from: 2950, to: 4750 };
const LIFTS_FROM = 5000;
/** The core keeps so much clear of the facade. */
const ROUND_CORE_MM = 3000;
/** From a grid line to the inner face of the facade: columns of 500 stand free of it. */
const PAST_GRID_MM = 300;

/** The core at a place: its walls, doors, lifts, risers and stair. */
function core(site: TemplateSite, x: number, y: number, lowest: string, roof: string): Sent[] {
  const { thickMm } = typeFor('core', site.system);
  const { building } = site;
  const divider = (name: string, face: number) =>
    wall(
      site,
      name,
      'core',
      [
        { xMm: x + face + thickMm / 2, yMm: y },
        { xMm: x + face + thickMm / 2, yMm: y + CORE.deep },
      ],
      lowest,
      roof,
      { passesClearMm: 0 },
    );
  const shaft = (name: string, purpose: 'lift' | 'supply' | 'electrical', yMm: number, depthMm: number): Sent => ({
    command: 'shafts.add',
    input: {
      building,
      name,
      purpose,
      outline: {
        type: 'rectangle',
        place: { lines: null, xMm: x + LIFTS_FROM, yMm: y + yMm },
        widthMm: CORE.wide - LIFTS_FROM,
        depthMm,
      },
    },
  });
  return [
    wall(site, 'Core', 'core', ring(x, y, CORE.wide, CORE.deep), lowest, roof, {
      closed: true,
      on: 'inside',
      passesClearMm: 0,
    }),
    divider('Core stair', STAIR_WIDE),
    divider('Core lifts', LIFTS_FROM - thickMm),
    opening('Core', 'door', 900, { widthMm: 1000, opens: 'outwards' }),
    opening('Core', 'plain', LOBBY.from + 300, { widthMm: 1200 }),
    opening('Core', 'plain', alongSide(CORE.wide, CORE.deep, 'north', (LOBBY.from + LOBBY.to) / 2, 1200), {
      widthMm: 1200,
    }),
    opening('Core lifts', 'plain', 550, { widthMm: 1100 }),
    opening('Core lifts', 'plain', 3050, { widthMm: 1100 }),
    shaft('L1', 'lift', 0, 2200),
    shaft('L2', 'lift', 2500, 2200),
    shaft('Su', 'supply', 5000, 900),
    shaft('El', 'electrical', 6200, 1000),
    {
      command: 'stairs.add',
      input: {
        building,
        name: 'ST1',
        well: {
          type: 'rectangle',
          place: { lines: null, xMm: x, yMm: y },
          widthMm: STAIR_WIDE,
          depthMm: CORE.deep,
        },
      },
    },
    {
      command: 'cores.add',
      input: { name: 'K1', ids: ['Core', 'Core stair', 'Core lifts', 'ST1', 'L1', 'L2'] },
    },
  ];
}

/** Columns at every crossing that the core leaves free; those of the outer lines end under the podium's roof. */
function columns(
  { building }: TemplateSite,
  x: readonly number[],
  y: readonly number[],
  coreAt: { x: number; y: number },
  podiumRoof: string,
): Sent[] {
  const inCore = (px: number, py: number) =>
    px > coreAt.x - 700 && px < coreAt.x + CORE.wide + 700 && py > coreAt.y - 700 && py < coreAt.y + CORE.deep + 700;
  const section = { shape: 'rectangle', widthMm: 500, depthMm: 500 } as const;
  return x.flatMap((px, i): Sent[] => {
    const rows = y.flatMap((py, j) =>
      inCore(px, py) ? [] : [{ letter: LETTERS[j]!, isOuter: j === 0 || j === y.length - 1 }],
    );
    const isOuterLine = i === 0 || i === x.length - 1;
    const through = isOuterLine ? [] : rows.filter(({ isOuter }) => !isOuter);
    const low = rows.filter((row) => !through.includes(row));
    const put = (some: typeof rows, stops: boolean): Sent[] =>
      some.length === 0
        ? []
        : [
            {
              command: 'columns.placeAtCrossings',
              input: {
                building,
                lines: [String(i + 1), ...some.map(({ letter }) => letter)],
                section,
                ...(stops ? { stopsAt: { level: podiumRoof, face: 'soffit' as const } } : {}),
              },
            },
          ];
    return [...put(through, false), ...put(low, true)];
  });
}

/** Windows of one facade, one in every bay of its four sides. */
function windows(
  name: string,
  origin: { x: number; y: number; w: number; d: number },
  x: readonly number[],
  y: readonly number[],
  size: { heightMm: number; sillMm: number },
  at: string[],
): Sent[] {
  const inBays = (lines: readonly number[], from: number) =>
    lines
      .slice(1)
      .map((end, i) => ({ middle: (end + lines[i]!) / 2 - from, wide: Math.round((end - lines[i]!) * 0.55) }));
  const across = inBays(x, origin.x);
  const up = inBays(y, origin.y);
  return (['south', 'east', 'north', 'west'] as const).flatMap((side) =>
    (side === 'south' || side === 'north' ? across : up).map(({ middle, wide }) =>
      opening(name, 'window', alongSide(origin.w, origin.d, side, middle, wide), { widthMm: wide, ...size, at }),
    ),
  );
}

/** A tower that stands a bay back on a podium: grid, columns, core, plates, facades with their windows, a raft. */
export const TOWER_ON_PODIUM: Template = {
  key: 'tower-on-podium',
  title: 'Tower on a podium',
  about: 'Grid, columns and a core with stair, lifts and risers; the tower stands one bay back on all sides.',
  numbers: [
    {
      key: 'across',
      label: 'Bays across',
      ...BAY,
      least: 4,
      most: 16,
      begins: { metric: '6@7200', imperial: "6@24'" },
    },
    { key: 'deep', label: 'Bays deep', ...BAY, least: 4, most: 12, begins: { metric: '4@7800', imperial: "4@26'" } },
    {
      key: 'podium',
      label: 'Podium storeys',
      ...STOREY,
      most: 10,
      begins: { metric: '5.4m 4.8m', imperial: "18' 16'" },
    },
    { key: 'tower', label: 'Tower storeys', ...STOREY, begins: { metric: '12@3.4m', imperial: "12@11'" } },
    basements('3.9m 3.6m', "13' 12'"),
  ],
  steps: ({ list }, site) => {
    const { building } = site;
    const [x, y] = [ends(list('across')), ends(list('deep'))];
    const [podium, tower, below] = [list('podium'), list('tower'), list('basements')];
    const inner = { x: x.slice(1, -1), y: y.slice(1, -1) };
    const facade = typeFor('exterior', site.system).thickMm + PAST_GRID_MM;
    const round = (xs: readonly number[], ys: readonly number[]) => ({
      x: xs[0]! - facade,
      y: ys[0]! - facade,
      w: xs.at(-1)! - xs[0]! + 2 * facade,
      d: ys.at(-1)! - ys[0]! + 2 * facade,
    });
    const [low, high] = [round(x, y), round(inner.x, inner.y)];
    const coreThick = typeFor('core', site.system).thickMm;
    const asked = { across: CORE.wide, deep: CORE.deep };
    for (const [key, lines] of [
      ['across', inner.x],
      ['deep', inner.y],
    ] as const) {
      const needed = asked[key] + 2 * (coreThick + ROUND_CORE_MM);
      const has = lines.at(-1)! - lines[0]!;
      if (has < needed) {
        return {
          refused: `The tower is these bays without the first and the last: ${has / 1000} m. Its core asks for ${needed / 1000} m`,
          at: key,
        };
      }
    }
    const { above, lowest, roof } = levelNames(podium.length + tower.length, below.length);
    const podiumRoof = above[podium.length]!;
    const coreAt = { x: high.x + (high.w - CORE.wide) / 2, y: high.y + (high.d - CORE.deep) / 2 };
    const plate = (name: string, on: string, range: [string, string]): Sent => ({
      command: 'floors.add',
      input: {
        building,
        name,
        outline: { type: 'walls', walls: [on], face: 'coreOutside' },
        thicknessMm: 280,
        levels: { range },
      },
    });
    const doorWide = 2000;
    const entrance = alongSide(low.w, low.d, 'south', x[1]! - low.x + (x[2]! - x[1]!) / 2, doorWide);
    // Another way out lies in the last bay but one of the other side.
    const behindMiddle = (x.at(-2)! + x.at(-3)!) / 2 - low.x;
    const behind = alongSide(low.w, low.d, 'north', behindMiddle, doorWide);
    const clearOf = (sent: Sent): Sent[] => {
      const { at, alongMm, ...size } = sent.input as { alongMm: number; widthMm: number; at: string[] } & WindowSize;
      if (alongMm + size.widthMm < behind - 1 || alongMm > behind + doorWide + 1) return [sent];
      const rest = at.filter((level) => level !== '00');
      return rest.length === 0 ? [] : [opening('Podium wall', 'window', alongMm, { ...size, at: rest })];
    };
    return [
      levels(site, [...podium, ...tower], below),
      { command: 'grids.add', input: { building, baysA: [...list('across')], baysB: [...list('deep')] } },
      ...columns(site, x, y, coreAt, podiumRoof),
      wall(site, 'Podium wall', 'exterior', ring(low.x, low.y, low.w, low.d), lowest, podiumRoof, {
        closed: true,
        on: 'outside',
      }),
      wall(site, 'Tower wall', 'exterior', ring(high.x, high.y, high.w, high.d), podiumRoof, roof, {
        closed: true,
        on: 'outside',
      }),
      plate('Podium', 'Podium wall', [lowest, podiumRoof]),
      plate('Tower', 'Tower wall', [above[podium.length + 1] ?? roof, roof]),
      parapet(site, 'Podium parapet', low, podiumRoof, 1100),
      parapet(site, 'Tower parapet', high, roof, 1100),
      ...core(site, coreAt.x, coreAt.y, lowest, roof),
      ...windows('Tower wall', high, inner.x, inner.y, windowFor(Math.min(...tower)), above.slice(podium.length)),
      ...windows('Podium wall', low, x, y, windowFor(Math.min(...podium)), above.slice(0, podium.length))
        .filter((_, i) => i !== 1)
        .flatMap(clearOf),
      // Over the way in there are windows like the others.
      ...(podium.length > 1
        ? windows('Podium wall', low, x, y, windowFor(Math.min(...podium)), above.slice(1, podium.length)).slice(1, 2)
        : []),
      opening('Podium wall', 'door', entrance, {
        widthMm: doorWide,
        heightMm: 2300,
        leaves: 2,
        opens: 'outwards',
        at: ['00'],
      }),
      opening('Podium wall', 'door', behind, {
        widthMm: doorWide,
        heightMm: 2300,
        leaves: 2,
        opens: 'outwards',
        at: ['00'],
      }),
      { command: 'foundations.add', input: { building, form: 'raft' } },
      room(site, above[0]!, 'Hall', 'circulation', x[1]!, coreAt.y - 1500),
      room(site, podiumRoof, 'Tower floor', 'office', coreAt.x - 1500, coreAt.y),
    ];
  },
};
