'use client';

import type { Change } from '@/core/commands/command-inputs';
import { MATERIALS } from '@/core/columns/column';
import type { FloorPlate } from '@/core/floors/floor';
import { holeCount } from '@/core/floors/hole-count';
import { formatArea } from '@/core/units/format-length';
import {
  BUILDING,
  choice,
  extent,
  ID,
  KIND,
  length,
  outline,
  own,
  text,
  type FieldsOf,
} from '../../fields/declared/field-spec';
import { useProject, useSlice } from '../../session/store';
import { FloorExceptions } from './floor-exceptions';
import { FloorZones } from './floor-zones';
import { ThingPanel } from '../../details/thing-panel';

const FIELDS: FieldsOf<FloorPlate, Change<'floors.change', 'floor'>> = {
  kind: KIND,
  id: ID,
  building: BUILDING,
  name: text('Name'),
  thicknessMm: length('Thickness'),
  material: choice(
    'Material',
    MATERIALS.map((material) => [material, material] as const),
  ),
  outline: outline('Outline'),
  levels: extent(),
  exceptions: own(({ record }) => <FloorExceptions plate={record} />),
  zones: own(({ record }) => <FloorZones plate={record} />),
};

/** Fields of a floor plate, with its area per level. */
export function FloorFields({ record: plate }: { record: FloorPlate }) {
  const run = useProject((project) => project.run);
  return (
    <ThingPanel
      record={plate}
      fields={FIELDS}
      give={(part) => run('floors.change', { floor: plate.id, ...part })}
      remove="Delete this floor plate"
      isOwnPlace={'place' in plate.outline}
    >
      <Areas plate={plate} />
    </ThingPanel>
  );
}

function Areas({ plate }: { plate: FloorPlate }) {
  const { solved, display } = useSlice('solved', 'display');
  const pieces = solved?.floors.filter((piece) => piece.plate === plate.id) ?? [];
  // Its zones are parts of it.
  const rows = [...(solved?.levels ?? [])].reverse().flatMap((level) => {
    const here = pieces.filter((piece) => piece.level === level.id);
    if (here.length === 0) return [];
    const areaMm2 = here.reduce((sum, { profile }) => sum + solved!.profiles[profile]!.areaMm2, 0);
    return [{ level, areaMm2, holes: holeCount(here, solved!.profiles) }];
  });
  return (
    <table className="w-full border-t border-faint">
      <caption className="sr-only">Areas by level</caption>
      <thead>
        <tr className="text-left text-ink2">
          <th className="font-normal">Level</th>
          <th className="text-right font-normal">Net area</th>
          <th className="text-right font-normal">Holes</th>
        </tr>
      </thead>
      <tbody className="figures">
        {rows.map(({ level, areaMm2, holes }) => (
          <tr key={level.id}>
            <td>{level.name}</td>
            <td className="text-right">{formatArea(areaMm2, display)}</td>
            <td className="text-right">{holes}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
