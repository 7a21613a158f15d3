import { LENGTH, lengthOf, levelOf } from '../entry/entry-context';
import { outlineOf, thingsOf } from '../entry/entry-parts';
import type { Form } from '../kinds/form';

/** Typed lines for floors, their voids and zones. */
export const FLOOR_FORMS: readonly Form[] = [
  {
    pattern: 'floor grid + OFFSET [THICKNESS thick] [from LEVEL to LEVEL]',
    example: 'floor grid + 300 250 thick',
    title: 'A floor plate from the grid with an offset',
    words: 'floor grid',
    matches: new RegExp(
      `^floor\\s+grid\\s*(?<sign>[+-])\\s*(?<offset>${LENGTH})(?:\\s+(?<thick>${LENGTH})\\s+thick)?(?:\\s+from\\s+(?<from>\\S+)\\s+to\\s+(?<to>\\S+))?$`,
      'i',
    ),
    read: ({ sign, offset, thick, from, to }, context) => ({
      command: 'floors.add',
      input: {
        building: context.building,
        outline: { type: 'gridOffset', offsetMm: lengthOf(`${sign === '-' ? '-' : ''}${offset}`, context) },
        ...(thick ? { thicknessMm: lengthOf(thick, context) } : {}),
        ...(from ? { levels: { range: [levelOf(from, context), levelOf(to!, context)] } } : {}),
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
];
