import { CARRY_KINDS, CARRY_WORDS } from '../carrying/carried';
import type { CarryKind } from '../kinds/carry-kinds';
import { recordsOf } from '../model/framework';
import { markOf } from '../commands/refer';
import type { Id } from '../model/ids';
import { parsePath } from '../outlines/typed-path';
import { RULE_SETS } from '../stairs/rule-sets';
import { WALL_USES, type WallUse } from '../walls/wall';
import { STARTING_TYPES, USUAL_TYPE } from '../walls/wall-type';
import { LENGTH, axisOf, lengthOf, levelOf, placeOf, Unread, wordOf } from './entry-context';
import type { Form, EntryContext } from '../kinds/form';
import type { CommandInputs } from '../commands/command-inputs';

/** Ids of things by their names or marks, parted by commas: `S1,ST2,A-1`. */
export function thingsOf(text: string, { framework, building }: EntryContext): Id[] {
  const kinds = ['shaft', 'stair', 'wall', 'floorPlate', 'ceiling', 'columnStack'] as const;
  const all = kinds.flatMap((kind) =>
    recordsOf(framework, kind)
      .filter((record) => record.building === building)
      .map((record) => ({
        id: record.id,
        name: record.kind === 'columnStack' ? markOf(framework, record) : record.name,
      })),
  );
  return text.split(',').map((part) => {
    const named = all.filter(({ name }) => name.toLowerCase() === part.trim().toLowerCase());
    if (named.length !== 1) throw new Unread(`There is no one thing named ${part.trim()}`);
    return named[0]!.id;
  });
}

/** The type a wall of a use usually has: as it is in the project, else the starting one. */
function typeOf(use: WallUse, { framework }: EntryContext): CommandInputs['walls.add']['type'] {
  const name = USUAL_TYPE[use];
  const isThere = recordsOf(framework, 'wallType').some((type) => type.name === name);
  return isThere ? name : STARTING_TYPES.find((type) => type.name === name)!;
}

function kindsOf(text: string): CarryKind[] {
  return text.split(/\s*,\s*/).map((part) => {
    const kind = CARRY_KINDS.find((each) => CARRY_WORDS.get(each)!.startsWith(part.trim().toLowerCase()));
    if (!kind) throw new Unread(`"${part}" is not carried. Say one of ${[...CARRY_WORDS.values()].join(', ')}`);
    return kind;
  });
}

/** Typed commands for stairs, walls, carrying, copying and mirroring. */
export const CARRYING_FORMS: readonly Form[] = [
  {
    pattern: 'stair POINT SIZE [RULES] [from LEVEL] [to LEVEL]',
    example: 'stair B-2 + 600,600 2600x5600 private from 00 to 03',
    title: 'A half-turn stair in a well, from its lower left corner',
    words: 'stair',
    matches: new RegExp(
      `^stair\\s+(?<place>.+?)\\s+(?<w>${LENGTH})\\s*[x×]\\s*(?<d>${LENGTH})(?:\\s+(?<rules>${RULE_SETS.join('|')}))?(?:\\s+from\\s+(?<from>\\S+))?(?:\\s+to\\s+(?<to>\\S+))?$`,
      'i',
    ),
    read: ({ place, w, d, rules, from, to }, context) => ({
      command: 'stairs.add',
      input: {
        building: context.building,
        well: {
          type: 'rectangle',
          place: placeOf(place!, context),
          widthMm: lengthOf(w!, context),
          depthMm: lengthOf(d!, context),
        },
        ...(rules ? { rules: wordOf(rules, RULE_SETS) } : {}),
        ...(from ? { startsAt: { level: levelOf(from, context) } } : {}),
        ...(to ? { stopsAt: { level: levelOf(to, context) } } : {}),
      },
    }),
  },
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
    pattern: 'carry storey LEVEL to LEVEL [only KINDS]',
    example: 'carry storey 01 to 03 only interior walls',
    title: 'Carry what stands in a storey up or down to another',
    words: 'carry storey',
    matches: /^carry\s+storey\s+(?<from>\S+)\s+to\s+(?<to>\S+)(?:\s+only\s+(?<kinds>.+))?$/i,
    read: ({ from, to, kinds }, context) => ({
      command: 'carry.storeys',
      input: {
        from: levelOf(from!, context),
        to: levelOf(to!, context),
        ...(kinds ? { kinds: kindsOf(kinds) } : {}),
      },
    }),
  },
  {
    pattern: 'carry THINGS [from LEVEL] to LEVEL',
    example: 'carry A-1,B-2 to 02',
    title: 'Say up to which storey things stand, and from which',
    words: 'carry',
    matches: /^carry\s+(?!storey\b)(?<things>.+?)(?:\s+from\s+(?<from>\S+))?\s+to\s+(?<to>\S+)$/i,
    read: ({ things, from, to }, context) => ({
      command: 'carry.to',
      input: {
        ids: thingsOf(things!, context),
        topmost: levelOf(to!, context),
        ...(from ? { lowest: levelOf(from, context) } : {}),
      },
    }),
  },
  {
    pattern: 'copy THINGS by EAST,NORTH [N times]',
    example: 'copy A-1 by 1200,900',
    title: 'Copy things by an exact distance, once or in a row',
    words: 'copy',
    matches: /^copy\s+(?<things>.+?)\s+by\s+(?<x>[^,]+),(?<y>.+?)(?:\s+(?<n>\d+)\s+times)?$/i,
    read: ({ things, x, y, n }, context) => ({
      command: 'elements.copy',
      input: {
        ids: thingsOf(things!, context),
        by: [{ xMm: lengthOf(x!, context), yMm: lengthOf(y!, context) }],
        ...(n ? { count: Number(n) } : {}),
      },
    }),
  },
  {
    pattern: 'mirror THINGS in LINE',
    example: 'mirror A-1 in 3',
    title: 'Mirror things in a line, as copies',
    words: 'mirror',
    matches: /^mirror\s+(?<things>.+?)\s+in\s+(?<line>\S+)$/i,
    read: ({ things, line }, context) => ({
      command: 'elements.mirror',
      input: { ids: thingsOf(things!, context), line: axisOf(line!, context) },
    }),
  },
];
