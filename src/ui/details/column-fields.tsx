'use client';

import { MATERIALS, type ColumnStack } from '@/core/columns/column';
import { mmOf } from '@/core/dimensions/resolve-length';
import type { Json } from '@/core/model/json';
import { ActionButton, ChoiceField, TextField } from '../fields/fields';
import { LengthField } from '../fields/length-field';
import { useProject } from '../session/store';
import { EndFields } from './end-fields';
import { MoveFields } from './move-fields';
import { parseAngle } from '@/core/units/parse-angle';

/** Fields of a column stack. */
export function ColumnFields({ stack }: { stack: ColumnStack }) {
  const { framework, solved, run, say, mayEdit, select } = useProject((project) => project);
  const change = (part: Record<string, unknown>) => run('columns.change', { column: stack.id, ...part } as Json);
  const { section } = stack;
  const mark = solved?.columns.find((piece) => piece.stack === stack.id)?.mark ?? '';
  return (
    <div className="flex flex-col gap-1.5">
      <TextField
        label="Mark"
        value={mark}
        disabled={!mayEdit}
        onCommit={(name) => change({ name: name.trim() === '' ? null : name })}
      />
      <ChoiceField
        label="Section"
        value={section.shape}
        disabled={!mayEdit}
        choices={[
          ['rectangle', 'rectangle'],
          ['circle', 'circle'],
        ]}
        onChoose={(shape) => {
          const size = section.shape === 'circle' ? section.diameterMm : section.widthMm;
          const refusal = change({
            section: shape === 'circle' ? { shape, diameterMm: size } : { shape, widthMm: size, depthMm: size },
          });
          if (refusal) say(refusal);
        }}
      />
      {section.shape === 'circle' ? (
        <LengthField
          label="Diameter"
          valueMm={mmOf(framework, section.diameterMm)}
          disabled={!mayEdit}
          onCommit={(diameterMm) => change({ section: { ...section, diameterMm } })}
        />
      ) : (
        <>
          <LengthField
            label="Width"
            valueMm={mmOf(framework, section.widthMm)}
            disabled={!mayEdit}
            onCommit={(widthMm) => change({ section: { ...section, widthMm } })}
          />
          <LengthField
            label="Depth"
            valueMm={mmOf(framework, section.depthMm)}
            disabled={!mayEdit}
            onCommit={(depthMm) => change({ section: { ...section, depthMm } })}
          />
        </>
      )}
      <ChoiceField
        label="Material"
        value={stack.material}
        disabled={!mayEdit}
        choices={MATERIALS.map((material) => [material, material] as const)}
        onChoose={(material) => {
          const refusal = change({ material });
          if (refusal) say(refusal);
        }}
      />
      <TextField
        label="Turned"
        value={`${stack.turnDeg}°`}
        disabled={!mayEdit}
        onCommit={(text) => {
          const parsed = parseAngle(text);
          return parsed.ok ? change({ turnDeg: parsed.value }) : parsed.refusal.message;
        }}
      />
      <EndFields label="Starts at" end={stack.startsAt} onChange={(startsAt) => change({ startsAt })} />
      <EndFields label="Stops at" end={stack.stopsAt} onChange={(stopsAt) => change({ stopsAt })} />
      {mayEdit && <MoveFields ids={[stack.id]} />}
      {mayEdit && (
        <ActionButton
          weight="danger"
          onClick={() => {
            const refusal = run('elements.remove', { ids: [stack.id] });
            if (refusal) say(refusal);
            else select([]);
          }}
        >
          Delete this column stack
        </ActionButton>
      )}
    </div>
  );
}
