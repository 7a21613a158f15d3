import type { CommandInputs } from '../commands/command-inputs';
import { markOf } from '../commands/refer';
import type { Point } from '../geometry/point';
import type { EntryContext } from '../kinds/form';
import { recordKindOf } from '../kinds/records';
import { recordsOf } from '../model/framework';
import type { Id } from '../model/ids';
import type { Rec } from '../model/kinds';
import { parsePath } from '../outlines/typed-path';
import { parseAngle } from '../units/parse-angle';
import { levelOf, lengthOf, pointOf, Unread } from './entry-context';

export const modeOf = (only: string | undefined): 'push' | 'only' => (only ? 'only' : 'push');

/** The ends of a stack, of those that are typed. */
export const ends = (from: string | undefined, to: string | undefined, context: EntryContext) => ({
  ...(from ? { startsAt: { level: levelOf(from, context) } } : {}),
  ...(to ? { stopsAt: { level: levelOf(to, context) } } : {}),
});

/** The levels a line is there on, and how they are typed at the end of a line. */
export const fromTo = (from: string | undefined, to: string | undefined, context: EntryContext) => ({
  ...(from ? { fromLevel: levelOf(from, context) } : {}),
  ...(to ? { toLevel: levelOf(to, context) } : {}),
});
export const RANGE = '(?:\\s+from\\s+(?<from>\\S+))?(?:\\s+to\\s+(?<to>\\S+))?$';

/** Degrees; none where nothing is typed. */
export const angleOf = (text: string | undefined): number => {
  const angle = parseAngle(text ?? '0');
  if (!angle.ok) throw new Unread(`"${text}": ${angle.refusal.message}`);
  return angle.value;
};

export const pointOrZero = (point: string | undefined, context: EntryContext): Point =>
  point ? pointOf(point, context) : { x: 0, y: 0 };

/** A size like `2400x2700` as width and depth. */
export function sizeOf(text: string, context: EntryContext) {
  const [wide, deep] = text.split(/\s*[x×]\s*/i);
  return { widthMm: lengthOf(wide!, context), depthMm: lengthOf(deep!, context) };
}

/** A closed path as an outline. */
export function outlineOf(
  text: string,
  { framework, building, unit }: EntryContext,
): CommandInputs['shafts.add']['outline'] {
  const typed = parsePath(framework, building, text, { unit });
  if (!typed.ok) throw new Unread(typed.refusal.message);
  const { place, points } = typed.value;
  return { type: 'polygon', place, points };
}

/** A building by its name. */
export function buildingOf(name: string, { framework }: EntryContext): Id {
  const found = recordsOf(framework, 'building').find((each) => each.name.toLowerCase() === name.trim().toLowerCase());
  if (found) return found.id;
  throw new Unread(`There is no building named ${name.trim()}`);
}

/** What a thing is called by in a typed line: its mark, or a name that no other thing of its kind has; null: by nothing. */
function nameOf(framework: EntryContext['framework'], record: Rec): string | null {
  if (record.kind === 'columnStack') return markOf(framework, record);
  const isNamed = recordKindOf(record.kind)?.letters !== null || record.kind === 'floorPlate';
  return isNamed && 'name' in record ? record.name : null;
}

/** Ids of things by their names or marks, parted by commas: `S1,ST2,A-1`. */
export function thingsOf(text: string, { framework, building }: EntryContext): Id[] {
  const all = [...framework.records.values()].flatMap((record) => {
    if (!('building' in record) || record.building !== building) return [];
    const name = nameOf(framework, record);
    return name === null ? [] : [{ id: record.id, name: name.toLowerCase() }];
  });
  return text.split(',').map((part) => {
    const named = all.filter(({ name }) => name === part.trim().toLowerCase());
    if (named.length !== 1) throw new Unread(`There is no one thing named ${part.trim()}`);
    return named[0]!.id;
  });
}
