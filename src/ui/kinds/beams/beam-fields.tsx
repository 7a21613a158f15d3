'use client';

import { BEAM_FORMS, type Beam, type BeamException } from '@/core/beams/beam';
import { MATERIALS } from '@/core/columns/column';
import { mmOf } from '@/core/dimensions/resolve-length';
import { formatLength, formatVolume } from '@/core/units/format-length';
import { ExceptionList } from '../../details/exception-list';
import { ThingPanel } from '../../details/thing-panel';
import {
  BUILDING,
  choice,
  extent,
  ID,
  KIND,
  length,
  own,
  place,
  text,
  type FieldsOf,
} from '../../fields/declared/field-spec';
import { CheckField } from '../../fields/fields';
import { LengthField } from '../../fields/length-field';
import { useProject, useSlice } from '../../session/store';
import type { Change } from '@/core/commands/command-inputs';

const FIELDS: FieldsOf<Beam, Change<'beams.change', 'beam'>> = {
  kind: KIND,
  id: ID,
  building: BUILDING,
  name: text('Name'),
  form: choice(
    'Form',
    BEAM_FORMS.map((form) => [form, form] as const),
  ),
  from: place('From'),
  to: place('To'),
  widthMm: length('Wide'),
  depthMm: length('Deep, under the slab'),
  material: choice(
    'Material',
    MATERIALS.map((material) => [material, material] as const),
  ),
  levels: extent(),
  exceptions: own(Exceptions),
};

/** Fields of a beam or downstand: every one it has. */
export function BeamFields({ record: beam }: { record: Beam }) {
  const run = useProject((project) => project.run);
  return (
    <ThingPanel
      record={beam}
      fields={FIELDS}
      give={(part) => run('beams.change', { beam: beam.id, ...part })}
      remove={`Delete this ${beam.form}`}
    >
      <Levels beam={beam} />
    </ThingPanel>
  );
}

/** By level: how deep it is, what is clear under it, and its volume. */
function Levels({ beam: { id, building } }: { beam: Beam }) {
  const { solved, display } = useSlice('solved', 'display');
  const levels = (solved?.levels ?? []).filter((level) => level.building === building);
  const rows = [...(solved?.bodies ?? [])].reverse().flatMap((body) => {
    if (body.thing !== id) return [];
    const level = levels.find((each) => each.id === body.level);
    const below = levels.find((each) => each.id === body.seenAt);
    return [{ body, name: level?.name ?? '', clearMm: below ? body.bottomMm - below.fflMm : null }];
  });
  return (
    <table className="w-full border-t border-faint">
      <caption className="sr-only">Depth, clear height under it and volume by level</caption>
      <thead>
        <tr className="text-left text-ink2">
          <th className="font-normal">Under</th>
          <th className="text-right font-normal">Deep</th>
          <th className="text-right font-normal">Clear</th>
          <th className="text-right font-normal">Volume</th>
        </tr>
      </thead>
      <tbody className="figures">
        {rows.map(({ body, name, clearMm }) => (
          <tr key={body.level}>
            <td>{name}</td>
            <td className="text-right">{formatLength(body.topMm - body.bottomMm, display)}</td>
            <td className="text-right">{clearMm === null ? '–' : formatLength(clearMm, display)}</td>
            <td className="text-right">{formatVolume(body.volumeMm3, display)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

type Except = Change<'beams.except', 'beam' | 'level' | 'upwards'>;

function Exceptions({ record: beam }: { record: Beam }) {
  const { framework, display, run } = useSlice('framework', 'display', 'run');
  const wordsOf = ({ leftOut, depthMm }: BeamException) =>
    [leftOut && 'left out', depthMm !== null && `${formatLength(mmOf(framework, depthMm), display)} deep`]
      .filter(Boolean)
      .join(', ');
  return (
    <ExceptionList<BeamException, Except>
      exceptions={beam.exceptions}
      wordsOf={wordsOf}
      plain={{ leftOut: false, depthMm: null }}
      change={(at, part) => run('beams.except', { beam: beam.id, ...at, ...part })}
    >
      {(here, { except, attempt }) => (
        <>
          <CheckField label="Left out" value={here?.leftOut ?? false} onChange={(leftOut) => attempt({ leftOut })} />
          <LengthField
            label="Deep there"
            valueMm={mmOf(framework, here?.depthMm ?? beam.depthMm)}
            onCommit={(depthMm) => except({ depthMm })}
          />
        </>
      )}
    </ExceptionList>
  );
}
