'use client';

import { useSlice } from '../../session/store';
import { SetUpLevels } from '../../setting-up/set-up-levels';
import { TakeFile } from '../../setting-up/take-file';
import { BuildingsFields } from '../buildings/buildings-fields';
import { LimitsHere } from './limits-here';
import { SeveralLevels } from './several-levels';
import { SurveyFields } from '../buildings/survey-fields';

/** Levels: set up when there are none, else how to edit them; and a level table from a file. */
export function LevelsTool() {
  const { solved, building, mayEdit } = useSlice('solved', 'building', 'mayEdit');
  const count = solved?.levels.filter((level) => level.building === building).length ?? 0;
  return (
    <>
      {count === 0 ? (
        <SetUpLevels />
      ) : (
        <p className="text-ink2">
          Press an elevation or a height in the strip and type. Drag a level by its pennant. Press + to insert one
          between. Choose a level to rename, lock or remove it on the right.
        </p>
      )}
      {mayEdit && count > 0 && <SeveralLevels />}
      {mayEdit && count > 0 && (
        <details className="border-t border-faint pt-2.5">
          <summary className="font-semibold">Set up again</summary>
          <div className="pt-2">
            <SetUpLevels key={`${building} ${count}`} again />
          </div>
        </details>
      )}
      <LimitsHere />
      {mayEdit && <TakeFile kind="levels" />}
      {mayEdit && <BuildingsFields />}
      {mayEdit && <SurveyFields />}
    </>
  );
}
