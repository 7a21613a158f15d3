'use client';

import { mmOf } from '@/core/dimensions/resolve-length';
import type { FloorPlate } from '@/core/floors/floor';
import type { Json } from '@/core/model/json';
import { formatArea } from '@/core/units/format-length';
import { ActionButton, ChoiceField, TextField } from '../fields/fields';
import { LengthField } from '../fields/length-field';
import { useProject } from '../session/store';
import { FloorExceptions } from './floor-exceptions';

/** Fields of a floor plate, with its area per level. */
export function FloorFields({ plate }: { plate: FloorPlate }) {
  const { framework, solved, display, building, run, say, mayEdit, select } = useProject((project) => project);
  const change = (part: Record<string, unknown>) => run('floors.change', { floor: plate.id, ...part } as Json);
  const storeys = (solved?.levels ?? []).filter((level) => level.building === building && level.bounding);
  const choices = [...storeys].reverse().map(({ id, name }) => [id, name] as const);
  const pieces = solved?.floors.filter((piece) => piece.plate === plate.id) ?? [];
  const { levels, outline } = plate;
  const attempt = (range: [string, string]) => {
    const refusal = change({ levels: { range } });
    if (refusal) say(refusal);
  };
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
      {'range' in levels && (
        <>
          <ChoiceField
            label="From level"
            value={levels.range[0]}
            choices={choices}
            disabled={!mayEdit}
            onChoose={(id) => attempt([id, levels.range[1]])}
          />
          <ChoiceField
            label="To level"
            value={levels.range[1]}
            choices={choices}
            disabled={!mayEdit}
            onChoose={(id) => attempt([levels.range[0], id])}
          />
        </>
      )}
      <FloorExceptions plate={plate} />
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
          {[...pieces].reverse().map((piece) => {
            const profile = solved!.profiles[piece.profile]!;
            return (
              <tr key={piece.level}>
                <td>{solved!.levels.find(({ id }) => id === piece.level)?.name}</td>
                <td className="text-right">{formatArea(profile.areaMm2, display)}</td>
                <td className="text-right">{profile.holeCount}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {mayEdit && (
        <ActionButton
          weight="danger"
          onClick={() => {
            const refusal = run('elements.remove', { ids: [plate.id] });
            if (refusal) say(refusal);
            else select([]);
          }}
        >
          Delete this floor plate
        </ActionButton>
      )}
    </div>
  );
}
