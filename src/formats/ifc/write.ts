import type { Point } from '@/core/geometry/point';
import { bounds, type Ring } from '@/core/geometry/polygon';
import { cosDeg, sinDeg } from '@/core/geometry/trig';
import { sectionWords, type SectionMm } from '@/core/columns/section-shape';
import { recordsOf, type Framework } from '@/core/model/framework';
import type { Id } from '@/core/model/ids';
import type { ColumnBlock, ColumnPiece, FloorPiece, Solved, SolvedBuilding, SolvedLevel } from '@/core/solving/solved';
import { derivedGlobalId, globalIdOf } from './global-id';
import { partsTakenFrom, slabKey } from './slab-parts';
import { writeBodies } from './bodies';
import { writeCeilings } from './ceilings';
import { writeFoundations, type SolidParts } from './foundations';
import { writeWall, type WallParts } from './walls';
import { writeStair, type StairParts } from './stairs';
import { writeGrids, type GridParts } from './grids';
import { StepLines, type Measure, type Ref } from './step';
import { STOREY_SET } from './storey-set';

const identifier = (value: string): Measure => ({ measure: 'IFCIDENTIFIER', value });
const flag = (value: boolean): Measure => ({ measure: 'IFCBOOLEAN', value });

type Quantity = ['LENGTH' | 'AREA' | 'VOLUME', name: string, value: number];

/**
 * Writes the solved framework as an IFC4 file: project, site, buildings, storeys, grids with axes, columns per
 * storey, slabs with openings, shafts as spaces with their openings grouped, common property sets and base
 * quantities. Lengths are millimetres, areas m², volumes m³. GlobalIds come from the records' ids and stay.
 */
export function writeIfc(framework: Framework, solved: Solved, at: Date): string {
  return new IfcWriter(framework, solved).write(at);
}

class IfcWriter {
  private readonly step = new StepLines();
  private readonly world: Ref;
  private readonly body: Ref;
  private readonly axis: Ref;
  private readonly context: Ref;
  private readonly profiles = new Map<string, Ref>();
  /** What walls, shafts and stairs were written as, for the groups they are in. */
  private readonly parts = new Map<Id, Ref[]>();

  constructor(
    private readonly framework: Framework,
    private readonly solved: Solved,
  ) {
    this.world = this.placement3d({ x: 0, y: 0 }, 0, 0);
    const north = this.solved.survey?.trueNorthDeg ?? 0;
    this.context = this.step.add('IFCGEOMETRICREPRESENTATIONCONTEXT', {
      ContextType: 'Model',
      CoordinateSpaceDimension: 3,
      Precision: 1e-5,
      WorldCoordinateSystem: this.world,
      TrueNorth:
        north === 0 ? null : this.step.add('IFCDIRECTION', { DirectionRatios: [-sinDeg(north), cosDeg(north)] }),
    });
    const sub = (name: string, view: string) =>
      this.step.add('IFCGEOMETRICREPRESENTATIONSUBCONTEXT', {
        ContextIdentifier: name,
        ContextType: 'Model',
        ParentContext: this.context,
        TargetView: view,
      });
    this.body = sub('Body', 'MODEL_VIEW');
    this.axis = sub('FootPrint', 'PLAN_VIEW');
  }

  write(at: Date): string {
    const record = [...this.framework.records.values()].find(({ kind }) => kind === 'project');
    const name = record?.kind === 'project' ? record.name : 'Project';
    const project = this.step.add('IFCPROJECT', {
      GlobalId: record ? globalIdOf(record.id) : derivedGlobalId('project'),
      Name: name,
      LongName: name,
      RepresentationContexts: [this.context],
      UnitsInContext: this.units(),
    });
    this.mapConversion();
    const sitePlacement = this.step.add('IFCLOCALPLACEMENT', { RelativePlacement: this.world });
    const site = this.step.add('IFCSITE', {
      GlobalId: derivedGlobalId('site', record?.id ?? ''),
      Name: 'Site',
      ObjectPlacement: sitePlacement,
      CompositionType: 'ELEMENT',
      RefElevation: this.solved.survey?.heightMm ?? 0,
    });
    this.aggregate('project', project, [site]);
    const buildings = this.solved.buildings.map((building) => this.building(building, sitePlacement));
    if (buildings.length > 0) this.aggregate('site', site, buildings);
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
    const placement = this.local(site, this.placement3d(building.at, building.zeroMm, building.turnDeg));
    const ref = this.step.add('IFCBUILDING', {
      GlobalId: globalIdOf(building.id),
      Name: building.name,
      ObjectPlacement: placement,
      CompositionType: 'ELEMENT',
      ElevationOfRefHeight: building.zeroMm,
    });
    const levels = this.solved.levels.filter((level) => level.building === building.id);
    const storeys = levels.map((level) => this.storey(level, placement));
    if (storeys.length > 0)
      this.aggregate(
        `building ${building.id}`,
        ref,
        storeys.map((storey) => storey.ref),
      );
    this.contain(
      `grids ${building.id}`,
      ref,
      writeGrids(this.gridParts(placement), this.framework, building.id, this.solved),
    );
    const openings = new Map<Id, Ref[]>();
    for (const storey of storeys) this.contents(storey, openings);
    this.shafts(building, storeys, openings);
    this.cores(building.id);
    return ref;
  }

  private storey(level: SolvedLevel, building: Ref): { ref: Ref; level: SolvedLevel; placement: Ref } {
    const placement = this.local(building, this.placement3d({ x: 0, y: 0 }, level.fflMm, 0));
    const ref = this.step.add('IFCBUILDINGSTOREY', {
      GlobalId: globalIdOf(level.id),
      Name: level.name,
      ObjectType: level.levelKind,
      LongName: level.title || null,
      ObjectPlacement: placement,
      CompositionType: 'ELEMENT',
      Elevation: level.fflMm,
    });
    this.properties(level.id, ref, 'Pset_BuildingStoreyCommon', {
      AboveGround: { measure: 'IFCLOGICAL', value: level.fflMm >= 0 },
    });
    this.properties(level.id, ref, STOREY_SET, {
      LevelKind: { measure: 'IFCLABEL', value: level.levelKind },
      BuildUp: { measure: 'IFCLENGTHMEASURE', value: level.fflMm - level.sslMm },
    });
    if (level.storeyHeightMm !== null) {
      this.quantities(level.id, ref, 'Qto_BuildingStoreyBaseQuantities', [
        ['LENGTH', 'GrossHeight', level.storeyHeightMm],
      ]);
    }
    return { ref, level, placement };
  }

  /** What the grids are written with. */
  private gridParts(placement: Ref): GridParts {
    return {
      step: this.step,
      placement,
      point: (at) => this.point2d(at),
      shape: (curves) =>
        this.shape(this.axis, 'FootPrint', 'GeometricCurveSet', [
          this.step.add('IFCGEOMETRICCURVESET', { Elements: curves }),
        ]),
    };
  }

  /** Survey coordinates of the project's zero, and the direction of true north. */
  private mapConversion(): void {
    const { survey } = this.solved;
    if (!survey) return;
    const metre = this.step.add('IFCSIUNIT', { UnitType: 'LENGTHUNIT', Name: 'METRE' });
    const target = this.step.add('IFCPROJECTEDCRS', { Name: 'Survey grid of the project', MapUnit: metre });
    this.step.add('IFCMAPCONVERSION', {
      SourceCRS: this.context,
      TargetCRS: target,
      Eastings: survey.eastingMm / 1000,
      Northings: survey.northingMm / 1000,
      OrthogonalHeight: survey.heightMm / 1000,
      XAxisAbscissa: cosDeg(survey.trueNorthDeg),
      XAxisOrdinate: -sinDeg(survey.trueNorthDeg),
      Scale: 0.001,
    });
  }

  private contents(storey: { ref: Ref; level: SolvedLevel; placement: Ref }, openings: Map<Id, Ref[]>): void {
    const { level, placement } = storey;
    const columns = this.solved.columns.filter((piece) => piece.level === level.id);
    const slabs = this.solved.floors.filter((piece) => piece.level === level.id);
    const columnRefs = columns.map((piece) => this.column(piece, level, placement));
    const slabRefs = slabs.map((piece) => this.slab(piece, level, placement, openings));
    const blocks = this.solved.blocks.filter((block) => block.level === level.id);
    const blockRefs = blocks.map((block) => this.block(block, level, placement));
    const wallRefs = this.walls(level, placement);
    const stairRefs = this.stairs(level, placement);
    const parts = this.solidParts(level, placement);
    const footings = writeFoundations(parts, this.framework, this.solved);
    const ceilings = writeCeilings(parts, this.solved);
    const bodies = writeBodies(parts, this.solved);
    this.contain(`storey ${level.id}`, storey.ref, [
      ...columnRefs,
      ...slabRefs,
      ...blockRefs,
      ...wallRefs,
      ...stairRefs,
      ...footings,
      ...ceilings,
      ...bodies.map(({ ref }) => ref),
    ]);
    const byMaterial = new Map<string, Ref[]>();
    const note = (material: string, ref: Ref) => byMaterial.set(material, [...(byMaterial.get(material) ?? []), ref]);
    columns.forEach((piece, i) => note(piece.material, columnRefs[i]!));
    for (const { ref, material } of bodies) note(material, ref);
    slabs.forEach((piece, i) => {
      const plate = this.framework.records.get(piece.plate);
      note(plate?.kind === 'floorPlate' ? plate.material : 'concrete', slabRefs[i]!);
    });
    for (const [material, RelatedObjects] of [...byMaterial].sort()) {
      this.step.add('IFCRELASSOCIATESMATERIAL', {
        GlobalId: derivedGlobalId('material', level.id, material),
        RelatedObjects,
        RelatingMaterial: this.step.share('IFCMATERIAL', { Name: material }),
      });
    }
  }

  private walls(level: SolvedLevel, placement: Ref): Ref[] {
    const parts: WallParts = {
      step: this.step,
      profiles: this.solved.profiles,
      level,
      placement,
      ringProfile: (ring, holes) => this.profileWithHoles(ring, holes),
      extrusions: (solids) => this.extrusions(solids),
      extrusion: (ring, depthMm) => this.extrusion(this.ringProfile(ring), depthMm),
      local: (parent, z) => this.local(parent, this.placement3d({ x: 0, y: 0 }, z, 0)),
      properties: (key, ref, name, values) => this.properties(key, ref, name, values),
      quantities: (key, ref, name, values) => this.quantities(key, ref, name, values),
    };
    return this.solved.walls
      .filter((piece) => piece.level === level.id)
      .flatMap((piece) => {
        const type = this.framework.records.get(piece.type);
        const written = writeWall(parts, piece, type?.kind === 'wallType' ? type.name : 'Wall');
        this.note(piece.wall, written.slice(0, 1));
        return written;
      });
  }

  private note(id: Id, refs: readonly Ref[]): void {
    this.parts.set(id, [...(this.parts.get(id) ?? []), ...refs]);
  }

  private profileWithHoles(ring: Ring, holes: readonly Ring[]): Ref {
    if (holes.length === 0) return this.ringProfile(ring);
    const curve = (corners: Ring) => {
      const points = corners.map((point) => this.point2d(point));
      return this.step.add('IFCPOLYLINE', { Points: [...points, points[0]!] });
    };
    return this.step.add('IFCARBITRARYPROFILEDEFWITHVOIDS', {
      ProfileType: 'AREA',
      OuterCurve: curve(ring),
      InnerCurves: holes.map(curve),
    });
  }

  private stairs(level: SolvedLevel, storey: Ref): Ref[] {
    const parts: StairParts = {
      step: this.step,
      storey,
      level,
      local: (parent, placement) => this.local(parent, placement),
      placement3d: (at, z, turnDeg) => this.placement3d(at, z, turnDeg),
      extrusion: (ring, depthMm) => this.extrusion(this.ringProfile(ring), depthMm),
      aggregate: (key, whole, refs) => this.aggregate(key, whole, refs),
      quantities: (key, ref, name, values) => this.quantities(key, ref, name, values),
    };
    return this.solved.stairs.flatMap((stair) =>
      stair.storeys
        .filter((each) => each.level === level.id)
        .flatMap((each) => {
          const ref = writeStair(parts, stair, each);
          if (ref) this.note(stair.stair, [ref]);
          return ref ? [ref] : [];
        }),
    );
  }

  private solidParts(level: SolvedLevel, placement: Ref): SolidParts {
    return {
      step: this.step,
      level,
      local: (z) => this.local(placement, this.placement3d({ x: 0, y: 0 }, z, 0)),
      solids: (profile, depthMm) =>
        this.extrusions(
          this.solved.profiles[profile]!.regions.map(({ outer, holes }) => ({
            profile: this.profileWithHoles(outer, holes),
            depthMm,
            z: 0,
          })),
        ),
      properties: (key, ref, name, values) => this.properties(key, ref, name, values),
      quantities: (key, ref, name, values) => this.quantities(key, ref, name, values),
    };
  }

  private column(piece: ColumnPiece, level: SolvedLevel, storey: Ref): Ref {
    const heightMm = piece.topMm - piece.bottomMm;
    const ref = this.step.add('IFCCOLUMN', {
      GlobalId: derivedGlobalId('column', piece.stack, piece.level),
      Name: piece.mark,
      ObjectType: sectionWords(piece.section),
      ObjectPlacement: this.local(storey, this.placement3d(piece.at, piece.bottomMm - level.fflMm, piece.turnDeg)),
      Representation: this.extrusion(this.sectionProfile(piece.section), heightMm),
      Tag: piece.stack,
      PredefinedType: 'COLUMN',
    });
    const key = `${piece.stack} ${piece.level}`;
    this.properties(key, ref, 'Pset_ColumnCommon', {
      Reference: identifier(sectionWords(piece.section)),
      LoadBearing: flag(true),
      IsExternal: flag(false),
    });
    this.quantities(key, ref, 'Qto_ColumnBaseQuantities', [
      ['LENGTH', 'Length', heightMm],
      ['AREA', 'CrossSectionArea', piece.volumeMm3 / heightMm / 1e6],
      ['VOLUME', 'NetVolume', piece.volumeMm3 / 1e9],
    ]);
    return ref;
  }

  /** A column head or slab thickening, under the slab of its level. */
  private block(block: ColumnBlock, level: SolvedLevel, storey: Ref): Ref {
    const { widthMm, depthMm, at, turnDeg, bottomMm, topMm } = block;
    const ref = this.step.add('IFCBUILDINGELEMENTPROXY', {
      GlobalId: derivedGlobalId(block.block, block.stack, block.level),
      Name: `${block.mark} ${block.block}`,
      ObjectType: block.block === 'head' ? 'Column head' : 'Slab thickening',
      ObjectPlacement: this.local(storey, this.placement3d(at, bottomMm - level.fflMm, turnDeg)),
      Representation: this.extrusion(this.sectionProfile({ shape: 'rectangle', widthMm, depthMm }), topMm - bottomMm),
      Tag: block.stack,
      PredefinedType: 'ELEMENT',
    });
    this.quantities(`${block.block} ${block.stack} ${block.level}`, ref, 'Qto_BuildingElementProxyQuantities', [
      ['VOLUME', 'NetVolume', block.volumeMm3 / 1e9],
    ]);
    return ref;
  }

  private slab(piece: FloorPiece, level: SolvedLevel, storey: Ref, openings: Map<Id, Ref[]>): Ref {
    const profile = this.solved.profiles[piece.profile]!;
    const outline = piece.outline;
    const bottom = piece.topMm - piece.thicknessMm - level.fflMm;
    const placement = this.local(storey, this.placement3d({ x: 0, y: 0 }, bottom, 0));
    const isRoof = level.levelKind === 'roof';
    const ref = this.step.add('IFCSLAB', {
      GlobalId: derivedGlobalId('slab', ...slabKey(piece, this.solved)),
      Name: `${piece.name} ${level.name}${piece.zone ? ` ${piece.zone.name}` : ''}`,
      ObjectPlacement: placement,
      Representation: this.extrusion(this.ringProfile(outline), piece.thicknessMm),
      Tag: piece.plate,
      PredefinedType: isRoof ? 'ROOF' : 'FLOOR',
    });
    const slabText = slabKey(piece, this.solved).join(' ');
    this.properties(slabText, ref, 'Pset_SlabCommon', {
      Reference: identifier(piece.name),
      LoadBearing: flag(true),
      IsExternal: flag(isRoof),
    });
    this.quantities(slabText, ref, 'Qto_SlabBaseQuantities', [
      ['LENGTH', 'Width', piece.thicknessMm],
      ['LENGTH', 'Perimeter', profile.perimeterMm],
      ['AREA', 'NetArea', profile.areaMm2 / 1e6],
      ['VOLUME', 'NetVolume', piece.volumeMm3 / 1e9],
    ]);
    // One cutter may make several openings in a slab; those after its first are numbered.
    const made = new Map<Id, number>();
    piece.holes.forEach(({ by, ring }, i) => {
      const nth = by === null ? i : (made.get(by) ?? 0);
      if (by !== null) made.set(by, nth + 1);
      const key = by === null ? `void ${i}` : nth === 0 ? by : `${by} ${nth}`;
      const cutter = by === null ? undefined : this.framework.records.get(by);
      const name = cutter && 'name' in cutter && cutter.name ? cutter.name : 'Void';
      const opening = this.opening({ key, name, ring }, piece, ref, placement);
      if (by !== null) openings.set(by, [...(openings.get(by) ?? []), opening]);
    });
    // Zones lie in it as slabs of their own.
    partsTakenFrom(piece, this.solved).forEach(({ zone, outline: ring }, i) => {
      this.opening({ key: `zone ${zone!.id} ${i}`, name: `Zone ${zone!.name}`, ring }, piece, ref, placement);
    });
    piece.gaps.forEach((ring, i) => {
      this.opening({ key: `joint ${i}`, name: 'Movement joint', ring }, piece, ref, placement);
    });
    return ref;
  }

  /** An opening in a slab: it stands 10 mm out of the slab on both sides, so no skin is left by a reader's rounding. */
  private opening(
    { key, name, ring }: { key: string; name: string; ring: Ring },
    piece: FloorPiece,
    slab: Ref,
    placement: Ref,
  ): Ref {
    const opening = this.step.add('IFCOPENINGELEMENT', {
      GlobalId: derivedGlobalId('opening', key, ...slabKey(piece, this.solved)),
      Name: name,
      ObjectPlacement: this.local(placement, this.placement3d({ x: 0, y: 0 }, -10, 0)),
      Representation: this.extrusion(this.ringProfile(ring), piece.thicknessMm + 20),
      Tag: key,
      PredefinedType: 'OPENING',
    });
    this.step.add('IFCRELVOIDSELEMENT', {
      GlobalId: derivedGlobalId('voids', key, ...slabKey(piece, this.solved)),
      RelatingBuildingElement: slab,
      RelatedOpeningElement: opening,
    });
    return opening;
  }

  /** Each core as a group of its walls, shafts and stairs. */
  private cores(building: Id): void {
    for (const core of recordsOf(this.framework, 'core')) {
      const parts = core.members.flatMap((id) => this.parts.get(id) ?? []);
      if (core.building !== building || parts.length === 0) continue;
      const group = this.step.add('IFCGROUP', {
        GlobalId: globalIdOf(core.id),
        Name: core.name,
        ObjectType: 'Core',
      });
      this.step.add('IFCRELASSIGNSTOGROUP', {
        GlobalId: derivedGlobalId('in core', core.id),
        RelatedObjects: parts,
        RelatingGroup: group,
      });
    }
  }

  private shafts(
    building: SolvedBuilding,
    storeys: { ref: Ref; level: SolvedLevel; placement: Ref }[],
    openings: ReadonlyMap<Id, Ref[]>,
  ): void {
    const bySpace = new Map<Ref, Ref[]>();
    for (const shaft of this.solved.shafts.filter((candidate) => candidate.building === building.id)) {
      const foot =
        storeys.filter(({ level }) => level.bounding && level.sslMm <= shaft.bottomMm + 1).at(-1) ?? storeys[0];
      if (!foot || shaft.topMm <= shaft.bottomMm) continue;
      const heightMm = shaft.topMm - shaft.bottomMm;
      const space = this.step.add('IFCSPACE', {
        GlobalId: globalIdOf(shaft.shaft),
        Name: shaft.name,
        ObjectType: 'Shaft',
        LongName: `Shaft ${shaft.name}, ${shaft.purpose}`,
        ObjectPlacement: this.local(
          foot.placement,
          this.placement3d({ x: 0, y: 0 }, shaft.bottomMm - foot.level.fflMm, 0),
        ),
        Representation: this.extrusions(
          shaft.stages.map((stage) => ({
            profile: this.ringProfile(stage.ring),
            depthMm: stage.topMm - stage.bottomMm,
            z: stage.bottomMm - shaft.bottomMm,
          })),
        ),
        CompositionType: 'ELEMENT',
        PredefinedType: 'INTERNAL',
      });
      const box = bounds(shaft.ring);
      this.properties(shaft.shaft, space, 'Pset_SpaceCommon', {
        Reference: identifier(shaft.purpose),
        IsExternal: flag(false),
      });
      this.quantities(shaft.shaft, space, 'Qto_SpaceBaseQuantities', [
        ['LENGTH', 'Height', heightMm],
        ['LENGTH', 'GrossPerimeter', 2 * (box.maxX - box.minX + box.maxY - box.minY)],
      ]);
      this.note(shaft.shaft, [space]);
      bySpace.set(foot.ref, [...(bySpace.get(foot.ref) ?? []), space]);
      const cut = openings.get(shaft.shaft);
      if (!cut) continue;
      const group = this.step.add('IFCGROUP', {
        GlobalId: derivedGlobalId('shaft group', shaft.shaft),
        Name: shaft.name,
        ObjectType: 'Shaft',
      });
      this.step.add('IFCRELASSIGNSTOGROUP', {
        GlobalId: derivedGlobalId('in shaft group', shaft.shaft),
        RelatedObjects: [space, ...cut],
        RelatingGroup: group,
      });
    }
    for (const [storey, spaces] of bySpace) this.aggregate(`spaces ${building.id} ${storey.line}`, storey, spaces);
  }

  private properties(key: string, ref: Ref, name: string, values: Record<string, Measure>): void {
    const HasProperties = Object.entries(values).map(([Name, NominalValue]) =>
      this.step.share('IFCPROPERTYSINGLEVALUE', { Name, NominalValue }),
    );
    const set = this.step.add('IFCPROPERTYSET', { GlobalId: derivedGlobalId(name, key), Name: name, HasProperties });
    this.define(`${name} of ${key}`, ref, set);
  }

  private quantities(key: string, ref: Ref, name: string, values: readonly Quantity[]): void {
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

  private aggregate(key: string, whole: Ref, parts: readonly Ref[]): void {
    this.step.add('IFCRELAGGREGATES', {
      GlobalId: derivedGlobalId('aggregates', key),
      RelatingObject: whole,
      RelatedObjects: parts,
    });
  }

  private contain(key: string, structure: Ref, elements: readonly Ref[]): void {
    if (elements.length === 0) return;
    this.step.add('IFCRELCONTAINEDINSPATIALSTRUCTURE', {
      GlobalId: derivedGlobalId('contains', key),
      RelatedElements: elements,
      RelatingStructure: structure,
    });
  }

  private local(parent: Ref, placement: Ref): Ref {
    return this.step.share('IFCLOCALPLACEMENT', { PlacementRelTo: parent, RelativePlacement: placement });
  }

  private placement3d(at: Point, z: number, turnDeg: number): Ref {
    const location = this.step.share('IFCCARTESIANPOINT', { Coordinates: [at.x, at.y, z] });
    if (turnDeg === 0) return this.step.share('IFCAXIS2PLACEMENT3D', { Location: location });
    return this.step.share('IFCAXIS2PLACEMENT3D', {
      Location: location,
      Axis: this.step.share('IFCDIRECTION', { DirectionRatios: [0, 0, 1] }),
      RefDirection: this.step.share('IFCDIRECTION', { DirectionRatios: [cosDeg(turnDeg), sinDeg(turnDeg), 0] }),
    });
  }

  private point2d({ x, y }: Point): Ref {
    return this.step.share('IFCCARTESIANPOINT', { Coordinates: [x, y] });
  }

  private sectionProfile(section: SectionMm): Ref {
    const origin = this.step.share('IFCAXIS2PLACEMENT2D', { Location: this.point2d({ x: 0, y: 0 }) });
    const common = { ProfileType: 'AREA', ProfileName: sectionWords(section), Position: origin };
    if (section.shape === 'I') {
      return this.step.share('IFCISHAPEPROFILEDEF', {
        ...common,
        OverallWidth: section.widthMm,
        OverallDepth: section.depthMm,
        WebThickness: section.webMm,
        FlangeThickness: section.flangeMm,
      });
    }
    return section.shape === 'circle'
      ? this.step.share('IFCCIRCLEPROFILEDEF', { ...common, Radius: section.diameterMm / 2 })
      : this.step.share('IFCRECTANGLEPROFILEDEF', { ...common, XDim: section.widthMm, YDim: section.depthMm });
  }

  private ringProfile(ring: Ring): Ref {
    const key = ring.map(({ x, y }) => `${x},${y}`).join(' ');
    let ref = this.profiles.get(key);
    if (!ref) {
      const points = ring.map((point) => this.point2d(point));
      ref = this.step.add('IFCARBITRARYCLOSEDPROFILEDEF', {
        ProfileType: 'AREA',
        OuterCurve: this.step.add('IFCPOLYLINE', { Points: [...points, points[0]!] }),
      });
      this.profiles.set(key, ref);
    }
    return ref;
  }

  private extrusion(profile: Ref, depthMm: number): Ref {
    return this.extrusions([{ profile, depthMm, z: 0 }]);
  }

  private extrusions(parts: readonly { profile: Ref; depthMm: number; z: number }[]): Ref {
    const solids = parts.map(({ profile, depthMm, z }) =>
      this.step.add('IFCEXTRUDEDAREASOLID', {
        SweptArea: profile,
        Position: z === 0 ? this.world : this.placement3d({ x: 0, y: 0 }, z, 0),
        ExtrudedDirection: this.step.share('IFCDIRECTION', { DirectionRatios: [0, 0, 1] }),
        Depth: depthMm,
      }),
    );
    return this.shape(this.body, 'Body', 'SweptSolid', solids);
  }

  private shape(ContextOfItems: Ref, RepresentationIdentifier: string, RepresentationType: string, Items: Ref[]): Ref {
    const representation = this.step.add('IFCSHAPEREPRESENTATION', {
      ContextOfItems,
      RepresentationIdentifier,
      RepresentationType,
      Items,
    });
    return this.step.add('IFCPRODUCTDEFINITIONSHAPE', { Representations: [representation] });
  }
}
