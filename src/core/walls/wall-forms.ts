import type { CommandInputs } from '../commands/command-inputs';
import type { Id } from '../model/ids';
import { STARTING_TYPES, USUAL_TYPE } from './wall-type';
import { Unread, levelOf } from '../entry/entry-context';
import { buildingOf } from '../entry/entry-parts';
import { recordsOf } from '../model/framework';
import { parsePath } from '../outlines/typed-path';
import { WALL_USES, type WallUse } from './wall';
import type { EntryContext, Form } from '../kinds/form';

/** The type a wall of a use usually has: as it is in the project, else the starting one. */
function typeOf(use: WallUse, { framework }: EntryContext): CommandInputs['walls.add']['type'] {
  const name = USUAL_TYPE[use];
  const isThere = recordsOf(framework, 'wallType').some((type) => type.name === name);
  return isThere ? name : STARTING_TYPES.find((type) => type.name === name)!;
}

/** The walls two buildings may share: the only closed exterior wall of each. */
function loopOf(building: Id, { framework }: EntryContext): Id {
  const loops = recordsOf(framework, 'wall').filter(
    (wall) =>
      wall.building === building &&
      wall.use === 'exterior' &&
      wall.closed &&
      wall.startsAt.level !== wall.stopsAt.level,
  );
  return loops.length === 1 ? loops[0]!.id : fail();
}

const fail = (): never => {
  throw new Unread('Each building has to have one closed exterior wall. Choose the walls by name');
};

/** Typed lines for walls and party walls. */
export const WALL_FORMS: readonly Form[] = [
  {
    pattern: 'wall LEVEL: PATH [as USE]',
    example: 'wall 01: A-1; 6m e; 4m n as interior',
    title: 'A wall along a path, up to the soffit above',
    words: 'wall',
    matches: new RegExp(
      `^wall\\s+(?<level>[^\\s:]+):\\s*(?<path>.+?)(?:\\s+as\\s+(?<use>${WALL_USES.join('|')}))?$`,
      'i',
    ),
    read: ({ level, path, use }, context) => {
      const typed = parsePath(context.framework, context.building, path!, { unit: context.unit });
      if (!typed.ok) throw new Unread(typed.refusal.message);
      const { place, points, closed } = typed.value;
      const asked = (use?.toLowerCase() ?? 'interior') as WallUse;
      return {
        command: 'walls.add',
        input: {
          building: context.building,
          use: asked,
          type: typeOf(asked, context),
          place,
          points,
          closed,
          on: asked === 'exterior' || asked === 'glazed' ? 'outside' : 'centre',
          startsAt: { level: levelOf(level!, context) },
        },
      };
    },
  },
  {
    pattern: 'party wall between BUILDING and BUILDING',
    example: 'party wall between Hall and Annex',
    title: 'One party wall where the walls of two buildings share a side',
    words: 'party wall',
    matches: /^party\s+wall\s+between\s+(?<a>.+?)\s+and\s+(?<b>.+)$/i,
    read: ({ a, b }, context) => ({
      command: 'walls.makeParty',
      input: { walls: [loopOf(buildingOf(a!, context), context), loopOf(buildingOf(b!, context), context)] },
    }),
  },
];
