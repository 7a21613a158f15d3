'use client';

import type { Ceiling, CeilingException } from '@/core/ceilings/ceiling';
import { mmOf } from '@/core/dimensions/resolve-length';
import { formatArea, formatLength } from '@/core/units/format-length';
import { CheckField, TextField } from '../../fields/fields';
import { LengthField } from '../../fields/length-field';
import { useProject, useSlice } from '../../session/store';
import {
  BUILDING,
  check,
  extent,
  ID,
  KIND,
  length,
  outline,
  own,
  text,
  type FieldsOf,
} from '../../fields/declared/field-spec';
import { ThingPanel } from '../../details/thing-panel';
import { ExceptionList } from '../../details/exception-list';
import type { Change } from '@/core/commands/command-inputs';

const FIELDS: FieldsOf<Ceiling, Change<'ceilings.change', 'ceiling'>> = {
  kind: KIND,
  id: ID,
  building: BUILDING,
  name: text('Name'),
  heightMm: length('Clear under it'),
  thicknessMm: length('Thickness'),
  alongRoof: check('It goes on along a roof'),
  rooms: own(InRooms),
  outline: outline('Outline'),
  levels: extent(),
  exceptions: own(Exceptions),
};

/** Fields of a ceiling, with what is clear under it and left over it by level. */
export function CeilingFields({ record: ceiling }: { record: Ceiling }) {
  const run = useProject((project) => project.run);
  return (
    <ThingPanel
      record={ceiling}
      fields={FIELDS}
      give={(part) => run('ceilings.change', { ceiling: ceiling.id, ...part })}
      remove="Delete this ceiling"
    >
      <Heights ceiling={ceiling} />
    </ThingPanel>
  );
}

/** The rooms it hangs in, by number: all where none is named. */
function InRooms({ record: ceiling }: { record: Ceiling }) {
  const { framework, run, mayEdit } = useSlice('framework', 'run', 'mayEdit');
  if (ceiling.outline) return null;
  const numbers = ceiling.rooms.flatMap((id) => {
    const room = framework.records.get(id);
    return room?.kind === 'room' ? [room.number] : [];
  });
  return (
    <TextField
      label="In rooms"
      value={numbers.join(', ') || 'all'}
      disabled={!mayEdit}
      onCommit={(typed) => {
        const all = typed.trim() === '' || typed.trim().toLowerCase() === 'all';
        const rooms = all ? [] : typed.split(',').map((each) => each.trim());
        return run('ceilings.change', { ceiling: ceiling.id, rooms });
      }}
    />
  );
}

/** By level: what is clear under it, what is left over it, and its area. */
function Heights({ ceiling: { id, building } }: { ceiling: Ceiling }) {
  const { solved, display } = useSlice('solved', 'display');
  const storeys = (solved?.levels ?? []).filter((level) => level.building === building);
  const pieces = solved?.ceilings.filter((piece) => piece.ceiling === id) ?? [];
  const rows = [...storeys].reverse().flatMap((level) => {
    const here = pieces.filter((piece) => piece.level === level.id);
    if (here.length === 0) return [];
    const area = here.reduce((sum, piece) => sum + (solved!.profiles[piece.profile]?.areaMm2 ?? 0), 0);
    const over = here.flatMap(({ overMm }) => (overMm === null ? [] : [overMm]));
    return [{ level, area, clear: here[0]!.clearMm, over: over.length > 0 ? Math.min(...over) : null }];
  });
  return (
    <table className="w-full border-t border-faint">
      <caption className="sr-only">Clear height, height over it and area by level</caption>
      <thead>
        <tr className="text-left text-ink2">
          <th className="font-normal">Level</th>
          <th className="text-right font-normal">Clear</th>
          <th className="text-right font-normal">Over it</th>
          <th className="text-right font-normal">Area</th>
        </tr>
      </thead>
      <tbody className="figures">
        {rows.map(({ level, area, clear, over }) => (
          <tr key={level.id}>
            <td>{level.name}</td>
            <td className="text-right">{formatLength(clear, display)}</td>
            <td className={`text-right ${over !== null && over < 0 ? 'text-wrong' : ''}`}>
              {over === null ? '–' : formatLength(over, display)}
            </td>
            <td className="text-right">{formatArea(area, display)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

type Except = Change<'ceilings.except', 'ceiling' | 'level' | 'upwards'>;

function Exceptions({ record: ceiling }: { record: Ceiling }) {
  const { framework, solved, level, display, run } = useSlice('framework', 'solved', 'level', 'display', 'run');
  const piece = solved?.ceilings.find((each) => each.ceiling === ceiling.id && each.level === level);
  const wordsOf = (each: CeilingException) =>
    [
      each.leftOut && 'left out',
      each.heightMm !== null && `${formatLength(mmOf(framework, each.heightMm), display)} clear`,
    ]
      .filter(Boolean)
      .join(', ');
  return (
    <ExceptionList<CeilingException, Except>
      exceptions={ceiling.exceptions}
      wordsOf={wordsOf}
      plain={{ leftOut: false, heightMm: null }}
      change={(at, part) => run('ceilings.except', { ceiling: ceiling.id, ...at, ...part })}
    >
      {(here, { except, attempt }) => (
        <>
          <CheckField label="Left out" value={here?.leftOut ?? false} onChange={(leftOut) => attempt({ leftOut })} />
          <LengthField
            label="Clear under it there"
            valueMm={
              here?.heightMm ? mmOf(framework, here.heightMm) : (piece?.clearMm ?? mmOf(framework, ceiling.heightMm))
            }
            onCommit={(heightMm) => except({ heightMm })}
          />
        </>
      )}
    </ExceptionList>
  );
}
