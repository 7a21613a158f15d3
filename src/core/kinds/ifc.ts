import type { SectionMm } from '../columns/section-shape';
import type { Profile } from '../geometry/boolean';
import type { Point } from '../geometry/point';
import type { Ring } from '../geometry/polygon';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { Slant } from '../slants/slant';
import type { Solved, SolvedLevel } from '../solving/solved';

/** Classes of IFC4 (ISO 16739-1) that things are written as. */
export type IfcClass =
  | 'IFCBEAM'
  | 'IFCBUILDINGELEMENTPROXY'
  | 'IFCCOLUMN'
  | 'IFCCOVERING'
  | 'IFCCURTAINWALL'
  | 'IFCDOOR'
  | 'IFCFOOTING'
  | 'IFCMEMBER'
  | 'IFCPLATE'
  | 'IFCRAILING'
  | 'IFCRAMP'
  | 'IFCRAMPFLIGHT'
  | 'IFCROOF'
  | 'IFCSLAB'
  | 'IFCSPACE'
  | 'IFCSTAIR'
  | 'IFCSTAIRFLIGHT'
  | 'IFCTRANSPORTELEMENT'
  | 'IFCWALL'
  | 'IFCWINDOW';

/** A stretch of an upright prism, its foot so far over that of the whole. */
export interface Prism {
  outer: Ring;
  holes: readonly Ring[];
  depthMm: number;
  overFootMm: number;
}

/** A shape in the axes of its placement. */
export type Shape =
  | { section: SectionMm; depthMm: number }
  | { prisms: readonly Prism[] }
  /** Heights over the foot of the placement. */
  | { slants: readonly Slant[] };

/** Where a shape stands: upright at a point, turned; or along axes of its own. Heights are the building's. */
export type Stand =
  | { at?: Point; bottomMm: number; turnDeg?: number }
  | { origin: readonly [number, number, number]; axis: readonly number[]; along: readonly number[] };

/** A value of a property, with its measure. */
export interface Measure {
  measure: string;
  value: string | number | boolean;
}
export type Quantity = readonly ['LENGTH' | 'AREA' | 'VOLUME', name: string, value: number];

export const identifier = (value: string): Measure => ({ measure: 'IFCIDENTIFIER', value });
export const flag = (value: boolean): Measure => ({ measure: 'IFCBOOLEAN', value });

/** An opening through an element: from a little under its foot to a little over its top, or a box of its own. */
export interface Opening {
  key: string;
  name: string;
  cut: { ring: Ring } | { box: OpeningBox };
  /** What cuts it, to be grouped with it. */
  by: Id | null;
}

/** A box from one end of an opening along its width, x, and across the wall, y; its foot over that of the element. */
export interface OpeningBox {
  at: Point;
  turnDeg: number;
  widthMm: number;
  acrossMm: number;
  overFootMm: number;
  heightMm: number;
}

/** What many elements are alike in. */
export interface ProductType {
  entity: 'IFCCOLUMNTYPE' | 'IFCCURTAINWALLTYPE' | 'IFCDOORTYPE' | 'IFCSLABTYPE' | 'IFCWALLTYPE' | 'IFCWINDOWTYPE';
  name: string;
  predefined: string;
  more?: Readonly<Record<string, string | boolean>>;
  /** From the outside inwards. */
  layers?: readonly { name: string; thicknessMm: number }[];
}

/** Things under one name: rooms of one use are a zone of spaces, slabs of one zone of a floor a group. */
export interface GroupOf {
  key: readonly string[];
  name: string;
  of: 'spaces' | 'elements';
  objectType: string;
}

/** One element of the file, as its kind describes it: what is written without knowing how. */
export interface Product {
  entity: IfcClass;
  /** What its GlobalId is made of: words that tell it from all others, or the record's own id. */
  globalId: readonly string[] | { own: Id };
  /** What its sets are told apart by. */
  key: string;
  name: string;
  objectType?: string;
  predefined: string;
  /** The record it is of. */
  tag: Id;
  /** Attributes that only its class has. */
  more?: Readonly<Record<string, string | number>>;
  stand: Stand;
  shape: Shape | null;
  properties?: Readonly<Record<string, Readonly<Record<string, Measure>>>>;
  quantities?: { set: string; values: readonly Quantity[] };
  material?: string;
  /** Elements it is made of. */
  parts?: readonly Product[];
  openings?: { depthMm: number; all: readonly Opening[] };
  /** What it belongs to with others, in any storey. */
  groups?: readonly GroupOf[];
  /** The opening it fills, by its key: then it stands in the axes of that. */
  fills?: string;
  type?: ProductType;
}

/** The storey whose elements are wanted. */
export interface IfcAt {
  framework: Framework;
  solved: Solved;
  level: SolvedLevel;
}

/** How things of a kind are written in IFC. */
export interface IfcTrait {
  /** Elements of a storey. */
  products: (at: IfcAt) => Product[];
}

/** A profile up to a height, from its foot. */
export const prismsOf = ({ regions }: Profile, depthMm: number): Shape => ({
  prisms: regions.map(({ outer, holes }) => ({ outer, holes, depthMm, overFootMm: 0 })),
});

/** One ring up to a height. */
export const prismOf = (outer: Ring, depthMm: number): Shape => ({
  prisms: [{ outer, holes: [], depthMm, overFootMm: 0 }],
});
