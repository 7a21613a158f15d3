'use client';

import { mmOf } from '@/core/dimensions/resolve-length';
import type { FloorPlate } from '@/core/floors/floor';
import { holeCount } from '@/core/floors/hole-count';
import { formatArea } from '@/core/units/format-length';
import { TextField } from '../fields/fields';
import { LengthField } from '../fields/length-field';
import { useSlice } from '../session/store';
import { DeleteButton } from './delete-button';
import { InPlanFields } from './in-plan-fields';
import { ExtentFields } from './extent-fields';
import { FloorExceptions } from './floor-exceptions';
import { FloorZones } from './floor-zones';
import type { Change } from '@/core/model/command-inputs';

/** Fields of a floor plate, with its area per level. */
export function FloorFields({ plate }: { plate: FloorPlate }) {
  const { framework, solved, display, run, mayEdit } = useSlice('framework', 'solved', 'display', 'run', 'mayEdit');
  const change = (part: Change<'floors.change', 'floor'>) => run('floors.change', { floor: plate.id, ...part });
  const pieces = solved?.floors.filter((piece) => piece.plate === plate.id) ?? [];
  // Its zones are parts of it.
  const rows = [...(solved?.levels ?? [])].reverse().flatMap((level) => {
    const here = pieces.filter((piece) => piece.level === level.id);
    if (here.length === 0) return [];
    const areaMm2 = here.reduce((sum, { profile }) => sum + solved!.profiles[profile]!.areaMm2, 0);
    return [{ level, areaMm2, holes: holeCount(here, solved!.profiles) }];
  });
  const { outline } = plate;
  return (
    <div className="flex flex-col gap-1.5">
      <TextField label="Name" value={plate.name} disabled={!mayEdit} onCommit={(name) => change({ name })} />
      <LengthField
        label="Thickness"
        valueMm={mmOf(framework, plate.thicknessMm)}
        disabled={!mayEdit}
        onCommit={(thicknessMm) => change({ thicknessMm })}
      />
      {outline.type === 'gridOffset' && (
        <LengthField
          label="Outside the grid by"
          valueMm={mmOf(framework, outline.offsetMm)}
          disabled={!mayEdit}
          onCommit={(offsetMm) => change({ outline: { ...outline, offsetMm } })}
        />
      )}
      <ExtentFields
        levels={plate.levels}
        building={plate.building}
        onChange={(range) => change({ levels: { range } })}
      />
      <FloorExceptions plate={plate} />
      <FloorZones plate={plate} />
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
      {'place' in plate.outline && <InPlanFields ids={[plate.id]} />}
      <DeleteButton id={plate.id}>Delete this floor plate</DeleteButton>
    </div>
  );
}
