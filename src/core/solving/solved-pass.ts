import { ceilingsPass } from '../ceilings/at-roof-passes';
import { walls } from '../ceilings/ceiling-passes';
import { CHECKS } from '../checks/check-passes';
import type { Finding } from '../checks/finding';
import { footingFindingsPass } from '../checks/footing-passes';
import { gapFindingsPass } from '../checks/gap-passes';
import { hangingFindingsPass } from '../checks/hanging-passes';
import { blocksPass, columnsPass, stackFindingsPass } from '../columns/column-passes';
import { escapeFindingsPass, waysOutPass } from '../escape/escape-passes';
import { floorFindingsPass, floorsPass } from '../floors/cut-floor-passes';
import { foundationFindingsPass, foundationsPass } from '../foundations/foundation-passes';
import { bodiesPass } from '../bodies/body-passes';
import { assembliesPass } from '../slants/assembly-passes';
import { everyFacet } from '../kinds/registry';
import { budgetsPass } from '../levels/budget-passes';
import { recordOf, recordsOf } from '../model/framework';
import { together } from '../passes/together';
import { definePass, type Context, type Pass } from '../passes/pass';
import { betweenFindingsPass } from '../space/between-passes';
import { ownedPass, spaceFindingsPass } from '../space/space-passes';
import { boundaryLinesPass, roomsPass } from '../rooms/room-passes';
import { liftFindingsPass } from '../shafts/lift-passes';
import { shaftFindingsPass, shaftsPass } from '../shafts/shaft-passes';
import { finishedStairsPass, headroomFindingsPass } from '../stairs/headroom-passes';
import { stairFindingsPass } from '../stairs/stair-passes';
import type { WallPiece } from '../walls/solved-wall';
import { partyPass } from '../walls/walls-standing';
import { buildingsPass, levelRowsPass, surveyPass } from './building-passes';
import { gridsPass } from './grid-passes';
import type { Solved, SolvedMark } from './solved';

const marksPass = definePass({
  name: 'marks in views',
  scope: 'project',
  run: ({ framework }): SolvedMark[] =>
    recordsOf(framework, 'viewMark').map(({ building, view, of, end, shown, placed, gap }) => ({
      building,
      view,
      of,
      end,
      shown,
      placed,
      gap,
    })),
});

/** Of all buildings, one after the other; what fails in one of them is left out there. */
function ofAll<T>(name: string, of: (cx: Context, building: string) => readonly T[]): Pass<T[]> {
  const ofOne = definePass<readonly T[]>({
    name: `${name} of a building`,
    scope: 'building',
    gathers: true,
    run: of,
    failing: (cx, building) => ({
      what: `The ${name} of building ${recordOf(cx.framework, 'building', building)?.name ?? ''}`,
      building,
      about: [building],
      value: [],
    }),
  });
  return definePass({
    name: `${name} of the project`,
    scope: 'project',
    gathers: true,
    run: (cx): T[] => {
      const lists = cx.get(buildingsPass, '').map(({ id }) => cx.get(ofOne, id));
      // One list is all there is: the same object, not a copy.
      return lists.length === 1 ? (lists[0] as T[]) : together(lists);
    },
  });
}

const ownColumns = ownedPass('columns', columnsPass);
const ownBlocks = ownedPass('heads and thickenings', blocksPass);
const ownFloors = ownedPass('floors', floorsPass);
const ownWalls = ownedPass('walls', walls.pieces);
const ownFoundations = ownedPass('foundations', foundationsPass);
const ownCeilings = ownedPass('ceilings', ceilingsPass);
const ownBodies = ownedPass('bodies', bodiesPass);

/** Its own walls, and those it has of other buildings. */
function ownAndShared(cx: Context, building: string): { own: readonly WallPiece[]; shared: readonly WallPiece[] } {
  const pieces = cx.get(ownWalls, building);
  const party = new Set(cx.get(partyPass, building).map(({ id }) => id));
  if (party.size === 0) return { own: pieces, shared: [] };
  return { own: pieces.filter(({ wall }) => !party.has(wall)), shared: pieces.filter(({ wall }) => party.has(wall)) };
}

const LISTS = {
  levels: ofAll('levels', (cx, building) => cx.get(levelRowsPass, building)),
  blocks: ofAll('heads and thickenings', (cx, building) => cx.get(ownBlocks, building)),
  columns: ofAll('columns', (cx, building) => cx.get(ownColumns, building)),
  floors: ofAll('floors', (cx, building) => cx.get(ownFloors, building)),
  shafts: ofAll('shafts', (cx, building) => cx.get(shaftsPass, building)),
  stairs: ofAll('stairs', (cx, building) => cx.get(finishedStairsPass, building)),
  walls: ofAll('walls', (cx, building) => ownAndShared(cx, building).own),
  sharedWalls: ofAll('party walls', (cx, building) => ownAndShared(cx, building).shared),
  foundations: ofAll('foundations', (cx, building) => cx.get(ownFoundations, building)),
  rooms: ofAll('rooms', (cx, building) => cx.get(roomsPass, building).regions),
  boundaries: ofAll('boundary lines', (cx, building) => cx.get(boundaryLinesPass, building)),
  ceilings: ofAll('ceilings', (cx, building) => cx.get(ownCeilings, building)),
  bodies: ofAll('bodies', (cx, building) => cx.get(ownBodies, building)),
  assemblies: ofAll('assemblies', (cx, building) => cx.get(assembliesPass, building)),
  waysOut: ofAll('ways out', (cx, building) => cx.get(waysOutPass, building)),
  budgets: ofAll('height budgets', (cx, building) => cx.get(budgetsPass, building)),
} satisfies Partial<{ [K in keyof Solved]: Pass<Solved[K]> }>;

const buildingFindings = ofAll('findings', (cx, building): readonly Finding[] => [
  ...cx.get(shaftFindingsPass, building),
  ...cx.get(liftFindingsPass, building),
  ...cx.get(stairFindingsPass, building),
  ...cx.get(stackFindingsPass, building),
  ...cx.get(floorFindingsPass, building),
  ...cx.get(roomsPass, building).findings,
  ...cx.get(walls.findings, building),
  ...cx.get(headroomFindingsPass, building),
  ...cx.get(escapeFindingsPass, building),
  ...cx.get(foundationFindingsPass, building),
  ...everyFacet('bodies').flatMap(({ findings }) => cx.get(findings, building)),
  ...everyFacet('assemblies').flatMap(({ findings }) => cx.get(findings, building)),
  ...cx.get(spaceFindingsPass, building),
  ...cx.get(betweenFindingsPass, building),
  ...cx.get(footingFindingsPass, building),
  ...cx.get(hangingFindingsPass, building),
  ...cx.get(gapFindingsPass, building),
  ...CHECKS.flatMap((check) => cx.get(check, building)),
]);

/** Everything but the profiles and the findings of passes that failed. */
export const solvedPass = definePass({
  name: 'everything',
  scope: 'project',
  gathers: true,
  run: (cx): Omit<Solved, 'profiles'> => {
    const { findings, ...grids } = cx.get(gridsPass, '');
    const list = <K extends keyof typeof LISTS>(name: K) => cx.get(LISTS[name] as Pass<Solved[K]>, '');
    return {
      survey: cx.get(surveyPass, ''),
      buildings: cx.get(buildingsPass, ''),
      levels: list('levels'),
      ...grids,
      blocks: list('blocks'),
      marks: cx.get(marksPass, ''),
      columns: list('columns'),
      floors: list('floors'),
      shafts: list('shafts'),
      stairs: list('stairs'),
      walls: list('walls'),
      sharedWalls: list('sharedWalls'),
      foundations: list('foundations'),
      rooms: list('rooms'),
      boundaries: list('boundaries'),
      ceilings: list('ceilings'),
      bodies: list('bodies'),
      assemblies: list('assemblies'),
      budgets: list('budgets'),
      waysOut: list('waysOut'),
      findings: [...findings, ...cx.get(buildingFindings, '')],
    };
  },
});
