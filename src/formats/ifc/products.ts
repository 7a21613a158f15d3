import type { Ring } from '@/core/geometry/polygon';
import {
  prismOf,
  type GroupOf,
  type Opening,
  type OpeningBox,
  type Product,
  type ProductType,
  type Stand,
} from '@/core/kinds/ifc';
import type { Id } from '@/core/model/ids';
import type { SolvedLevel } from '@/core/solving/solved';
import { derivedGlobalId, globalIdOf } from './global-id';
import type { Relations } from './relations';
import { lookOf } from './looks';
import type { Shapes } from './shapes';
import type { Ref, StepLines } from './step';

/** How far an opening stands out of what it cuts on both sides, so that no skin is left by a reader's rounding, mm. */
const BEYOND_MM = 10;

const ORIGIN = { x: 0, y: 0 };

/** Writes the elements kinds describe, and remembers what each record was written as. */
export class Products {
  /** What each record was written as, for the groups it is in. */
  readonly elements = new Map<Id, Ref[]>();
  /** Openings by what cuts them. */
  readonly openings = new Map<Id, Ref[]>();
  private groups = new Map<string, { group: GroupOf; refs: Ref[] }>();
  private readonly cuts = new Map<string, { ref: Ref; placement: Ref }>();
  private readonly typed = new Map<string, { type: ProductType; refs: Ref[] }>();

  constructor(
    private readonly step: StepLines,
    private readonly shapes: Shapes,
    private readonly relations: Relations,
  ) {}

  /** Elements of a storey: what stands in it, and its spaces, which are parts of it. */
  storey(products: readonly Product[], level: SolvedLevel, storey: Ref, placement: Ref): void {
    const written = products.map((product) => ({ product, ref: this.product(product, level, placement) }));
    const spaces = written.filter(({ product }) => product.entity === 'IFCSPACE').map(({ ref }) => ref);
    const elements = written.filter(({ product }) => product.entity !== 'IFCSPACE').map(({ ref }) => ref);
    this.relations.contain(`storey ${level.id}`, storey, elements);
    if (spaces.length > 0) this.relations.aggregate(`spaces ${level.id}`, storey, spaces);
    const byMaterial = new Map<string, Ref[]>();
    for (const { product, ref } of written) {
      note(this.elements, product.tag, ref);
      if (product.material !== undefined) note(byMaterial, product.material, ref);
    }
    for (const [material, RelatedObjects] of [...byMaterial].sort()) {
      this.step.add('IFCRELASSOCIATESMATERIAL', {
        GlobalId: derivedGlobalId('material', level.id, material),
        RelatedObjects,
        RelatingMaterial: this.step.share('IFCMATERIAL', { Name: material }),
      });
    }
  }

  private product(product: Product, level: SolvedLevel, parent: Ref): Ref {
    const { globalId, key, shape, parts, openings } = product;
    const filled = product.fills === undefined ? undefined : this.cuts.get(product.fills);
    const placement = filled
      ? this.shapes.local(filled.placement, this.shapes.world)
      : this.shapes.local(parent, this.axes(product.stand, level));
    const ref = this.step.add(product.entity, {
      GlobalId: 'own' in globalId ? globalIdOf(globalId.own) : derivedGlobalId(...globalId),
      Name: product.name,
      ObjectType: product.objectType,
      ObjectPlacement: placement,
      Representation: shape && this.shapes.solid(shape, lookOf(product)),
      PredefinedType: product.predefined,
      ...(product.entity === 'IFCSPACE' ? { CompositionType: 'ELEMENT' } : { Tag: product.tag }),
      ...product.more,
    });
    for (const [set, values] of Object.entries(product.properties ?? {}))
      this.relations.properties(key, ref, set, values);
    if (product.quantities) this.relations.quantities(key, ref, product.quantities.set, product.quantities.values);
    if (filled)
      this.step.add('IFCRELFILLSELEMENT', {
        GlobalId: derivedGlobalId('fills', key),
        RelatingOpeningElement: filled.ref,
        RelatedBuildingElement: ref,
      });
    for (const group of product.groups ?? []) {
      const known = group.key.join(' ');
      const entry = this.groups.get(known) ?? { group, refs: [] };
      entry.refs.push(ref);
      this.groups.set(known, entry);
    }
    if (product.type) {
      const { type } = product;
      const known = `${type.entity} ${type.name}`;
      const entry = this.typed.get(known) ?? { type, refs: [] };
      entry.refs.push(ref);
      this.typed.set(known, entry);
    }
    for (const opening of openings?.all ?? []) {
      const made = this.opening(opening, openings!.depthMm, product.globalId as readonly string[], ref, placement);
      if (opening.by !== null) note(this.openings, opening.by, made);
    }
    if (parts)
      this.relations.aggregate(
        key,
        ref,
        parts.map((part) => this.product(part, level, placement)),
      );
    return ref;
  }

  /** Where it stands in a storey, whose own placement lies at its FFL. */
  private axes(stand: Stand, { fflMm }: SolvedLevel): Ref {
    if ('bottomMm' in stand)
      return this.shapes.placement3d(stand.at ?? ORIGIN, stand.bottomMm - fflMm, stand.turnDeg ?? 0);
    const [x, y, z] = stand.origin;
    return this.shapes.along([x, y, z - fflMm], stand.axis, stand.along);
  }

  private opening(
    { key, name, cut }: Opening,
    depthMm: number,
    [, ...of]: readonly string[],
    whole: Ref,
    at: Ref,
  ): Ref {
    const placement =
      'ring' in cut
        ? this.shapes.local(at, this.shapes.placement3d(ORIGIN, -BEYOND_MM, 0))
        : this.shapes.local(at, this.shapes.placement3d(cut.box.at, cut.box.overFootMm, cut.box.turnDeg));
    const shape =
      'ring' in cut ? prismOf(cut.ring, depthMm + 2 * BEYOND_MM) : prismOf(boxRing(cut.box), cut.box.heightMm);
    const opening = this.step.add('IFCOPENINGELEMENT', {
      GlobalId: derivedGlobalId('opening', key, ...of),
      Name: name,
      ObjectPlacement: placement,
      Representation: this.shapes.solid(shape),
      Tag: key,
      PredefinedType: 'OPENING',
    });
    this.step.add('IFCRELVOIDSELEMENT', {
      GlobalId: derivedGlobalId('voids', key, ...of),
      RelatingBuildingElement: whole,
      RelatedOpeningElement: opening,
    });
    this.cuts.set(key, { ref: opening, placement });
    return opening;
  }

  /** The groups of a building's elements; those of the next begin anew. */
  inGroups(): void {
    for (const { group, refs } of this.groups.values()) {
      const { key, name, of, objectType } = group;
      const named = { GlobalId: derivedGlobalId('group', ...key), Name: name, ObjectType: objectType };
      this.relations.group(named, ['in group', ...key], refs, of === 'spaces' ? 'IFCZONE' : 'IFCGROUP');
    }
    this.groups = new Map();
  }

  /** Types, each once with all that are of it; a wall's with its layers. */
  types(): void {
    for (const [key, { type, refs }] of [...this.typed].sort(([a], [b]) => (a < b ? -1 : 1))) {
      const ref = this.step.add(type.entity, {
        GlobalId: derivedGlobalId('type', key),
        Name: type.name,
        PredefinedType: type.predefined,
        ...type.more,
      });
      this.step.add('IFCRELDEFINESBYTYPE', {
        GlobalId: derivedGlobalId('of type', key),
        RelatedObjects: refs,
        RelatingType: ref,
      });
      if (!type.layers) continue;
      const MaterialLayers = type.layers.map(({ name, thicknessMm }) =>
        this.step.add('IFCMATERIALLAYER', {
          Material: this.step.share('IFCMATERIAL', { Name: name }),
          LayerThickness: thicknessMm,
          Name: name,
        }),
      );
      this.step.add('IFCRELASSOCIATESMATERIAL', {
        GlobalId: derivedGlobalId('layers', key),
        RelatedObjects: [ref],
        RelatingMaterial: this.step.add('IFCMATERIALLAYERSET', { MaterialLayers, LayerSetName: type.name }),
      });
    }
  }
}

/** A little more than the wall is thick, so that no skin is left. */
const boxRing = ({ widthMm, acrossMm }: OpeningBox): Ring => {
  const y = acrossMm / 2 + BEYOND_MM;
  return [
    { x: 0, y: -y },
    { x: widthMm, y: -y },
    { x: widthMm, y },
    { x: 0, y },
  ];
};

function note<Key>(lists: Map<Key, Ref[]>, key: Key, ref: Ref): void {
  lists.set(key, [...(lists.get(key) ?? []), ref]);
}
