'use client';

import { useState } from 'react';
import { ROLES, type Role } from '@/core/people/powers';
import { ActionButton } from '../fields/fields';
import { DoButton } from '../page/boxes';
import { Initials } from '../page/initials';
import { PageDialog } from '../page/page-dialog';
import { onDay } from '../page/when';
import { Disciplines } from './disciplines';
import type { Member } from '@/core/people/told';

interface MemberRowProps {
  member: Member;
  isMe: boolean;
  mayManage: boolean;
  disciplines: readonly string[];
  busy: boolean;
  onChange: (to: { role?: Role; disciplines?: string[] } | { handOver: true }, done: string) => void;
  onRemove: () => void;
}

/** A member: who they are, what they are here, and what an owner can change about it. */
export function MemberRow({ member, isMe, mayManage, disciplines, busy, onChange, onRemove }: MemberRowProps) {
  const [asked, setAsked] = useState<'remove' | 'handOver' | null>(null);
  const { name, email, role, joinedAt } = member;
  return (
    <li className="grid grid-cols-[26px_minmax(0,230px)_130px_minmax(0,1fr)_auto] items-center gap-4 border-t border-hair py-2.5 last:border-b">
      <Initials name={name} strong={isMe} />
      <span className="min-w-0">
        <b className="block truncate">
          {name}
          {isMe && <span className="font-normal text-ink2"> (you)</span>}
        </b>
        <span className="block truncate text-ink2">{email}</span>
      </span>
      {mayManage ? (
        <select
          aria-label={`Role of ${name}`}
          value={role}
          disabled={busy}
          className="rounded-sm border border-hair bg-sheet px-1.5 py-1"
          onChange={({ target }) => onChange({ role: target.value as Role }, `${name} is ${target.value} now`)}
        >
          {ROLES.map((each) => (
            <option key={each}>{each}</option>
          ))}
        </select>
      ) : (
        <span>{role}</span>
      )}
      {role === 'consultant' ? (
        mayManage ? (
          <Disciplines
            of={name}
            all={disciplines}
            chosen={member.disciplines}
            disabled={busy}
            onChange={(chosen) =>
              onChange({ disciplines: chosen }, `${name} speaks for ${chosen.join(', ') || 'nothing yet'}`)
            }
          />
        ) : (
          <span>{member.disciplines.join(', ')}</span>
        )
      ) : (
        <span className="text-ink2">since {onDay(joinedAt)}</span>
      )}
      <span className="flex gap-2">
        {mayManage && !isMe && (
          <>
            {role !== 'owner' && (
              <ActionButton disabled={busy} onClick={() => setAsked('handOver')}>
                Hand over
              </ActionButton>
            )}
            <ActionButton disabled={busy} onClick={() => setAsked('remove')}>
              Remove
            </ActionButton>
          </>
        )}
      </span>
      {asked && (
        <PageDialog
          title={asked === 'remove' ? `Take ${name} out of the project` : `Hand the project over to ${name}`}
          onClose={() => setAsked(null)}
        >
          <p>
            {asked === 'remove'
              ? 'Their open tabs are told at once. What they did stays; what they have not sent is not saved, and they can download it.'
              : `${name} becomes owner in your place, and you go on as designer.`}
          </p>
          <span className="flex gap-3">
            <DoButton
              type="button"
              grave={asked === 'remove'}
              onClick={() => {
                setAsked(null);
                if (asked === 'remove') onRemove();
                else onChange({ handOver: true }, `${name} owns the project now`);
              }}
            >
              {asked === 'remove' ? `Remove ${name}` : 'Hand over'}
            </DoButton>
            <ActionButton onClick={() => setAsked(null)}>Leave it as it is</ActionButton>
          </span>
        </PageDialog>
      )}
    </li>
  );
}
