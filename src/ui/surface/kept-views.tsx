'use client';

import { useEffect, useState } from 'react';
import { recordsOf } from '@/core/model/framework';
import type { KeptView } from '@/core/views/named-view';
import { ActionButton, CheckField, PlainField } from '../fields/fields';
import { ServerRefused } from '../session/server';
import { useProject } from '../session/store';

/** Views kept under a name: for everybody on the project, which designers do, or for oneself, which anybody does. */
export function KeptViews() {
  const project = useProject((each) => each);
  const { framework, building, level, tab, hidden, ghosts, part, mayEdit, session, run, set } = project;
  const [own, setOwn] = useState<KeptView[]>([]);
  const [name, setName] = useState('');
  const [isShared, setShared] = useState(mayEdit);
  const [refused, setRefused] = useState<string | null>(null);
  const server = session?.server ?? null;
  const shared = recordsOf(framework, 'namedView');
  const told = (error: unknown) =>
    setRefused(error instanceof ServerRefused ? error.message : 'That did not work. Try again');
  const attempt = (work: Promise<{ views: KeptView[] }>) =>
    work.then(({ views }) => {
      setOwn(views);
      setRefused(null);
      return true;
    }, told);
  useEffect(() => {
    let isGone = false;
    server?.ownViews().then(
      ({ views }) => isGone || setOwn(views),
      () => undefined,
    );
    return () => {
      isGone = true;
    };
  }, [server]);
  const keep = async () => {
    if (!building) return;
    const view: KeptView = { building, name: name.trim(), tab, level, hidden: [...hidden], ghosts: [...ghosts], part };
    if (!isShared) {
      if (server && (await attempt(server.keepOwnView(view)))) setName('');
      return;
    }
    const refusal = run('views.keep', view);
    setRefused(refusal);
    if (!refusal) setName('');
  };
  const show = (view: KeptView) => {
    // A view of one's own may be older than the levels and buildings there are.
    const here = (id: string | null) => (id !== null && framework.records.has(id) ? id : null);
    set({
      building: here(view.building) ?? building,
      level: here(view.level) ?? level,
      tab: view.tab,
      hidden: new Set(view.hidden),
      ghosts: view.ghosts,
      part: { ...view.part, lowest: here(view.part.lowest), topmost: here(view.part.topmost) },
      selection: [],
    });
  };
  const entry = (view: KeptView, key: string, onDrop: (() => void) | null) => (
    <li key={key} className="flex items-baseline justify-between gap-2">
      <button type="button" className="text-left font-semibold underline decoration-hair" onClick={() => show(view)}>
        {view.name}
      </button>
      {onDrop && (
        <ActionButton title={`Drop ${view.name}`} onClick={onDrop}>
          Drop
        </ActionButton>
      )}
    </li>
  );
  return (
    <section aria-label="Kept views" className="flex flex-col gap-1 border-t border-faint pt-2">
      <h3 className="text-ink2">{shared.length + own.length === 0 ? 'No view is kept yet' : 'Kept views'}</h3>
      <ul aria-label="Views of the project">
        {shared.map((view) =>
          entry(view, view.id, mayEdit ? () => setRefused(run('views.drop', { name: view.name })) : null),
        )}
      </ul>
      {own.length > 0 && (
        <>
          <h4 className="text-[11px] text-ink2">Yours only</h4>
          <ul aria-label="Views of your own">
            {own.map((view) => entry(view, view.name, () => server && void attempt(server.dropOwnView(view.name))))}
          </ul>
        </>
      )}
      <form
        className="flex flex-col gap-1"
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        <PlainField label="Keep it as" value={name} onChange={setName} note={refused} wrong={refused !== null} />
        {mayEdit && <CheckField label="for everybody on the project" value={isShared} onChange={setShared} />}
        <span className="self-end">
          <ActionButton type="submit" disabled={name.trim() === ''}>
            Keep it
          </ActionButton>
        </span>
      </form>
    </section>
  );
}
