'use client';

import type { Change, CommandInputs } from '@/core/commands/command-inputs';
import type { LengthInput } from '@/core/commands/length-input';
import { mmOf } from '@/core/dimensions/resolve-length';
import { asGiven } from '@/core/dimensions/uses';
import { curveLength } from '@/core/geometry/curve';
import { HEADS, SIDES, type GridLine } from '@/core/grids/grid';
import { none } from '@/core/kinds/kind';
import { recordOf, recordsOf } from '@/core/model/framework';
import type { Length } from '@/core/units/parse-length';
import { check, choice, ID, KIND, length, own, type Around, type FieldsOf } from '../../fields/declared/field-spec';
import { RecordFields } from '../../fields/declared/record-fields';
import { ActionButton, AngleField, ChoiceField, TextField } from '../../fields/fields';
import { LengthField } from '../../fields/length-field';
import { useSlice } from '../../session/store';
import { LevelRangeFields } from './level-range-fields';
import { LineInViews } from './line-in-views';
import { HEAD_WORDS } from './system-fields';
import { AddBeyond, Joint, SplitBay } from './line-acts';

const isFree = ({ path }: GridLine): boolean => path !== null;

/** How far the lines of its system run on, where it says nothing itself. */
const usualExtension = ({ system }: GridLine, { framework }: Around): number => {
  const record = recordOf(framework, 'gridSystem', system);
  return record ? mmOf(framework, record.extensionMm) : 0;
};

const SIDE_WORDS = {
  both: 'right through',
  near: 'from the near side, part way',
  far: 'from the far side, part way',
} as const;

const FIELDS: FieldsOf<GridLine, Change<'grids.changeLines', 'lines'>> = {
  kind: KIND,
  id: ID,
  system: none('A line stands in the grid it was made in'),
  direction: none('A line of the other direction is another line'),
  from: none('Which line it stands beside follows from their order'),
  label: own(Label),
  minor: check('Minor: thin, out of the run of labels'),
  bayMm: own(Bay),
  bayDeg: none('It is typed in place of the bay'),
  path: own(Path),
  jointOf: own(Beyond),
  heads: choice(
    'Heads',
    HEADS.map((heads) => [heads, HEAD_WORDS[heads]] as const),
    { orNone: 'as the grid says' },
  ),
  side: choice(
    'Runs',
    SIDES.map((side) => [side, SIDE_WORDS[side]] as const),
    { when: ({ path, bayDeg }) => path === null && bayDeg === null },
  ),
  reachMm: length('Stops after', {
    when: ({ side }) => side !== 'both',
    ifNull: (line, around) => {
      const shown = around.solved?.lines.find(({ id }) => id === line.id);
      return shown ? Math.max(0, curveLength(shown.curve) - usualExtension(line, around)) : 0;
    },
  }),
  extendFirstMm: length('Runs on at its first end', { when: (line) => !isFree(line), ifNull: usualExtension }),
  extendLastMm: length('Runs on at its last end', { when: (line) => !isFree(line), ifNull: usualExtension }),
  fromLevel: own(Levels),
  toLevel: none('It is chosen beside the first level'),
};
const MAIN = ['label', 'minor', 'bayMm', 'path', 'jointOf'] as const;
const ENDS = ['heads', 'side', 'reachMm', 'extendFirstMm', 'extendLastMm', 'fromLevel'] as const;

/** Fields of a grid line: every one it has; splitting, joint, a line beyond, and removing. */
export function LineFields({ record: line }: { record: GridLine }) {
  const { solved, building, run, say, mayEdit, select } = useSlice(
    'solved',
    'building',
    'run',
    'say',
    'mayEdit',
    'select',
  );
  if (!building || !solved?.lines.some(({ id }) => id === line.id)) return null;
  const given = {
    record: line,
    fields: FIELDS,
    building,
    give: (part: Change<'grids.changeLines', 'lines'>) => run('grids.changeLines', { lines: [line.id], ...part }),
  };
  return (
    <div className="flex flex-col gap-1.5">
      <RecordFields {...given} only={MAIN} />
      <details className="border-t border-faint pt-1.5">
        <summary className="text-ink2">Heads, ends and levels</summary>
        <div className="flex flex-col gap-1.5 pt-1.5">
          <RecordFields {...given} only={ENDS} />
        </div>
      </details>
      <LineInViews line={line.id} />
      {mayEdit && (
        <ActionButton
          weight="danger"
          onClick={() => {
            const refusal = run('grids.removeLine', { line: line.id });
            if (refusal) say(refusal);
            else select([]);
          }}
        >
          {isFree(line) ? 'Remove this line' : 'Remove this line, its bays merge'}
        </ActionButton>
      )}
    </div>
  );
}

function Label({ record: line }: { record: GridLine }) {
  const { solved, run, say, mayEdit } = useSlice('solved', 'run', 'say', 'mayEdit');
  const shown = solved?.lines.find(({ id }) => id === line.id);
  return (
    <>
      <TextField
        label="Label"
        value={shown?.label ?? ''}
        disabled={!mayEdit}
        onCommit={(label) => run('grids.relabel', { line: line.id, label: label.trim() || { mode: 'none' } })}
      />
      {line.label.mode !== 'auto' && mayEdit && (
        <ActionButton
          onClick={() => {
            const refusal = run('grids.relabel', { line: line.id, label: { mode: 'auto' }, minor: false });
            if (refusal) say(refusal);
          }}
        >
          Label it by the run again
        </ActionButton>
      )}
    </>
  );
}

/** Its bay, or its angle or radius, and whether the lines after it move along. */
function Bay({ record: line }: { record: GridLine }) {
  const { solved, run, mayEdit, mode, set } = useSlice('solved', 'run', 'mayEdit', 'mode', 'set');
  const shown = solved?.lines.find(({ id }) => id === line.id);
  const isFirst = line.from === null;
  const isRing = shown?.shape === 'radial' && line.direction === 'b';
  if (!shown || shown.shape === 'free' || (isFirst && !isRing)) return null;
  return (
    <>
      {shown.bayDeg !== null ? (
        <AngleField
          label="Angle to the ray before"
          valueDeg={shown.bayDeg}
          disabled={!mayEdit}
          onCommit={(degrees) => run('grids.setBay', { line: line.id, bayDeg: degrees, mode })}
        />
      ) : (
        <LengthField
          label={isRing && isFirst ? 'Radius' : 'Bay to the line before'}
          valueMm={shown.bayMm}
          disabled={!mayEdit}
          onCommit={(bayMm) => run('grids.setBay', { line: line.id, bayMm, mode })}
        />
      )}
      <ChoiceField
        label="When it moves"
        value={mode}
        choices={[
          ['push', 'those after it too'],
          ['only', 'only this line'],
        ]}
        onChoose={(next) => set({ mode: next })}
      />
    </>
  );
}

/** What is made beside it: a split bay, a joint, a line beyond. */
function Beyond({ record: line }: { record: GridLine }) {
  const { framework, solved, mayEdit } = useSlice('framework', 'solved', 'mayEdit');
  const shown = solved?.lines.find(({ id }) => id === line.id);
  if (!mayEdit || !shown || shown.shape === 'free') return null;
  const isFirst = line.from === null;
  const isLast = !recordsOf(framework, 'gridLine').some(({ from }) => from === line.id);
  return (
    <>
      {!isFirst && <SplitBay line={line} />}
      {shown.shape === 'rectangular' && <Joint line={line} />}
      {(isFirst || isLast) && <AddBeyond line={line} end={isLast ? 'last' : 'first'} />}
    </>
  );
}

function Levels({ record: line }: { record: GridLine }) {
  const { run, say } = useSlice('run', 'say');
  return (
    <LevelRangeFields
      from={line.fromLevel}
      to={line.toLevel}
      unlimited={['as the grid says', 'as the grid says']}
      onChange={(part) => {
        const refusal = run('grids.changeLines', { lines: [line.id], ...part });
        if (refusal) say(refusal);
      }}
    />
  );
}

const ALONG = [
  ['x0Mm', 'From, east'],
  ['y0Mm', 'From, north'],
  ['x1Mm', 'To, east'],
  ['y1Mm', 'To, north'],
] as const;
const ROUND = [
  ['xMm', 'Centre, east'],
  ['yMm', 'Centre, north'],
  ['radiusMm', 'Radius'],
] as const;

/** Where a free line runs, from the zero of its grid. */
function Path({ record: { id, path } }: { record: GridLine }) {
  const { framework, run, mayEdit } = useSlice('framework', 'run', 'mayEdit');
  if (!path) return null;
  const give = (part: Partial<Record<string, LengthInput>>) => {
    const { type: _, ...now } = asGiven(framework, path);
    return run('grids.setPath', { line: id, path: { ...now, ...part } as CommandInputs['grids.setPath']['path'] });
  };
  const lengths = path.type === 'line' ? ALONG : ROUND;
  return (
    <>
      {lengths.map(([field, label]) => (
        <LengthField
          key={field}
          label={label}
          valueMm={mmOf(framework, (path as Record<string, Length | string>)[field] as Length)}
          disabled={!mayEdit}
          onCommit={(value) => give({ [field]: value })}
        />
      ))}
      {path.type === 'arc' && (
        <>
          <AngleField
            label="Begins at"
            valueDeg={path.fromDeg}
            disabled={!mayEdit}
            onCommit={(degrees) => give({ fromDeg: degrees })}
          />
          <AngleField
            label="Goes round by"
            valueDeg={path.sweepDeg}
            disabled={!mayEdit}
            onCommit={(degrees) => give({ sweepDeg: degrees })}
          />
        </>
      )}
    </>
  );
}
