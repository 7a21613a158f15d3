import type { Point } from '../geometry/point';
import type { Edit } from '../model/edit';
import type { Id } from '../model/ids';
import type { Kind, RecordOf } from '../model/kinds';
import type { CarryKind } from './carry-kinds';
import type { RecordKind } from './record-kind';
import type { Step } from './steps';
import type { ViewKind } from './view-kinds';

/** A facet that a kind does not have, with the reason. */
export interface None {
  none: string;
}

export const none = (reason: string): None => ({ none: reason });

/** What a kind can, or why not: leaving it out does not compile. */
export type Facet<T extends object> = T | None;

/** A facet, if the kind has it. */
export const facet = <T extends object>(given: Facet<T>): T | null => ('none' in given ? null : given);

/** A line things are mirrored in: a point on it and its direction, unit length. */
export interface Mirror {
  on: Point;
  along: Point;
}

/** How records of a kind are moved, copied and mirrored in plan. Places and outlines are found by their marks. */
export interface InPlan<R> {
  /** Why this one moves with something else, as the rest of a sentence; null: it stands by itself. */
  follows: (record: R) => string | null;
  /** A copy's own name, marks and ids of parts, where they must differ from those of what is copied. None: it is only moved. */
  renewed: ((edit: Edit, copy: R) => R) | None;
  /** Where it is not done by its marks alone. */
  mirrored?: (edit: Edit, record: R, mirror: Mirror) => R;
  /** Adds copies at several distances, where that is more than moving and renewing; answers their ids. */
  copied?: (edit: Edit, record: R, by: readonly Point[]) => Id[];
  /** What else becomes of it when the lines it stands on go; `mark`: that of the crossing it stood on. */
  freed?: (record: R, mark: string | null) => Partial<R>;
}

/** Everything a kind of thing is, beyond the shape of its records. */
export interface KindDef<K extends Kind = Kind> {
  records: RecordKind<K>;
  inPlan: Facet<InPlan<RecordOf<K>>>;
  /** May be a part of a core. */
  inCores: boolean;
  /** The kind it is shown and hidden as in views. */
  shownAs: Facet<{ kind: ViewKind }>;
  /** What it is carried up the building as. */
  carriedAs: Facet<{ kind: (record: RecordOf<K>) => CarryKind }>;
  /** The step of the job it is made at. */
  step: Facet<{ step: Step }>;
}

export const defineKind = <K extends Kind>(kind: KindDef<K>): KindDef<K> => kind;
