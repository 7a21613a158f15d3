'use client';

import { useWords } from '../session/use-words';
import { useState } from 'react';
import { fileStem } from '@/core/model/file-stem';
import { download } from '../fields/download';
import { ActionButton } from '../fields/fields';
import { SignInForm } from '../projects/sign-in-form';
import { rescuedFile } from '../session/rescue';
import { useSlice } from '../session/store';

/** Gives the person the framework with everything done here, as a file. */
export function RescueButton({ name = 'framework' }: { name?: string }) {
  const rescue = () => {
    const file = rescuedFile();
    if (file) download(`${fileStem(name)}.spine.json`, file, 'application/json');
  };
  return <ActionButton onClick={rescue}>Download what I have</ActionButton>;
}

/** What a person must decide or do so that their work goes on: beside the views, which stay as they are. */
export function SessionTrouble({ demo }: { demo: boolean }) {
  const { phase, unsolved } = useSlice('phase', 'unsolved');
  if (phase === 'signedOut') return <SignedOut demo={demo} />;
  if (phase === 'outOfProject') return <OutOfProject />;
  if (phase === 'stuck') return <StuckEdit />;
  if (unsolved) return <Unsolved />;
  return null;
}

function Panel({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <section
      role="alertdialog"
      aria-label={title}
      className="fixed top-[52px] right-4 z-50 flex max-h-[80vh] w-96 flex-col gap-2.5 overflow-y-auto rounded-sm border border-look bg-sheet p-4 shadow-lg"
    >
      <h2 className="font-bold">{title}</h2>
      {children}
    </section>
  );
}

/** The edits that were not sent, and what can be done with each. */
function UnsentList() {
  const { unsent, session } = useSlice('unsent', 'session');
  const inUnits = useWords();
  if (unsent.length === 0) return null;
  return (
    <ul aria-label="Edits kept here" className="flex max-h-52 flex-col overflow-y-auto border-y border-faint">
      {unsent.map(({ commandId, sentence }) => (
        <li
          key={commandId}
          className="flex items-baseline justify-between gap-2 border-t border-faint py-1 first:border-0"
        >
          <span>{inUnits(sentence)}</span>
          <button
            type="button"
            className="font-semibold whitespace-nowrap text-now"
            aria-label={`Take back: ${sentence}`}
            onClick={() => session?.takeBack(commandId)}
          >
            Take it back
          </button>
        </li>
      ))}
    </ul>
  );
}

function SignedOut({ demo }: { demo: boolean }) {
  const { person, session, unsent } = useSlice('person', 'session', 'unsent');
  const [other, setOther] = useState(false);
  return (
    <Panel title="You are signed out">
      <p>
        {unsent.length > 0
          ? `What you did is kept here and is sent once ${person?.name ?? 'you'} sign${person ? 's' : ''} in again.`
          : 'Sign in again to go on. Nothing is lost.'}
      </p>
      {other && (
        <p role="alert" className="text-wrong">
          That is somebody else’s account. What is kept here belongs to {person?.name} and is sent in no other name.
        </p>
      )}
      <SignInForm
        demo={demo}
        email={person?.email}
        onSignedIn={async () => setOther(!(await session?.signedIn().catch(() => false)))}
      />
      <RescueButton />
    </Panel>
  );
}

function OutOfProject() {
  const { role, unsent, readOnly } = useSlice('role', 'unsent', 'readOnly');
  if (readOnly !== null)
    return (
      <Panel title="This project can only be looked at">
        <p>{readOnly}.</p>
        <UnsentList />
        <RescueButton />
      </Panel>
    );
  return (
    <Panel title={role === null ? 'You are not a member of this project any more' : `You may only look, as ${role}`}>
      <p>
        {unsent.length > 0
          ? 'These edits were not saved. They are kept here and sent if an owner lets you in again. You can download the framework with them, or take them back.'
          : 'What you see is the last state that reached you. Ask an owner of the project to let you in again.'}
      </p>
      <UnsentList />
      <RescueButton />
    </Panel>
  );
}

function StuckEdit() {
  const { stuck, unsent, session } = useSlice('stuck', 'unsent', 'session');
  const inUnits = useWords();
  const edit = unsent.find(({ commandId }) => commandId === stuck?.commandId);
  if (!stuck || !edit) return null;
  return (
    <Panel title="An edit cannot be saved">
      <p>
        <q>{inUnits(edit.sentence)}</q> was answered: {stuck.message}.
        {unsent.length > 1 && ` ${unsent.length - 1} more wait behind it.`} Take it back, or download the framework with
        it.
      </p>
      <div className="flex flex-wrap gap-2">
        <ActionButton weight="main" onClick={() => session?.takeBack(edit.commandId)}>
          Take it back
        </ActionButton>
        <ActionButton onClick={() => session?.tryAgain()}>Try once more</ActionButton>
        <RescueButton />
      </div>
    </Panel>
  );
}

function Unsolved() {
  const { session, undo, set } = useSlice('session', 'undo', 'set');
  return (
    <Panel title="This state could not be worked out">
      <p>
        What you did is kept and saved, but the views show the state before it. Undo it, or download the framework as it
        is.
      </p>
      <div className="flex flex-wrap gap-2">
        {undo && (
          <ActionButton weight="main" onClick={() => session?.undo()}>
            Undo: {undo}
          </ActionButton>
        )}
        <RescueButton />
        <ActionButton onClick={() => set({ unsolved: null })}>Put away</ActionButton>
      </div>
    </Panel>
  );
}
