import type { Body } from '../bodies/body';
import type { Finding } from '../checks/finding';
import type { Assembly } from '../slants/assembly';
import type { InPlanView, InSection } from './drawn';
import type { Form } from './form';
import type { Point } from '../geometry/point';
import type { Command } from '../commands/command';
import type { Edit } from '../model/edit';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { Kind, RecordOf } from '../model/kinds';
import type { CarryKind } from './carry-kinds';
import type { Pass } from '../passes/pass';
import type { ReportRows } from '../report/rows';
import type { Consequences } from './consequence';
import type { IfcTrait } from './ifc';
import type { Solids } from './solids';
import type { InSpace } from './in-space';
import type { OnBoard } from './on-board';
import type { Listed, Sentence } from './said';
import type { RecordKind } from './record-kind';
import type { Step } from './steps';
import type { ViewKind } from './view-kinds';
import type { OwnRule } from '../checks/rules';

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

/** A point things are turned about, and by how many degrees, counter-clockwise. */
export interface Turn {
  about: Point;
  deg: number;
}

/** How records of a kind are moved, turned, copied and mirrored in plan. Places and outlines are found by their marks. */
export interface InPlan<R> {
  /** Why this one moves with something else, as the rest of a sentence; null: it stands by itself. */
  follows: (record: R) => string | null;
  /** A copy's own name, marks and ids of parts, where they must differ from those of what is copied. None: it is only moved. */
  renewed: ((edit: Edit, copy: R) => R) | None;
  /** Where it is not done by its marks alone. */
  mirrored?: (edit: Edit, record: R, mirror: Mirror) => R;
  turned?: (framework: Framework, record: R, turn: Turn) => R;
  /**
   * What hangs on its path follows corners that were moved, added or taken out. `partOf`: which straight part of the new path a part of
   * the old one is; null: it is gone.
   */
  repathed?: (framework: Framework, before: R, after: R, partOf: (part: number) => number | null) => R;
  /** Adds copies at several distances, where that is more than moving and renewing; answers their ids. */
  copied?: (edit: Edit, record: R, by: readonly Point[]) => Id[];
}

/** Things of a kind as bodies: what draws, lists and writes bodies takes them by this. */
export interface Bodies {
  pass: Pass<readonly Body[]>;
  findings: Pass<readonly Finding[]>;
  /** The layer they are drawn on in files. */
  layer: string;
}

/** Things of a kind as assemblies of pieces that may lean. */
export interface Assemblies {
  pass: Pass<readonly Assembly[]>;
  findings: Pass<readonly Finding[]>;
}

/** What things of a kind are carried as, with the words for each. */
export interface Carried<K extends Kind> {
  words: Partial<Record<CarryKind, string>>;
  kind: (record: RecordOf<K>) => CarryKind;
  /** The face of a level that one carried up stops at; none: the soffit of its slab. */
  upTo?: 'FFL';
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
  carriedAs: Facet<Carried<K>>;
  /** The step of the job it is made at. */
  step: Facet<{ step: Step }>;
  /** What makes and changes it, as commands and as typed lines. */
  commands: Facet<{ all: readonly Command[] }>;
  forms: Facet<{ all: readonly Form[] }>;
  bodies: Facet<Bodies>;
  assemblies: Facet<Assemblies>;
  /** What is drawn of it in plan and in sections, and what it is in 3D. */
  plan: Facet<InPlanView>;
  section: Facet<InSection>;
  solids: Facet<Solids>;
  /** The space its things want, for its owners to be told. */
  space: Facet<InSpace>;
  /** Its columns of the carry board. */
  board: Facet<OnBoard<K>>;
  /** What an edit would bring about in its things. */
  consequences: Facet<Consequences>;
  /** What its things are written as in IFC. */
  ifc: Facet<IfcTrait>;
  /** What is looked at by its own checks. */
  rules: Facet<{ all: readonly OwnRule[] }>;
  /** Its rows in the report, under one key or several. */
  report: Facet<ReportRows | readonly ReportRows[]>;
  /** What one reads of it first, under its name. */
  sentence: Facet<Sentence<K>>;
  /** Its things at a level, for keyboard and screen reader. */
  listed: Facet<Listed>;
}

/** Of kinds with pieces of their own making, whose checks look at other kinds as well. */
export const ELSEWHERE = {
  bodies: none('It has pieces of its own making'),
  assemblies: none('It has pieces of its own making'),
  rules: none('They stand with those between kinds: checks/rules.ts'),
} as const;

/** Of kinds that are no thing in the building. */
export const NO_THING = {
  ...ELSEWHERE,
  plan: none('It is not drawn'),
  section: none('It is not drawn'),
  ifc: none('It is no element of the building'),
  solids: none('It takes no space'),
  space: none('It takes no space'),
  board: none('It is not carried'),
  consequences: none('It is seen in what it makes'),
  sentence: none('It is not chosen by itself'),
  listed: none('It is not chosen by itself'),
  bodies: none('It takes no space'),
  report: none('Nothing of it is reported by itself'),
} as const;

export const defineKind = <K extends Kind>(kind: KindDef<K>): KindDef<K> => kind;
