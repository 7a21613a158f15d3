'use client';

import type { Phase } from '../session/session-state';
import { useSlice } from '../session/store';

/** What state the work is in, in words. */
const words = (phase: Phase, kept: number, isOut: boolean): string => {
  const here = kept > 0 ? `, ${kept} kept here` : '';
  switch (phase) {
    case 'opening':
      return 'Opening';
    case 'current':
      return 'Saved';
    case 'sending':
      return kept > 0 ? `Sending ${kept}` : 'Catching up';
    case 'catchingUp':
      return 'Catching up';
    case 'offline':
      return `Offline${here}`;
    case 'signedOut':
      return `Signed out${here}`;
    case 'outOfProject':
      return isOut ? `Not a member${here}` : `May only look${here}`;
    case 'stuck':
      return `Cannot be saved${here}`;
    case 'failed':
      return 'Stopped';
  }
};

/** What each state means for the person, beyond its few words. */
const MEANS: Record<Phase, string> = {
  opening: 'The project is being read',
  current: 'Everything is saved, and what others do shows here at once',
  sending: 'What you did is on its way to the server',
  catchingUp: 'What others did meanwhile is being read',
  offline: 'The server cannot be reached. Go on working: what you do is kept in this browser and sent later',
  signedOut: 'Sign in again to send what you did',
  outOfProject: 'What you did cannot be sent in this project',
  stuck: 'An edit cannot be saved as it is. Decide what becomes of it',
  failed: 'The project could not be opened',
};

const GOOD: readonly Phase[] = ['opening', 'current', 'sending', 'catchingUp'];

export function SavedState() {
  const { phase, unsent, role } = useSlice('phase', 'unsent', 'role');
  const isGood = GOOD.includes(phase);
  return (
    <span
      role="status"
      aria-label="State of the work"
      data-phase={phase}
      title={MEANS[phase]}
      className={`min-w-28 text-right whitespace-nowrap ${isGood ? 'text-ink2' : 'font-semibold text-look'}`}
    >
      <span aria-hidden="true">{isGood ? '●' : '▲'} </span>
      {words(phase, unsent.length, role === null)}
    </span>
  );
}
