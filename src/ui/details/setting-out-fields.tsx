'use client';

import { mmOf } from '@/core/dimensions/resolve-length';
import type { SettingOutLine } from '@/core/setting-out/setting-out-line';
import { ActionButton, CheckField, TextField } from '../fields/fields';
import { LengthField } from '../fields/length-field';
import { useSlice } from '../session/store';
import { LevelRangeFields } from '../tools/grids/level-range-fields';
import type { Change } from '@/core/model/command-inputs';

/** Fields of a setting-out line. */
export function SettingOutFields({ line }: { line: SettingOutLine }) {
  const { framework, run, say, select, mayEdit } = useSlice('framework', 'run', 'say', 'select', 'mayEdit');
  const change = (part: Change<'settingOut.change', 'line'>) => run('settingOut.change', { line: line.id, ...part });
  const attempt = (refusal: string | null) => {
    if (refusal) say(refusal);
  };
  const held = [...framework.records.values()].filter(
    (record) => record.kind === 'columnStack' && record.holds.some((hold) => hold.line === line.id),
  ).length;
  return (
    <div className="flex flex-col gap-1.5">
      <TextField label="Name" value={line.name} disabled={!mayEdit} onCommit={(name) => change({ name })} />
      <LengthField
        label="Distance"
        valueMm={mmOf(framework, line.offsetMm)}
        disabled={!mayEdit || line.locked}
        onCommit={(offsetMm) => change({ offsetMm })}
      />
      <CheckField
        label="Locked: it keeps its distance"
        value={line.locked}
        disabled={!mayEdit}
        onChange={(locked) => attempt(change({ locked }))}
      />
      <LevelRangeFields
        from={line.fromLevel}
        to={line.toLevel}
        unlimited={['as its line', 'as its line']}
        onChange={(part) => attempt(change(part))}
      />
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
