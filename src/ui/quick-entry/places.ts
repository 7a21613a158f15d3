import { STEPS } from '@/core/kinds/steps';
import { toolsAt } from '../kinds/registry';
import { TABS, type Project } from '../session/project';

/** Somewhere to go: a tool, a view, help. */
export interface Place {
  words: string;
  go: (project: Project) => void;
}

const STEP_WORDS: Record<(typeof STEPS)[number], string> = {
  levels: 'Levels',
  grids: 'Grids',
  columns: 'Columns',
  shafts: 'Shafts',
  stairs: 'Stairs',
  floors: 'Floors & roof',
  walls: 'Walls',
};

/** Words of the trade that a tool is found by, beside its own. */
const ALSO: Readonly<Record<string, string>> = {
  levels: 'storey storeys height ffl ssl build-up elevation floor-to-floor basement typical mezzanine datum',
  grids: 'axis axes bay bays line lines label setting-out radial',
  columns: 'pillar post stack steel section',
  shafts: 'lift elevator riser duct void atrium opening hole',
  stairs: 'staircase flight steps landing spiral winder tapered quarter-turn half-turn straight circular',
  ramps: 'ramp slope incline helical circular switchback landing',
  guards: 'guard railing handrail balustrade parapet edge drop post',
  'sloped-floors': 'apron warped threshold fall slope',
  floors: 'slab plate deck zone setback terrace void',
  roof: 'roof parapet flat',
  falls: 'fall slope drainage outlet gutter rainwater terrace upstand kerb screed',
  dormers: 'dormer window skylight roof-window attic',
  'pitched-roofs': 'roof pitched gable hip ridge eaves overhang slope valley mansard saddle attic',
  foundations: 'raft pad strip footing base',
  beams: 'beam downstand lintel',
  walls: 'partition facade glazed curtain core exterior mullion panel party',
  openings: 'door doors window windows opening hole leaf',
  rooms: 'room area space boundary use',
  ceilings: 'ceiling suspended clear',
};

const VIEW_ALSO: Readonly<Record<string, string>> = {
  plan: 'drawing floor',
  section: 'elevation cut facade',
  model: '3d space model perspective',
  board: 'carry copy storeys up',
  schedules: 'table list quantities areas numbers',
};

/** What is looked for and is not there, with what there is instead. */
const NOT_THERE: readonly (readonly [words: string, says: string])[] = [
  ['transom', 'Transoms are not there yet. A glazed wall has panels and members, in Details'],
  ['furniture equipment sanitary', 'Furniture is not part of a framework'],
  ['reinforcement rebar load', 'Loads and reinforcement are the engineer’s: hand over IFC or DXF'],
  ['revision issue transmittal', 'Revisions come with coordination. Hand over has the files of today'],
  ['render rendering material', 'There is no rendering. 3D shows what stands, in colours of its kind'],
];

const begins = (words: string, typed: string): boolean =>
  words
    .toLowerCase()
    .split(/[\s,&]+/)
    .some((word) => word.startsWith(typed) || (typed.endsWith('s') && word === typed.slice(0, -1)));

/** Tools, views and pages found by what is typed: every word of it begins one of theirs. */
export function placesFor(line: string): Place[] {
  const typed = line.toLowerCase().trim().split(/\s+/).filter(Boolean);
  if (typed.length === 0) return [];
  const fits = (words: string) => typed.every((word) => begins(words, word));
  const tools = STEPS.flatMap((step) =>
    toolsAt(step)
      .filter(({ way, words }) => fits(`${words} ${ALSO[way] ?? ''}`))
      .map(({ way, words }): Place => ({
        words: words === STEP_WORDS[step] ? words : `${words}, at ${STEP_WORDS[step]}`,
        go: ({ set, ways }) => set({ step, ways: { ...ways, [step]: way }, busy: null, act: null, ghost: null }),
      })),
  );
  const views = TABS.filter(([key, words]) => fits(`${words} ${VIEW_ALSO[key] ?? ''}`)).map(([key, words]): Place => ({
    words: `${words}, a view`,
    go: ({ set }) => set({ tab: key }),
  }));
  const others: Place[] = [
    ...(fits('checks findings errors problems clashes') ? [stepPlace('checks', 'Checks')] : []),
    ...(fits('hand over export import ifc dxf pdf csv print download file') ? [stepPlace('issue', 'Hand over')] : []),
    ...(fits('help keys shortcuts manual how')
      ? [{ words: 'Help and keys', go: ({ set }: Project) => set({ isHelpOpen: true }) }]
      : []),
  ];
  return [...tools, ...views, ...others];
}

const stepPlace = (step: 'checks' | 'issue', words: string): Place => ({
  words,
  go: ({ set }) => set({ step, busy: null, act: null, ghost: null }),
});

/** Why nothing is found for a word of the trade, and what there is instead; null where it is not known. */
export function saysNotThere(line: string): string | null {
  const typed = line
    .toLowerCase()
    .trim()
    .split(/\s+/)
    .filter((word) => word.length > 2);
  return NOT_THERE.find(([words]) => typed.some((word) => begins(words, word)))?.[1] ?? null;
}
