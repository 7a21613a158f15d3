import type { Point } from '@/core/geometry/point';
import { outset } from '@/core/roof-planes/outset';
import { outlineFault, pitchedRoof } from '@/core/roof-planes/pitched';
import { readBands, slopeOfRun } from '@/core/roof-planes/slopes';
import { BadInput } from './outputs';

/** What is typed after `solve-roof`. */
export interface RoofOptions {
  outline?: string;
  hole?: string[];
  slopes?: string;
  overhang?: string;
  eaves?: string;
}

function corners(option: string, text: string): Point[] {
  const points = text
    .trim()
    .split(/\s+/)
    .map((pair) => {
      const [x, y, more] = pair.split(',').map(Number);
      if (more !== undefined || !Number.isFinite(x) || !Number.isFinite(y) || Math.abs(x!) > 1e7 || Math.abs(y!) > 1e7)
        throw new BadInput(`--${option} is corners in millimetres, like "0,0 10000,0 10000,6000 0,6000"; not ${pair}`);
      return { x: x!, y: y! };
    });
  if (points.length < 3 || points.length > 2000)
    throw new BadInput(`--${option} has three corners or more, 2000 at most`);
  return points;
}

function number(option: string, text: string | undefined, least: number, most: number): number {
  const mm = Number(text ?? 0);
  if (text?.trim() === '' || !Number.isFinite(mm) || mm < least || mm > most)
    throw new BadInput(`--${option} is a number of millimetres, ${least} to ${most}, not ${text}`);
  return mm;
}

/** The faces of a pitched roof over an outline, without a framework. Edges are counted from the outline's first, then those of its courtyards. */
export function solveRoof(file: string | undefined, options: RoofOptions) {
  if (file !== undefined) throw new BadInput(`solve-roof takes options only: "${file}" is one too many`);
  if (options.outline === undefined) throw new BadInput('Say what it stands on: --outline "x,y x,y …"');
  if (options.slopes === undefined) throw new BadInput('Say how steep its edges are: --slopes "40,35,gable,…"');
  const rings = [corners('outline', options.outline), ...(options.hole ?? []).map((text) => corners('hole', text))];
  const count = rings.reduce((sum, ring) => sum + ring.length, 0);
  const written = options.slopes.split(',');
  if (written.length !== 1 && written.length !== count)
    throw new BadInput(`--slopes has one for each of the ${count} edges, or one for all; these are ${written.length}`);
  const bands = written.map(
    (text) =>
      readBands(text) ??
      fail(`--slopes are degrees, like 40, ratios like 1:1.5, percents like 60%, gable or wall; not "${text.trim()}"`),
  );
  const eaves = number('eaves', options.eaves, -1e6, 1e6);
  const overhang = number('overhang', options.overhang, 0, 20_000);
  const fault = outlineFault(rings);
  if (fault) throw new BadInput(fault.message);
  const over = rings.map((ring, i) => (overhang === 0 ? ring : outset(ring, () => overhang, i > 0)));
  const bandsOf = (edge: number) =>
    bands[bands.length === 1 ? 0 : edge]!.map(({ fromMm, runPerRise }) => ({ fromMm: fromMm + eaves, runPerRise }));
  const made = pitchedRoof(over, bandsOf, eaves);
  if (!made.ok) throw new BadInput(made.message);
  return made.roof.faces.map(({ points, runPerRise, areaMm2 }) => ({
    slopeDeg: rounded(slopeOfRun(runPerRise)),
    areaM2: rounded(areaMm2 / 1e6),
    points: points.map(({ x, y, z }) => [x, y, z].map(fine)),
  }));
}

/** Finer than any plane is looked at. */
const fine = (mm: number): number => Math.round(mm * 1e9) / 1e9 || 0;
const rounded = (value: number): number => Math.round(value * 1e6) / 1e6;
const fail = (message: string): never => {
  throw new BadInput(message);
};
