import type { Slant } from '@/core/slants/slant';
import { sectionWords, type SectionMm } from '@/core/columns/section-shape';
import type { Point } from '@/core/geometry/point';
import type { Ring } from '@/core/geometry/polygon';
import { cosDeg, sinDeg } from '@/core/geometry/trig';
import type { Shape } from '@/core/kinds/ifc';
import { Looks, type Look } from './looks';
import type { Ref, StepLines } from './step';

/** Placements, profiles and shapes of one file; equal ones are written once. */
export class Shapes {
  readonly world: Ref;
  readonly context: Ref;
  private readonly body: Ref;
  private readonly axis: Ref;
  private readonly profiles = new Map<string, Ref>();
  readonly looks: Looks;

  constructor(
    private readonly step: StepLines,
    trueNorthDeg: number,
  ) {
    this.looks = new Looks(step);
    this.world = this.placement3d({ x: 0, y: 0 }, 0, 0);
    this.context = step.add('IFCGEOMETRICREPRESENTATIONCONTEXT', {
      ContextType: 'Model',
      CoordinateSpaceDimension: 3,
      Precision: 1e-5,
      WorldCoordinateSystem: this.world,
      TrueNorth:
        trueNorthDeg === 0
          ? null
          : step.add('IFCDIRECTION', { DirectionRatios: [-sinDeg(trueNorthDeg), cosDeg(trueNorthDeg)] }),
    });
    const sub = (name: string, view: string) =>
      step.add('IFCGEOMETRICREPRESENTATIONSUBCONTEXT', {
        ContextIdentifier: name,
        ContextType: 'Model',
        ParentContext: this.context,
        TargetView: view,
      });
    this.body = sub('Body', 'MODEL_VIEW');
    this.axis = sub('FootPrint', 'PLAN_VIEW');
  }

  local(parent: Ref, placement: Ref): Ref {
    return this.step.share('IFCLOCALPLACEMENT', { PlacementRelTo: parent, RelativePlacement: placement });
  }

  placement3d(at: Point, z: number, turnDeg: number): Ref {
    const location = this.step.share('IFCCARTESIANPOINT', { Coordinates: [at.x, at.y, z] });
    if (turnDeg === 0) return this.step.share('IFCAXIS2PLACEMENT3D', { Location: location });
    return this.step.share('IFCAXIS2PLACEMENT3D', {
      Location: location,
      Axis: this.step.share('IFCDIRECTION', { DirectionRatios: [0, 0, 1] }),
      RefDirection: this.step.share('IFCDIRECTION', { DirectionRatios: [cosDeg(turnDeg), sinDeg(turnDeg), 0] }),
    });
  }

  /** Along axes of its own: where it begins, the axis it is drawn out along, and its x. */
  along(origin: readonly number[], axis: readonly number[], x: readonly number[]): Ref {
    return this.step.share('IFCAXIS2PLACEMENT3D', {
      Location: this.step.share('IFCCARTESIANPOINT', { Coordinates: origin }),
      Axis: this.step.share('IFCDIRECTION', { DirectionRatios: axis }),
      RefDirection: this.step.share('IFCDIRECTION', { DirectionRatios: x }),
    });
  }

  point2d({ x, y }: Point): Ref {
    return this.step.share('IFCCARTESIANPOINT', { Coordinates: [x, y] });
  }

  /** Lines in plan, as of a grid. */
  lines(curves: Ref[]): Ref {
    const set = this.step.add('IFCGEOMETRICCURVESET', { Elements: curves });
    return this.shape(this.axis, 'FootPrint', 'GeometricCurveSet', [set]);
  }

  /** A shape drawn out of its profiles, with a colour and on a layer where it is to be seen. */
  solid(shape: Shape, look?: Look): Ref {
    if ('slants' in shape) return this.breps(shape.slants, look);
    const parts =
      'section' in shape
        ? [{ profile: this.sectionProfile(shape.section), depthMm: shape.depthMm, z: 0 }]
        : shape.prisms.map(({ outer, holes, depthMm, overFootMm }) => ({
            profile: this.profileWithHoles(outer, holes),
            depthMm,
            z: overFootMm,
          }));
    const solids = parts.map(({ profile, depthMm, z }) =>
      this.step.add('IFCEXTRUDEDAREASOLID', {
        SweptArea: profile,
        Position: z === 0 ? this.world : this.placement3d({ x: 0, y: 0 }, z, 0),
        ExtrudedDirection: this.step.share('IFCDIRECTION', { DirectionRatios: [0, 0, 1] }),
        Depth: depthMm,
      }),
    );
    const representation = this.representation(this.body, 'Body', 'SweptSolid', solids);
    if (look) this.looks.wear(look, solids, representation);
    return this.step.add('IFCPRODUCTDEFINITIONSHAPE', { Representations: [representation] });
  }

  /** Pieces whose faces need not be level, each by its faces. */
  private breps(slants: readonly Slant[], look?: Look): Ref {
    const solids = slants.map((slant) => {
      const high = slant.map(({ x, y, topMm }) => this.point3d(x, y, topMm));
      const low = slant.map(({ x, y, bottomMm }) => this.point3d(x, y, bottomMm));
      const sides = slant.map((_, i) => {
        const next = (i + 1) % slant.length;
        return [low[i]!, low[next]!, high[next]!, high[i]!];
      });
      // Where a piece runs out to nothing two corners of a side are one.
      const loops = [high, [...low].reverse(), ...sides]
        .map((loop) => loop.filter((point, i) => point !== loop[(i + 1) % loop.length]))
        .filter((loop) => loop.length > 2);
      const faces = loops.map((loop) =>
        this.step.add('IFCFACE', {
          Bounds: [
            this.step.add('IFCFACEOUTERBOUND', {
              Bound: this.step.add('IFCPOLYLOOP', { Polygon: loop }),
              Orientation: true,
            }),
          ],
        }),
      );
      return this.step.add('IFCFACETEDBREP', { Outer: this.step.add('IFCCLOSEDSHELL', { CfsFaces: faces }) });
    });
    const representation = this.representation(this.body, 'Body', 'Brep', solids);
    if (look) this.looks.wear(look, solids, representation);
    return this.step.add('IFCPRODUCTDEFINITIONSHAPE', { Representations: [representation] });
  }

  private point3d(x: number, y: number, z: number): Ref {
    return this.step.share('IFCCARTESIANPOINT', { Coordinates: [x, y, z] });
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

  private shape(context: Ref, name: string, type: string, items: Ref[]): Ref {
    const representation = this.representation(context, name, type, items);
    return this.step.add('IFCPRODUCTDEFINITIONSHAPE', { Representations: [representation] });
  }

  private representation(
    ContextOfItems: Ref,
    RepresentationIdentifier: string,
    RepresentationType: string,
    Items: Ref[],
  ): Ref {
    return this.step.add('IFCSHAPEREPRESENTATION', {
      ContextOfItems,
      RepresentationIdentifier,
      RepresentationType,
      Items,
    });
  }
}
