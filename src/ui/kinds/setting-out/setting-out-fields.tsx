'use client';

import type { SettingOutLine } from '@/core/setting-out/setting-out-line';
import { none } from '@/core/kinds/kind';
import { BUILDING, check, ID, KIND, length, own, text, type FieldsOf } from '../../fields/declared/field-spec';
import { RecordFields } from '../../fields/declared/record-fields';
import { ActionButton } from '../../fields/fields';
import { useSlice } from '../../session/store';
import { LevelRangeFields } from '../grids/level-range-fields';
import type { Change } from '@/core/commands/command-inputs';

const FIELDS: FieldsOf<SettingOutLine, Change<'settingOut.change', 'line'>> = {
  kind: KIND,
  id: ID,
  building: BUILDING,
  name: text('Name'),
  source: none('Along another line it is another setting-out line'),
  edge: none('Along another edge it is another setting-out line'),
  offsetMm: length('Distance', { fixed: ({ locked }) => locked }),
  locked: check('Locked: it keeps its distance'),
  fromLevel: own(Levels),
  toLevel: none('It is shown with the level it begins at'),
};

/** The levels it is on: as its line where none is chosen. */
function Levels({ record: line }: { record: SettingOutLine }) {
  const { run, say } = useSlice('run', 'say');
  return (
    <LevelRangeFields
      from={line.fromLevel}
      to={line.toLevel}
      unlimited={['as its line', 'as its line']}
      onChange={(part) => {
        const refusal = run('settingOut.change', { line: line.id, ...part });
        if (refusal) say(refusal);
      }}
    />
  );
}

/** Fields of a setting-out line. */
export function SettingOutFields({ record: line }: { record: SettingOutLine }) {
  const { framework, run, say, select, mayEdit } = useSlice('framework', 'run', 'say', 'select', 'mayEdit');
  const change = (part: Change<'settingOut.change', 'line'>) => run('settingOut.change', { line: line.id, ...part });
  const held = [...framework.records.values()].filter(
    (record) => record.kind === 'columnStack' && record.holds.some((hold) => hold.line === line.id),
  ).length;
  return (
    <div className="flex flex-col gap-1.5">
      <RecordFields record={line} fields={FIELDS} building={line.building} give={change} />
      <p className="text-ink2">
        {held === 0 ? 'No column is held to it.' : `${held} ${held === 1 ? 'column is' : 'columns are'} held to it.`}
      </p>
      {mayEdit && (
        <ActionButton
          weight="danger"
          onClick={() => {
            const refusal = run('settingOut.remove', { lines: [line.id] });
            if (refusal) say(refusal);
            else select([]);
          }}
        >
          Remove this setting-out line
        </ActionButton>
      )}
    </div>
  );
}
