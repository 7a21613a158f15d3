import type { Measure, Quantity } from '@/core/kinds/ifc';
import { derivedGlobalId } from './global-id';
import type { Ref, StepLines } from './step';

/** What belongs to what in one file: property sets, quantities, wholes and parts, groups. */
export class Relations {
  constructor(private readonly step: StepLines) {}

  properties(key: string, ref: Ref, name: string, values: Readonly<Record<string, Measure>>): void {
    const HasProperties = Object.entries(values).map(([Name, NominalValue]) =>
      this.step.share('IFCPROPERTYSINGLEVALUE', { Name, NominalValue }),
    );
    const set = this.step.add('IFCPROPERTYSET', { GlobalId: derivedGlobalId(name, key), Name: name, HasProperties });
    this.define(`${name} of ${key}`, ref, set);
  }

  quantities(key: string, ref: Ref, name: string, values: readonly Quantity[]): void {
    const Quantities = values.map(([kind, Name, value]) => {
      if (kind === 'LENGTH') return this.step.share('IFCQUANTITYLENGTH', { Name, LengthValue: value });
      if (kind === 'AREA') return this.step.share('IFCQUANTITYAREA', { Name, AreaValue: value });
      return this.step.share('IFCQUANTITYVOLUME', { Name, VolumeValue: value });
    });
    const set = this.step.add('IFCELEMENTQUANTITY', { GlobalId: derivedGlobalId(name, key), Name: name, Quantities });
    this.define(`${name} of ${key}`, ref, set);
  }

  private define(key: string, ref: Ref, set: Ref): void {
    this.step.add('IFCRELDEFINESBYPROPERTIES', {
      GlobalId: derivedGlobalId('defines', key),
      RelatedObjects: [ref],
      RelatingPropertyDefinition: set,
    });
  }

  aggregate(key: string, whole: Ref, parts: readonly Ref[]): void {
    this.step.add('IFCRELAGGREGATES', {
      GlobalId: derivedGlobalId('aggregates', key),
      RelatingObject: whole,
      RelatedObjects: parts,
    });
  }

  contain(key: string, structure: Ref, elements: readonly Ref[]): void {
    if (elements.length === 0) return;
    this.step.add('IFCRELCONTAINEDINSPATIALSTRUCTURE', {
      GlobalId: derivedGlobalId('contains', key),
      RelatedElements: elements,
      RelatingStructure: structure,
    });
  }

  /** Elements under one name. `key`: what the relation is told from others by. */
  group(
    group: { GlobalId: string; Name: string; ObjectType: string },
    key: readonly string[],
    elements: readonly Ref[],
    as: 'IFCGROUP' | 'IFCZONE' = 'IFCGROUP',
  ) {
    this.step.add('IFCRELASSIGNSTOGROUP', {
      GlobalId: derivedGlobalId(...key),
      RelatedObjects: elements,
      RelatingGroup: this.step.add(as, group),
    });
  }
}
