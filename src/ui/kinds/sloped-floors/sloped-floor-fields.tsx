'use client';

import { rampRuleChoices } from '@/core/rule-sets/rules-in';
import type { Change } from '@/core/commands/command-inputs';
import { mmOf } from '@/core/dimensions/resolve-length';
import { slopeInFull } from '@/core/ramps/slope-words';
import { assembliesOf } from '@/core/slants/assembly';
import type { SlopedFloor } from '@/core/sloped-floors/sloped-floor';
import { formatArea } from '@/core/units/format-length';
import { ThingPanel } from '../../details/thing-panel';
import { BUILDING, choice, end, ID, KIND, length, own, text, type FieldsOf } from '../../fields/declared/field-spec';
import { ActionButton, AngleField, CheckField } from '../../fields/fields';
import { LengthField } from '../../fields/length-field';
import { useProject, useSlice } from '../../session/store';

const FIELDS: FieldsOf<SlopedFloor, Change<'slopedFloors.change', 'slopedFloor'>> = {
  kind: KIND,
  id: ID,
  building: BUILDING,
  name: text('Name'),
  baseAt: end('At level'),
  heights: own(CornerHeights),
  outline: own(Faces),
  alongDeg: own(Along),
  rules: choice('Rule set', (_, { framework }) => rampRuleChoices(framework)),
  thicknessMm: length('Thickness'),
};

/** The height of each corner over where the floor lies. */
function CornerHeights({ record: floor }: { record: SlopedFloor }) {
  const { framework, run, mayEdit } = useSlice('framework', 'run', 'mayEdit');
  return (
    <fieldset className="flex flex-col gap-1">
      <legend className="text-[11px] text-ink2">Corners, counter-clockwise, over that</legend>
      {floor.heights.map((height, i) => (
        <LengthField
          key={i}
          label={`Corner ${i + 1}, high`}
          valueMm={mmOf(framework, height)}
          disabled={!mayEdit}
          onCommit={(heightMm) => run('slopedFloors.setCorner', { slopedFloor: floor.id, corner: i, heightMm })}
        />
      ))}
    </fieldset>
  );
}

const WAYS = [
  [0, 'right'],
  [90, 'up the plan'],
  [180, 'left'],
  [270, 'down the plan'],
] as const;

/** What its faces are like, and what makes them comply. */
function Faces({ record: floor }: { record: SlopedFloor }) {
  const { solved, run, mayEdit, display } = useSlice('solved', 'run', 'mayEdit', 'display');
  const made = assembliesOf(solved?.assemblies ?? [], 'slopedFloor').find(({ thing }) => thing === floor.id);
  if (!made) return null;
  const isSteep = (ratio: number | null) => ratio !== null && ratio < made.info.limit - 1e-6;
  return (
    <div className="flex flex-col gap-1">
      <table className="figures w-full text-[11px]" aria-label={`Faces of sloped floor ${floor.name}`}>
        <thead>
          <tr className="text-left text-ink2">
            {['slope', 'falls to', 'area'].map((words) => (
              <th key={words} scope="col" className="font-normal">
                {words}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {made.info.faces.map(({ slopeRatio, fallDeg, areaM2 }, i) => (
            <tr key={i} className="border-t border-faint">
              <td className={isSteep(slopeRatio) ? 'font-bold text-wrong' : ''}>
                {slopeRatio === null ? 'level' : slopeInFull(slopeRatio)}
              </td>
              <td>{fallDeg === null ? '–' : `${Math.round(fallDeg * 10) / 10}°`}</td>
              <td>{formatArea(areaM2 * 1e6, display)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {mayEdit && isSteep(floor.alongDeg === null ? made.info.steepest : made.info.along) && (
        <div role="group" aria-label="Make it comply" className="flex flex-wrap items-baseline gap-1">
          <span className="text-[11px] text-ink2">Make it comply, longer to the</span>
          {WAYS.map(([towardsDeg, words]) => (
            <ActionButton
              key={towardsDeg}
              onClick={() => run('slopedFloors.comply', { slopedFloor: floor.id, towardsDeg })}
            >
              {words}
            </ActionButton>
          ))}
        </div>
      )}
    </div>
  );
}

/** Which way one goes over it: slope along it and across are looked at apart. */
function Along({ record: floor }: { record: SlopedFloor }) {
  const run = useProject((project) => project.run);
  const mayEdit = useProject((project) => project.mayEdit);
  const give = (alongDeg: number | null) => run('slopedFloors.change', { slopedFloor: floor.id, alongDeg });
  return (
    <>
      <CheckField
        label="Slope along the way one goes, and across"
        value={floor.alongDeg !== null}
        disabled={!mayEdit}
        onChange={(on) => void give(on ? 90 : null)}
      />
      {floor.alongDeg !== null && (
        <AngleField label="One goes towards" valueDeg={floor.alongDeg} disabled={!mayEdit} onCommit={give} />
      )}
    </>
  );
}

/** Fields of a sloped floor. */
export function SlopedFloorFields({ record: floor }: { record: SlopedFloor }) {
  const run = useProject((project) => project.run);
  return (
    <ThingPanel
      record={floor}
      fields={FIELDS}
      give={(part) => run('slopedFloors.change', { slopedFloor: floor.id, ...part })}
      remove="Delete this sloped floor"
    />
  );
}
