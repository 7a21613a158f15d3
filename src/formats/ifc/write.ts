import { cosDeg, sinDeg } from '@/core/geometry/trig';
import { everyFacet } from '@/core/kinds/registry';
import { recordsOf, type Framework } from '@/core/model/framework';
import type { Id } from '@/core/model/ids';
import type { Solved, SolvedBuilding, SolvedLevel } from '@/core/solving/solved';
import { derivedGlobalId, globalIdOf } from './global-id';
import { writeGrids } from './grids';
import { Products } from './products';
import { Relations } from './relations';
import { Shapes } from './shapes';
import { StepLines, type Ref } from './step';
import { STOREY_SET } from './storey-set';

/**
 * Writes the solved framework as an IFC4 file: project, site, buildings, storeys, grids with axes, and in each storey the
 * elements every kind describes, with their openings, property sets and base quantities; shafts with what they cut as groups. Lengths are millimetres, areas m², volumes m³. GlobalIds come from the records' ids and stay.
 */
export function writeIfc(framework: Framework, solved: Solved, at: Date): string {
  return new IfcWriter(framework, solved).write(at);
}

class IfcWriter {
  private readonly step = new StepLines();
  private readonly relations = new Relations(this.step);
  private readonly shapes: Shapes;
  private readonly products: Products;

  constructor(
    private readonly framework: Framework,
    private readonly solved: Solved,
  ) {
    this.shapes = new Shapes(this.step, solved.survey?.trueNorthDeg ?? 0);
    this.products = new Products(this.step, this.shapes, this.relations);
  }

  write(at: Date): string {
    const record = [...this.framework.records.values()].find(({ kind }) => kind === 'project');
    const name = record?.kind === 'project' ? record.name : 'Project';
    const project = this.step.add('IFCPROJECT', {
      GlobalId: record ? globalIdOf(record.id) : derivedGlobalId('project'),
      Name: name,
      LongName: name,
      RepresentationContexts: [this.shapes.context],
      UnitsInContext: this.units(),
    });
    this.mapConversion();
    const sitePlacement = this.step.add('IFCLOCALPLACEMENT', { RelativePlacement: this.shapes.world });
    const site = this.step.add('IFCSITE', {
      GlobalId: derivedGlobalId('site', record?.id ?? ''),
      Name: 'Site',
      ObjectPlacement: sitePlacement,
      CompositionType: 'ELEMENT',
      RefElevation: this.solved.survey?.heightMm ?? 0,
    });
    this.relations.aggregate('project', project, [site]);
    const buildings = this.solved.buildings.map((building) => this.building(building, sitePlacement));
    if (buildings.length > 0) this.relations.aggregate('site', site, buildings);
    this.products.types();
    this.shapes.looks.write();
    return this.step.file(`${name}.ifc`, at);
  }

  private units(): Ref {
    const unit = (UnitType: string, Name: string, Prefix?: string) =>
      this.step.add('IFCSIUNIT', { UnitType, Name, Prefix });
    return this.step.add('IFCUNITASSIGNMENT', {
      Units: [
        unit('LENGTHUNIT', 'METRE', 'MILLI'),
        unit('AREAUNIT', 'SQUARE_METRE'),
        unit('VOLUMEUNIT', 'CUBIC_METRE'),
        unit('PLANEANGLEUNIT', 'RADIAN'),
      ],
    });
  }

  private building(building: SolvedBuilding, site: Ref): Ref {
    const placement = this.shapes.local(site, this.shapes.placement3d(building.at, building.zeroMm, building.turnDeg));
    const ref = this.step.add('IFCBUILDING', {
      GlobalId: globalIdOf(building.id),
      Name: building.name,
      ObjectPlacement: placement,
      CompositionType: 'ELEMENT',
      ElevationOfRefHeight: building.zeroMm + (this.solved.survey?.heightMm ?? 0),
    });
    const levels = this.solved.levels.filter((level) => level.building === building.id);
    const storeys = levels
      .filter(({ levelKind }) => levelKind !== 'datum')
      .map((level) => this.storey(level, placement));
    const datums = levels.filter(({ levelKind }) => levelKind === 'datum').map((level) => this.datum(level, placement));
    this.relations.contain(`datums ${building.id}`, ref, datums);
    if (storeys.length > 0)
      this.relations.aggregate(
        `building ${building.id}`,
        ref,
        storeys.map((storey) => storey.ref),
      );
    const grids = {
      step: this.step,
      placement,
      point: this.shapes.point2d.bind(this.shapes),
      shape: this.shapes.lines.bind(this.shapes),
    };
    this.relations.contain(`grids ${building.id}`, ref, writeGrids(grids, this.framework, building.id, this.solved));
    for (const storey of storeys) {
      const at = { framework: this.framework, solved: this.solved, level: storey.level };
      const products = everyFacet('ifc').flatMap((kind) => kind.products(at));
      this.products.storey(products, storey.level, storey.ref, storey.placement);
    }
    this.groups(building.id);
    this.products.inGroups();
    return ref;
  }

  /** A level that is only a height: no storey, so nothing is in it. */
  private datum(level: SolvedLevel, building: Ref): Ref {
    const ref = this.step.add('IFCANNOTATION', {
      GlobalId: globalIdOf(level.id),
      Name: level.name,
      Description: level.title || null,
      ObjectType: 'Datum level',
      ObjectPlacement: this.shapes.local(building, this.shapes.placement3d({ x: 0, y: 0 }, level.fflMm, 0)),
    });
    this.relations.properties(level.id, ref, STOREY_SET, {
      LevelKind: { measure: 'IFCLABEL', value: level.levelKind },
      BuildUp: { measure: 'IFCLENGTHMEASURE', value: level.fflMm - level.sslMm },
      Elevation: { measure: 'IFCLENGTHMEASURE', value: level.fflMm },
    });
    return ref;
  }

  private storey(level: SolvedLevel, building: Ref): { ref: Ref; level: SolvedLevel; placement: Ref } {
    const placement = this.shapes.local(building, this.shapes.placement3d({ x: 0, y: 0 }, level.fflMm, 0));
    const ref = this.step.add('IFCBUILDINGSTOREY', {
      GlobalId: globalIdOf(level.id),
      Name: level.name,
      ObjectType: level.levelKind,
      LongName: level.title || null,
      ObjectPlacement: placement,
      CompositionType: 'ELEMENT',
      Elevation: level.fflMm,
    });
    this.relations.properties(level.id, ref, 'Pset_BuildingStoreyCommon', {
      AboveGround: { measure: 'IFCLOGICAL', value: level.fflMm >= 0 },
    });
    this.relations.properties(level.id, ref, STOREY_SET, {
      LevelKind: { measure: 'IFCLABEL', value: level.levelKind },
      BuildUp: { measure: 'IFCLENGTHMEASURE', value: level.fflMm - level.sslMm },
    });
    if (level.storeyHeightMm !== null) {
      this.relations.quantities(level.id, ref, 'Qto_BuildingStoreyBaseQuantities', [
        ['LENGTH', 'GrossHeight', level.storeyHeightMm],
      ]);
    }
    return { ref, level, placement };
  }

  /** Survey coordinates of the project's zero, and the direction of true north. */
  private mapConversion(): void {
    const { survey } = this.solved;
    if (!survey) return;
    const metre = this.step.add('IFCSIUNIT', { UnitType: 'LENGTHUNIT', Name: 'METRE' });
    const target = this.step.add('IFCPROJECTEDCRS', { Name: 'Survey grid of the project', MapUnit: metre });
    this.step.add('IFCMAPCONVERSION', {
      SourceCRS: this.shapes.context,
      TargetCRS: target,
      Eastings: survey.eastingMm / 1000,
      Northings: survey.northingMm / 1000,
      OrthogonalHeight: survey.heightMm / 1000,
      XAxisAbscissa: cosDeg(survey.trueNorthDeg),
      XAxisOrdinate: -sinDeg(survey.trueNorthDeg),
      Scale: 0.001,
    });
  }

  /** Shafts with the openings they make, and cores with their walls, shafts and stairs, as groups. */
  private groups(building: Id): void {
    for (const { shaft, name, building: of } of this.solved.shafts) {
      const [spaces, cut] = [this.products.elements.get(shaft), this.products.openings.get(shaft)];
      if (of !== building || !spaces) continue;
      const group = { GlobalId: globalIdOf(shaft), Name: name, ObjectType: 'Shaft' };
      this.relations.group(group, ['in shaft group', shaft], [...spaces, ...(cut ?? [])]);
    }
    for (const { id, name, building: of, passesClearMm } of recordsOf(this.framework, 'wall')) {
      const parts = this.products.elements.get(id) ?? [];
      if (of !== building || passesClearMm === null || parts.length < 2) continue;
      const group = { GlobalId: globalIdOf(id), Name: name, ObjectType: 'Wall' };
      this.relations.group(group, ['in wall', id], parts);
    }
    for (const { id, name, building: of, members } of recordsOf(this.framework, 'core')) {
      const parts = members.flatMap((member) => this.products.elements.get(member) ?? []);
      if (of !== building || parts.length === 0) continue;
      const group = { GlobalId: globalIdOf(id), Name: name, ObjectType: 'Core' };
      this.relations.group(group, ['in core', id], parts);
    }
  }
}
