import { CARRY_KINDS, CARRY_WORDS } from '../carrying/carried';
import type { CarryKind } from '../kinds/carry-kinds';
import type { Form } from '../kinds/form';
import { everyFacet } from '../kinds/registry';
import { axisOf, LENGTH, lengthOf, levelOf, placeOf, Unread } from './entry-context';
import { buildingOf, thingsOf } from './entry-parts';

function kindsOf(text: string): CarryKind[] {
  return text.split(/\s*,\s*/).map((part) => {
    const kind = CARRY_KINDS.find((each) => CARRY_WORDS.get(each)!.startsWith(part.trim().toLowerCase()));
    if (!kind) throw new Unread(`"${part}" is not carried. Say one of ${[...CARRY_WORDS.values()].join(', ')}`);
    return kind;
  });
}

/** Every form there is: those of each kind, then those for things of several kinds. The first that matches a line reads it. */
export const FORMS: readonly Form[] = [
  ...everyFacet('forms').flatMap(({ all }) => all),
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
  {
    pattern: 'whole building [HEIGHTS] on POINT SIZE [floors LENGTH] [parapet LENGTH] [in BUILDING]',
    example: 'whole building 8@3.45m on 0,0 18mx42m floors 0.28m',
    title: 'A whole building from an outline: levels, walls to the soffits, floors, a raft and a roof',
    words: 'whole building',
    matches: new RegExp(
      `^whole\\s+building(?:\\s+(?<storeys>.+?))?\\s+on\\s+(?<place>.+?)\\s+(?<w>${LENGTH})\\s*[x×]\\s*(?<d>${LENGTH})(?:\\s+floors\\s+(?<floor>${LENGTH}))?(?:\\s+parapet\\s+(?<parapet>${LENGTH}))?(?:\\s+in\\s+(?<building>.+))?$`,
      'i',
    ),
    read: ({ storeys, place, w, d, floor, parapet, building }, context) => ({
      command: 'carry.wholeBuilding',
      input: {
        building: building ? buildingOf(building, context) : context.building,
        ...(storeys ? { storeys } : {}),
        outline: {
          type: 'rectangle',
          place: placeOf(place!, context),
          widthMm: lengthOf(w!, context),
          depthMm: lengthOf(d!, context),
        },
        ...(floor ? { floorMm: lengthOf(floor, context) } : {}),
        ...(parapet ? { parapetMm: lengthOf(parapet, context) } : {}),
      },
    }),
  },
  {
    pattern: 'core of THINGS [named NAME]',
    example: 'core of S1 named K9',
    title: 'Take walls, shafts and stairs together as one core',
    words: 'core of',
    matches: /^core\s+of\s+(?<things>.+?)(?:\s+named\s+(?<name>\S+))?$/i,
    read: ({ things, name }, context) => ({
      command: 'cores.add',
      input: { ids: thingsOf(things!, context), ...(name ? { name } : {}) },
    }),
  },
];
