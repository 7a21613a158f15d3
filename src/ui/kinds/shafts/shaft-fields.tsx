'use client';

import type { Change } from '@/core/commands/command-inputs';
import { SHAFT_PURPOSES, type Shaft } from '@/core/shafts/shaft';
import { formatLength } from '@/core/units/format-length';
import {
  BUILDING,
  check,
  choice,
  end,
  ID,
  KIND,
  outline,
  own,
  text,
  type FieldsOf,
} from '../../fields/declared/field-spec';
import { useProject, useSlice } from '../../session/store';
import { LiftFields } from './lift-fields';
import { ShaftExceptions } from './shaft-exceptions';
import { ThingPanel } from '../../details/thing-panel';

const FIELDS: FieldsOf<Shaft, Change<'shafts.change', 'shaft'>> = {
  kind: KIND,
  id: ID,
  building: BUILDING,
  name: text('Name'),
  purpose: choice(
    'Purpose',
    SHAFT_PURPOSES.map((purpose) => [purpose, purpose] as const),
  ),
  outline: outline('Outline'),
  startsAt: end('Starts at'),
  opensFoot: check('Opens the slab at its foot'),
  stopsAt: end('Stops at'),
  opensHead: check('Goes out through the slab at its head'),
  lift: own(({ record }) => <LiftFields shaft={record} />),
  exceptions: own(({ record }) => <ShaftExceptions shaft={record} />),
};

/** Fields of a shaft, with the slabs it cuts and those it just misses. */
export function ShaftFields({ record: shaft }: { record: Shaft }) {
  const run = useProject((project) => project.run);
  return (
    <ThingPanel
      record={shaft}
      fields={FIELDS}
      give={(part) => run('shafts.change', { shaft: shaft.id, ...part })}
      remove="Delete this shaft"
    >
      <Cuts shaft={shaft} />
    </ThingPanel>
  );
}

function Cuts({ shaft }: { shaft: Shaft }) {
  const { solved, display } = useSlice('solved', 'display');
  const shape = solved?.shafts.find((candidate) => candidate.shaft === shaft.id);
  const levelName = (id: string) => solved?.levels.find((level) => level.id === id)?.name ?? '';
  return (
    <>
      <p className="border-t border-faint pt-1.5 text-ink2">
        Cuts {shape?.cuts.length ?? 0} slabs:{' '}
        <span className="figures">{shape?.cuts.map(({ level }) => levelName(level)).join(' ') || 'none'}</span>
      </p>
      {shape?.misses.map((miss) => (
        <p key={`${miss.plate} ${miss.level}`} className="text-wrong">
          Just misses the slab at {levelName(miss.level)} by {formatLength(miss.byMm, display)}
        </p>
      ))}
    </>
  );
}
