'use client';

import { useState } from 'react';
import { download, fileStem } from '../fields/download';
import { ActionButton, ChoiceField } from '../fields/fields';
import { useProject } from '../session/store';

/** The framework handed over: IFC for the consultants, the framework file, and fingerprints to compare. */
export function HandOverTool() {
  const { session, framework, say } = useProject((project) => project);
  const [busy, setBusy] = useState<string | null>(null);
  const [prints, setPrints] = useState<{ framework: string; solve: string } | null>(null);
  const project = [...framework.records.values()].find(({ kind }) => kind === 'project');
  const name = fileStem(project?.kind === 'project' ? project.name : 'framework');
  const make = async (what: string, work: () => Promise<void>) => {
    setBusy(what);
    try {
      await work();
    } catch (error) {
      say(`${what} could not be made: ${(error as Error).message}`);
    } finally {
      setBusy(null);
    }
  };
  if (!session) return null;
  const { worker } = session;
  return (
    <>
      <p className="text-ink2">
        Every consultant works from these. Identities in them stay the same from one hand-over to the next.
      </p>
      <ActionButton
        weight="main"
        disabled={busy !== null}
        onClick={() =>
          void make('The IFC file', async () =>
            download(`${name}.ifc`, await worker.ifc(new Date().toISOString()), 'application/x-step'),
          )
        }
      >
        Download IFC4
      </ActionButton>
      <ActionButton
        disabled={busy !== null}
        onClick={() =>
          void make('The framework file', async () =>
            download(`${name}.spine.json`, await worker.spineFile(), 'application/json'),
          )
        }
      >
        Download the framework file
      </ActionButton>
      <ActionButton
        disabled={busy !== null}
        onClick={() =>
          void make('The report', async () =>
            download(`${name}.report.json`, JSON.stringify(await worker.report(), null, 2), 'application/json'),
          )
        }
      >
        Download the report
      </ActionButton>
      <SheetFields />
      <div className="flex flex-col gap-1 border-t border-faint pt-2">
        <ActionButton
          disabled={busy !== null}
          onClick={() =>
            void make('The fingerprints', async () =>
              setPrints({ framework: (await worker.report()).hash, solve: await worker.solvedHash() }),
            )
          }
        >
          Show fingerprints
        </ActionButton>
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
      {busy && <p role="status">Making {busy.toLowerCase()} …</p>}
    </>
  );
}

const SCALES = ['50', '100', '200', '500'] as const;

/** The setting-out plan of the current level, to scale. */
function SheetFields() {
  const { session, solved, level, display, say } = useProject((project) => project);
  const [scale, setScale] = useState<(typeof SCALES)[number]>('100');
  const [busy, setBusy] = useState(false);
  const shown = solved?.levels.find(({ id }) => id === level);
  if (!session || !shown) return null;
  const take = async (format: 'pdf' | 'svg' | 'dxf') => {
    setBusy(true);
    try {
      const { name, blob } = await session.sheet({ level: shown.id, scale, format, units: display.system });
      download(name, blob, blob.type);
    } catch (error) {
      say((error as Error).message);
    } finally {
      setBusy(false);
    }
  };
  return (
    <fieldset className="flex flex-col gap-1.5 border-t border-faint pt-2">
      <legend className="sr-only">Setting-out plan</legend>
      <p className="font-semibold">Setting-out plan of level {shown.name}</p>
      <ChoiceField
        label="Scale"
        value={scale}
        choices={SCALES.map((each) => [each, `1 : ${each}`] as const)}
        onChoose={setScale}
      />
      <span className="flex justify-end gap-2">
        {(['pdf', 'svg', 'dxf'] as const).map((format) => (
          <ActionButton key={format} disabled={busy} onClick={() => void take(format)}>
            {format.toUpperCase()}
          </ActionButton>
        ))}
      </span>
      {busy && <p role="status">Drawing the sheet …</p>}
    </fieldset>
  );
}
