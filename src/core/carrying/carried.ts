import { everyFacet } from '../kinds/registry';
import type { CarryKind } from '../kinds/carry-kinds';

/** What may be carried with its words, kind by kind. */
export const CARRY_WORDS: ReadonlyMap<CarryKind, string> = new Map(
  everyFacet('carriedAs').flatMap(({ words }) => Object.entries(words) as [CarryKind, string][]),
);

export const CARRY_KINDS = [...CARRY_WORDS.keys()] as [CarryKind, ...CarryKind[]];
