'use client';

import { useState } from 'react';
import { fileStem } from '@/core/model/file-stem';
import { download } from '../fields/download';
import { recordsOf } from '@/core/model/framework';
import { writeSpineFile } from '@/core/kinds/spine-text';
import { scaleWords } from '@/core/units/scale-words';
import { ActionButton, ChoiceField } from '../fields/fields';
import { HeavyWorkLine, useHeavyWork } from '../fields/heavy-work';
import { useSlice } from '../session/store';

const SAYS = { ifc: 'Making the IFC file', report: 'Making the report' } as const;

/** The framework handed over: IFC for the consultants, the framework file, and fingerprints to compare. */
export function HandOverTool() {
  const { session, framework, say } = useSlice('session', 'framework', 'say');
  const work = useHeavyWork();
  const [prints, setPrints] = useState<{ framework: string; solve: string } | null>(null);
  if (!session) return null;
  const project = recordsOf(framework, 'project')[0];
  const name = fileStem(project?.name ?? 'framework');
  const take = async (what: keyof typeof SAYS) => {
    try {
      const made = await work.begin(SAYS[what], (signal, tell) => session.made('export', { what }, signal, tell));
      download(made.name, made.blob, made.blob.type);
    } catch (error) {
      say((error as Error).message);
    }
  };
  const showPrints = async () => {
    try {
      setPrints(await session.fingerprints());
    } catch {
      say('The fingerprints could not be worked out. Load the page again');
    }
  };
  return (
    <>
      <p className="text-ink2">
        Every consultant works from these. Identities in them stay the same from one hand-over to the next.
      </p>
      <ActionButton weight="main" disabled={work.words !== null} onClick={() => void take('ifc')}>
        Download IFC4
      </ActionButton>
      <ActionButton
        onClick={() => download(`${name}.spine.json`, writeSpineFile(session.framework), 'application/json')}
      >
        Download the framework file
      </ActionButton>
      <ActionButton disabled={work.words !== null} onClick={() => void take('report')}>
        Download the report
      </ActionButton>
      <HeavyWorkLine work={work} />
      <SheetFields />
      <div className="flex flex-col gap-1 border-t border-faint pt-2">
        <ActionButton onClick={() => void showPrints()}>Show fingerprints</ActionButton>
        {prints && (
          <dl className="text-[11px] break-all">
            <dt className="text-ink2">Framework</dt>
            <dd className="figures" data-print="framework">
              {prints.framework}
            </dd>
            <dt className="text-ink2">Solved</dt>
            <dd className="figures" data-print="solve">
              {prints.solve}
            </dd>
          </dl>
        )}
      </div>
    </>
  );
}

/** Scales that sheets are drawn at, smallest first. */
const SCALES = { metric: [50, 100, 200, 500], imperial: [48, 96, 192, 480] } as const;

/** The setting-out plan of the current level, to scale. */
function SheetFields() {
  const { session, solved, level, display, say } = useSlice('session', 'solved', 'level', 'display', 'say');
  const [chosen, setChosen] = useState<string | null>(null);
  const work = useHeavyWork();
  const shown = solved?.levels.find(({ id }) => id === level);
  if (!session || !shown) return null;
  const choices = SCALES[display.system].map((each) => [String(each), scaleWords(each, display.system)] as const);
  const scale = choices.some(([each]) => each === chosen) ? chosen! : choices[1]![0];
  const take = async (format: 'pdf' | 'svg' | 'dxf') => {
    try {
      const query = { level: shown.id, scale, format, units: display.system };
      const { name, blob } = await work.begin('Making the sheet', (signal, tell) =>
        session.made('sheet', query, signal, tell),
      );
      download(name, blob, blob.type);
    } catch (error) {
      say((error as Error).message);
    }
  };
  return (
    <fieldset className="flex flex-col gap-1.5 border-t border-faint pt-2">
      <legend className="sr-only">Setting-out plan</legend>
      <p className="font-semibold">Setting-out plan of level {shown.name}</p>
      <ChoiceField label="Scale" value={scale} choices={choices} onChoose={setChosen} />
      <span className="flex justify-end gap-2">
        {(['pdf', 'svg', 'dxf'] as const).map((format) => (
          <ActionButton key={format} disabled={work.words !== null} onClick={() => void take(format)}>
            {format.toUpperCase()}
          </ActionButton>
        ))}
      </span>
      <HeavyWorkLine work={work} />
    </fieldset>
  );
}
