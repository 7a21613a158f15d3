'use client';

import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useState } from 'react';
import { ActionButton } from '../fields/fields';
import { askServer } from '../page/ask-server';
import { Outcome } from '../page/boxes';
import { PageFrame, PagePart } from '../page/page-frame';
import { useAsking } from '../page/use-asking';
import { AuditList } from './audit-list';
import { Invitations } from './invitations';
import { MemberRow } from './member-row';
import type { PeopleOf } from './people-of';

/** Who is in a project, what each may do, who is invited, and what happened around it. */
export function PeoplePage({ projectId }: { projectId: string }) {
  const router = useRouter();
  const [people, setPeople] = useState<PeopleOf | null>(null);
  const { busy, said, ask, say } = useAsking();
  const url = `/api/projects/${projectId}`;
  const read = useCallback(
    () =>
      askServer<PeopleOf>('GET', `/api/projects/${projectId}/people`).then(setPeople, (error: Error) =>
        say({ text: error.message, isTrouble: true }),
      ),
    [projectId, say],
  );
  useEffect(() => void read(), [read]);
  if (!people)
    return (
      <PageFrame title="People" back={{ href: `/projects/${projectId}`, name: 'To the project' }}>
        {said ? <Outcome said={said} /> : <p role="status">Reading …</p>}
      </PageFrame>
    );
  const { me, members, invitations, powers, disciplines, project } = people;
  /** Does something about people, says what, and shows how it is then. */
  const change = (work: () => Promise<unknown>, done: string) =>
    ask(async () => {
      await work();
      await read();
      return done;
    });
  return (
    <PageFrame
      title={`People of ${project}`}
      back={{ href: `/projects/${projectId}`, name: 'To the project' }}
      beside={
        <ActionButton
          disabled={busy}
          onClick={() =>
            void ask(async () => {
              await askServer('POST', `${url}/leave`);
              router.push('/');
            })
          }
        >
          Leave the project
        </ActionButton>
      }
    >
      <PagePart title="Members">
        <ul className="flex flex-col">
          {members.map((member) => (
            <MemberRow
              key={member.id}
              member={member}
              isMe={member.id === me.id}
              mayManage={me.mayManage}
              disciplines={disciplines}
              busy={busy}
              onChange={(to, done) => void change(() => askServer('PATCH', `${url}/people/${member.id}`, to), done)}
              onRemove={() =>
                void change(() => askServer('DELETE', `${url}/people/${member.id}`), `${member.name} is out`)
              }
            />
          ))}
        </ul>
        <Outcome said={said} />
      </PagePart>
      {me.mayInvite && (
        <Invitations
          projectId={projectId}
          invitations={invitations}
          disciplines={disciplines}
          mayMakeOwners={me.role === 'owner'}
          onChanged={() => void read()}
        />
      )}
      <PagePart title="What each may do">
        <dl className="grid grid-cols-[120px_1fr] gap-x-6">
          {powers.map(({ role, may }) => (
            <div key={role} className="col-span-2 grid grid-cols-subgrid border-t border-hair py-1.5 last:border-b">
              <dt className="font-bold first-letter:uppercase">{role}</dt>
              <dd>May {may.join('; ')}.</dd>
            </div>
          ))}
        </dl>
      </PagePart>
      {me.mayManage && <AuditList projectId={projectId} members={members} />}
    </PageFrame>
  );
}
