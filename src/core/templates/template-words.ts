import { ringArea } from '../geometry/polygon';
import type { Solved } from '../solving/solved';
import { formatArea, formatLength, IMPERIAL, METRIC } from '../units/format-length';
import type { LengthSystem } from './template';

/** What a template would make, in a line: storeys, height from the lowest floor to the roof, floor area, rooms. */
export function templateWords({ levels, floors, rooms, findings }: Solved, system: LengthSystem): string {
  const display = system === 'imperial' ? IMPERIAL : METRIC;
  const houses = [...new Set(levels.map(({ building }) => building))].map((id) =>
    levels.filter((level) => level.building === id),
  );
  const storeys = Math.max(...houses.map((own) => own.filter(({ storeyHeightMm }) => storeyHeightMm !== null).length));
  const heights = houses.map((own) => own.map(({ fflMm }) => fflMm));
  const high = Math.max(...heights.map((own) => Math.max(...own) - Math.min(...own)));
  const floorMm2 = floors.reduce((sum, { outline }) => sum + Math.abs(ringArea(outline)), 0);
  const named = rooms.filter(({ name }) => name !== null && name !== '').length;
  return [
    ...(houses.length > 1 ? [`${houses.length} buildings`] : []),
    `${storeys} ${storeys === 1 ? 'storey' : 'storeys'}`,
    `${formatLength(high, display)} from the lowest floor to the roof`,
    ...(floorMm2 > 0 ? [`${formatArea(floorMm2, display)} of slabs`] : []),
    ...(named > 0 ? [`${named} rooms named`] : []),
    ...(findings.length > 0 ? [`${findings.length} to look at`] : []),
  ].join(' · ');
}
