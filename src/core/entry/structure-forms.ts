import { recordsOf } from '../model/framework';
import type { Id } from '../model/ids';
import { parsePath } from '../outlines/typed-path';
import { SHAFT_PURPOSES } from '../shafts/shaft';
import { thingsOf } from './carrying-forms';
import { LENGTH, lengthOf, levelOf, placeOf, Unread, wordOf } from './entry-context';
import type { Form, EntryContext } from '../kinds/form';
import type { CommandInputs } from '../commands/command-inputs';

/** A closed path as an outline. */
function outlineOf(text: string, { framework, building, unit }: EntryContext): CommandInputs['shafts.add']['outline'] {
  const typed = parsePath(framework, building, text, { unit });
  if (!typed.ok) throw new Unread(typed.refusal.message);
  const { place, points } = typed.value;
  return { type: 'polygon', place, points };
}

/** A building by its name. */
function buildingOf(name: string, { framework }: EntryContext): Id {
  const found = recordsOf(framework, 'building').find((each) => each.name.toLowerCase() === name.trim().toLowerCase());
  return found?.id ?? fail(`There is no building named ${name.trim()}`);
}

function fail(words: string): never {
  throw new Unread(words);
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
  return loops.length === 1
    ? loops[0]!.id
    : fail('Each building has to have one closed exterior wall. Choose the walls by name');
}

/**
 * Typed commands for whole buildings, roofs, foundations, cores, typical floors, voids, zones, ceilings and
 * column heads.
 */
export const STRUCTURE_FORMS: readonly Form[] = [
  {
    pattern: 'building NAME [at EAST,NORTH] [zero LENGTH]',
    example: 'building East at 12m,0 zero 600',
    title: 'Another building, with its place and the height of its zero',
    words: 'building',
    matches: /^building\s+(?<name>.+?)(?:\s+at\s+(?<x>[^,]+),(?<y>\S+))?(?:\s+zero\s+(?<zero>.+))?$/i,
    read: ({ name, x, y, zero }, context) => ({
      command: 'buildings.add',
      input: {
        name: name!.trim(),
        ...(x ? { xMm: lengthOf(x, context), yMm: lengthOf(y!, context) } : {}),
        ...(zero ? { zeroMm: lengthOf(zero, context) } : {}),
      },
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
  {
    pattern: 'flat roof [at LEVEL] [LENGTH thick] [parapet LENGTH] [in BUILDING]',
    example: 'flat roof at RF 300 thick parapet 900',
    title: 'A flat roof with a parapet on the exterior walls that reach a level',
    words: 'flat roof',
    matches: new RegExp(
      `^flat\\s+roof(?:\\s+at\\s+(?<level>\\S+))?(?:\\s+(?<t>${LENGTH})\\s+thick)?(?:\\s+parapet\\s+(?<h>${LENGTH}))?(?:\\s+in\\s+(?<building>.+))?$`,
      'i',
    ),
    read: ({ level, t, h, building }, context) => ({
      command: 'roofs.addFlat',
      input: {
        building: building ? buildingOf(building, context) : context.building,
        ...(level ? { level: levelOf(level, context) } : {}),
        ...(t ? { thicknessMm: lengthOf(t, context) } : {}),
        ...(h ? { parapet: { heightMm: lengthOf(h, context) } } : {}),
      },
    }),
  },
  {
    pattern: 'raft [LENGTH thick]',
    example: 'raft 800 thick',
    title: 'A raft under the lowest floor',
    words: 'raft',
    matches: new RegExp(`^raft(?:\\s+(?<t>${LENGTH})\\s+thick)?$`, 'i'),
    read: ({ t }, context) => ({
      command: 'foundations.add',
      input: { building: context.building, form: 'raft', ...(t ? { thicknessMm: lengthOf(t, context) } : {}) },
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
  {
    pattern: 'typical LEVEL,LEVEL as LEVEL',
    example: 'typical 02,03 as 01',
    title: 'Let levels follow one master: typical floors',
    words: 'typical',
    matches: /^typical\s+(?<levels>.+?)\s+as\s+(?<master>\S+)$/i,
    read: ({ levels, master }, context) => ({
      command: 'typical.follow',
      input: {
        master: levelOf(master!, context),
        levels: levels!.split(',').map((name) => levelOf(name.trim(), context)),
      },
    }),
  },
  {
    pattern: 'void FLOOR at LEVEL: PATH',
    example: 'void Plate at 01: A-1 + 9m,9m; 4m e; 2m n; 2m w; 2m n; 2m w',
    title: 'A void in a floor at one level, corner by corner',
    words: 'void',
    matches: /^void\s+(?<floor>.+?)\s+at\s+(?<level>[^\s:]+)\s*:\s*(?<path>.+)$/i,
    read: ({ floor, level, path }, context) => ({
      command: 'floors.except',
      input: {
        floor: thingsOf(floor!, context)[0]!,
        level: levelOf(level!, context),
        voids: [outlineOf(path!, context)],
      },
    }),
  },
  {
    pattern: 'zone FLOOR LENGTH at LEVEL: PATH',
    example: 'zone Plate -60 at 01: A-1 + 1m,1m; 3m e; 2m n; 3m w',
    title: 'A part of a floor at another height on one level, corner by corner',
    words: 'zone',
    matches: /^zone\s+(?<floor>.+?)\s+(?<shift>[+-]?\S+)\s+at\s+(?<level>[^\s:]+)\s*:\s*(?<path>.+)$/i,
    read: ({ floor, shift, level, path }, context) => ({
      command: 'floors.setZone',
      input: {
        floor: thingsOf(floor!, context)[0]!,
        levels: [levelOf(level!, context)],
        outline: outlineOf(path!, context),
        shiftMm: lengthOf(shift!, context),
      },
    }),
  },
  {
    pattern: 'ceiling LENGTH clear [in ROOMS] [LENGTH thick]',
    example: 'ceiling 2.6m clear',
    title: 'A ceiling in all rooms, or in those of some numbers',
    words: 'ceiling',
    matches: new RegExp(
      `^ceiling\\s+(?<clear>${LENGTH})\\s+clear(?:\\s+in\\s+(?<rooms>\\S+(?:\\s*,\\s*\\S+)*?))?(?:\\s+(?<t>${LENGTH})\\s+thick)?$`,
      'i',
    ),
    read: ({ clear, rooms, t }, context) => ({
      command: 'ceilings.add',
      input: {
        building: context.building,
        heightMm: lengthOf(clear!, context),
        ...(rooms ? { rooms: rooms.split(',').map((number) => number.trim()) } : {}),
        ...(t ? { thicknessMm: lengthOf(t, context) } : {}),
      },
    }),
  },
  {
    pattern: 'shaft along PATH [as PURPOSE]',
    example: 'shaft along A-1 + 9m,9m; 3m e; 2m n; 3m w as stair',
    title: 'A shaft of any outline, corner by corner',
    words: 'shaft along',
    matches: new RegExp(`^shaft\\s+along\\s+(?<path>.+?)(?:\\s+as\\s+(?<purpose>${SHAFT_PURPOSES.join('|')}))?$`, 'i'),
    read: ({ path, purpose }, context) => ({
      command: 'shafts.add',
      input: {
        building: context.building,
        outline: outlineOf(path!, context),
        ...(purpose ? { purpose: wordOf(purpose, SHAFT_PURPOSES) } : {}),
      },
    }),
  },
  {
    pattern: 'column heads SIZE LENGTH deep [on THINGS]',
    example: 'column heads 1200x1200 400 deep',
    title: 'Heads on columns, under the slabs of all levels but the top',
    words: 'column heads',
    matches: new RegExp(
      `^column\\s+heads\\s+(?<w>${LENGTH})\\s*[x×]\\s*(?<d>${LENGTH})\\s+(?<h>${LENGTH})\\s+deep(?:\\s+on\\s+(?<things>.+))?$`,
      'i',
    ),
    read: ({ w, d, h, things }, context) => ({
      command: 'columns.setBlocks',
      input: {
        columns: things
          ? thingsOf(things, context)
          : recordsOf(context.framework, 'columnStack')
              .filter(({ building }) => building === context.building)
              .map(({ id }) => id),
        head: { widthMm: lengthOf(w!, context), depthMm: lengthOf(d!, context), heightMm: lengthOf(h!, context) },
        at: 'allButTop',
      },
    }),
  },
];
