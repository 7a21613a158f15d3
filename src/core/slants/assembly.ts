import type { Ring } from '../geometry/polygon';
import type { Id } from '../model/ids';
import type { Slant } from './slant';

/** What each kind that is worked out to assemblies says of one, by its kind: numbers and drawings of its own. */
// eslint-disable-next-line @typescript-eslint/no-empty-object-type
export interface AssemblyInfo {}
export type AssemblyKind = keyof AssemblyInfo;

/** A part of an assembly: pieces of one material that belong together. */
export interface AssemblyPart {
  name: string;
  slants: readonly Slant[];
}

/** A thing, or what of it is at a level, made of pieces that may lean: ramps, sloped floors, guards. Plain values. */
export interface Assembly<K extends AssemblyKind = AssemblyKind> {
  thing: Id;
  kind: K;
  building: Id;
  name: string;
  /** The level it belongs to. */
  level: Id;
  /** About all of it in plan. */
  ring: Ring;
  bottomMm: number;
  topMm: number;
  parts: readonly AssemblyPart[];
  info: AssemblyInfo[K];
}

/** Those of one kind. */
export const assembliesOf = <K extends AssemblyKind>(all: readonly Assembly[], kind: K): Assembly<K>[] =>
  all.filter((each): each is Assembly<K> => each.kind === kind);
