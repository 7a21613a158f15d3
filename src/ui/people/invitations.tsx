'use client';

import { useState } from 'react';
import { ROLES, type Role } from '@/core/people/powers';
import { ActionButton } from '../fields/fields';
import { askServer } from '../page/ask-server';
import { Box, Choice, DoButton, Outcome } from '../page/boxes';
import { PagePart } from '../page/page-frame';
import { useAsking } from '../page/use-asking';
import { onDay } from '../page/when';
import { Disciplines } from './disciplines';
import type { ListedInvitation } from '@/core/people/told';

interface InvitationsProps {
  projectId: string;
  invitations: ListedInvitation[];
  disciplines: readonly string[];
  mayMakeOwners: boolean;
  onChanged: () => void;
}

/** Invites by a link, and lists the invitations with what became of each. */
export function Invitations({ projectId, invitations, disciplines, mayMakeOwners, onChanged }: InvitationsProps) {
  const { busy, said, ask } = useAsking();
  const [email, setEmail] = useState('');
  const [role, setRole] = useState<Role>('consultant');
  const [days, setDays] = useState('14');
  const [chosen, setChosen] = useState<string[]>([]);
  const [link, setLink] = useState<string | null>(null);
  const url = `/api/projects/${projectId}/invitations`;
  const invite = () =>
    ask(async () => {
      setLink(null);
      const body = { email, role, days: Number(days), disciplines: role === 'consultant' ? chosen : [] };
      const made = await askServer<{ link: string }>('POST', url, body);
      setLink(made.link);
      setEmail('');
      onChanged();
      return `The invitation to ${email} is in the outbox`;
    });
  return (
    <PagePart
      title="Invitations"
      note="Each is a link that works once. It goes to the outbox; here it is shown this once."
    >
      <form
        aria-label="Invite somebody"
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void invite();
        }}
      >
        <span className="flex items-end gap-3">
          <Box
            label="E-mail"
            type="email"
            required
            wide
            value={email}
            onChange={(event) => setEmail(event.target.value)}
          />
          <Choice label="As" value={role} onChange={(event) => setRole(event.target.value as Role)}>
            {ROLES.filter((each) => each !== 'owner' || mayMakeOwners).map((each) => (
              <option key={each}>{each}</option>
            ))}
          </Choice>
          <Choice label="Valid for" value={days} onChange={(event) => setDays(event.target.value)}>
            {['1', '3', '7', '14', '30', '90'].map((each) => (
              <option key={each} value={each}>
                {each === '1' ? '1 day' : `${each} days`}
              </option>
            ))}
          </Choice>
          <DoButton disabled={busy}>Invite</DoButton>
        </span>
        {role === 'consultant' && (
          <Disciplines of="who is invited" all={disciplines} chosen={chosen} onChange={setChosen} />
        )}
      </form>
      <Outcome said={said} />
      {link && (
        <p className="flex items-center gap-3 border border-now bg-now-tint p-2">
          <code className="figures min-w-0 flex-1 truncate">{link}</code>
          <ActionButton onClick={() => void navigator.clipboard.writeText(link)}>Copy the link</ActionButton>
        </p>
      )}
      <ul className="flex flex-col">
        {invitations.map((invitation) => (
          <li
            key={invitation.id}
            className="grid grid-cols-[minmax(0,240px)_minmax(0,1fr)_minmax(0,200px)_auto] items-center gap-4 border-t border-hair py-2 last:border-b"
          >
            <b className="truncate">{invitation.email}</b>
            <span>
              {invitation.role}
              {invitation.disciplines.length > 0 && ` for ${invitation.disciplines.join(', ')}`}
              <span className="text-ink2">, by {invitation.invitedBy}</span>
            </span>
            <span className={invitation.state === 'open' ? 'text-now' : 'text-ink2'}>{stateWords(invitation)}</span>
            {invitation.state === 'open' ? (
              <ActionButton
                disabled={busy}
                title={`Take the invitation of ${invitation.email} back`}
                onClick={() =>
                  void ask(async () => {
                    await askServer('DELETE', `${url}/${invitation.id}`);
                    onChanged();
                    return `The invitation to ${invitation.email} is taken back`;
                  })
                }
              >
                Take back
              </ActionButton>
            ) : (
              <span />
            )}
          </li>
        ))}
      </ul>
    </PagePart>
  );
}

function stateWords({ state, until, usedBy }: ListedInvitation): string {
  switch (state) {
    case 'open':
      return `open until ${onDay(until)}`;
    case 'used':
      return `used by ${usedBy ?? 'somebody'}`;
    case 'expired':
      return `expired on ${onDay(until)}`;
    case 'taken back':
      return 'taken back';
  }
}
