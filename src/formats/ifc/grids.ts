import type { Curve } from '@/core/geometry/curve';
import { endsOf } from '@/core/geometry/curve';
import { cross, lengthOf, minus, type Point } from '@/core/geometry/point';
import type { Framework } from '@/core/model/framework';
import type { Id } from '@/core/model/ids';
import type { Solved, SolvedLine } from '@/core/solving/solved';
import { globalIdOf } from './global-id';
import type { Ref, StepLines } from './step';

/** What grids are written with: the file, where they stand, points of a plane, and a shape of curves. */
export interface GridParts {
  step: StepLines;
  placement: Ref;
  point: (at: Point) => Ref;
  shape: (curves: Ref[]) => Ref;
}

const TYPES = { rectangular: 'RECTANGULAR', radial: 'RADIAL', free: 'IRREGULAR' } as const;

/**
 * One IfcGrid per system of a building, with all its lines; a line alone, which the format knows no grid of, and setting-out lines
 * as annotations. Rings and free arcs are trimmed circles, whole rings circles.
 */
export function writeGrids(parts: GridParts, framework: Framework, building: Id, solved: Solved): Ref[] {
  const own = solved.lines.filter((line) => line.building === building);
  const systems = [...new Set(own.map(({ system }) => system))];
  const grids = systems.map((system) => {
    const lines = own.filter((line) => line.system === system);
    const record = framework.records.get(system);
    const name = record && 'name' in record ? record.name : 'Grid';
    const [u, v] = twoWays(lines);
    const tagOf = (line: SolvedLine) => line.label || `${name} ${lines.indexOf(line) + 1}`;
    if (u.length === 0 || v.length === 0)
      return annotation(parts, { id: lines[0]!.id, name: tagOf(lines[0]!), what: 'Grid line' }, lines[0]!.curve);
    const curves: Ref[] = [];
    const axes = (some: readonly SolvedLine[]) =>
      some.map((line) => {
        const curve = writeCurve(parts, line.curve);
        curves.push(curve);
        return parts.step.add('IFCGRIDAXIS', { AxisTag: tagOf(line), AxisCurve: curve, SameSense: true });
      });
    const [UAxes, VAxes] = [axes(u), axes(v)];
    return parts.step.add('IFCGRID', {
      GlobalId: globalIdOf(system),
      Name: name,
      ObjectPlacement: parts.placement,
      Representation: parts.shape(curves),
      UAxes,
      VAxes,
      PredefinedType: TYPES[lines[0]!.shape],
    });
  });
  const settingOut = solved.settingOut
    .filter((line) => line.building === building)
    .map(({ id, name, curve }) => annotation(parts, { id, name, what: 'Setting-out line' }, curve));
  return [...grids, ...settingOut];
}

/** A line in plan that is no axis of a grid. */
function annotation(parts: GridParts, { id, name, what }: { id: Id; name: string; what: string }, curve: Curve): Ref {
  return parts.step.add('IFCANNOTATION', {
    GlobalId: globalIdOf(id),
    Name: name,
    ObjectType: what,
    ObjectPlacement: parts.placement,
    Representation: parts.shape([writeCurve(parts, curve)]),
  });
}

/** An IfcGrid has two families. Lines of one family are parted into those along the first and the others. */
function twoWays(lines: readonly SolvedLine[]): [SolvedLine[], SolvedLine[]] {
  const [u, v] = (['a', 'b'] as const).map((direction) => lines.filter((line) => line.direction === direction)) as [
    SolvedLine[],
    SolvedLine[],
  ];
  if (u.length > 0 && v.length > 0) return [u, v];
  const all = [...u, ...v];
  const isAlong = (line: SolvedLine) => {
    const [p, q] = [all[0]!.curve, line.curve];
    if (p.kind === 'arc' || q.kind === 'arc') return p.kind === q.kind;
    const [d, e] = [minus(p.to, p.from), minus(q.to, q.from)];
    return Math.abs(cross(d, e)) < 0.5 * lengthOf(d) * lengthOf(e);
  };
  const along = all.filter(isAlong);
  // All one way: the last stands for the second family, which the format asks for.
  return along.length === all.length
    ? [all.slice(0, -1), all.slice(-1)]
    : [along, all.filter((line) => !isAlong(line))];
}

function writeCurve({ step, point }: GridParts, curve: Curve): Ref {
  const [from, to] = endsOf(curve);
  if (curve.kind === 'segment') return step.add('IFCPOLYLINE', { Points: [point(from), point(to)] });
  const circle = step.add('IFCCIRCLE', {
    Position: step.share('IFCAXIS2PLACEMENT2D', { Location: point(curve.centre) }),
    Radius: curve.radiusMm,
  });
  if (curve.sweepDeg >= 360) return circle;
  return step.add('IFCTRIMMEDCURVE', {
    BasisCurve: circle,
    Trim1: [point(from)],
    Trim2: [point(to)],
    SenseAgreement: true,
    MasterRepresentation: 'CARTESIAN',
  });
}
