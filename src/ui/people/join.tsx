'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { createAuthClient } from 'better-auth/react';
import { ActionButton } from '../fields/fields';
import { askServer, Refused } from '../page/ask-server';
import { DoButton, Outcome } from '../page/boxes';
import { forgetLinkToken, useLinkToken } from '../page/link-token';
import { PageFrame } from '../page/page-frame';
import { useAsking } from '../page/use-asking';
import { SignInForm, type SignUp } from '../projects/sign-in-form';
import type { Invited } from '@/core/people/told';

const KEY = 'spine-invitation';
const client = createAuthClient();

interface JoinProps {
  person: string | null;
  signUp: SignUp;
}

/** Opens an invitation: says what it is for, and lets in who is signed in or signs in now. */
export function Join(props: JoinProps) {
  const token = useLinkToken(KEY);
  return <JoinWith key={token} token={token} {...props} />;
}

function JoinWith({ token, person, signUp }: JoinProps & { token: string | null }) {
  const router = useRouter();
  const [invited, setInvited] = useState<Invited | null>(null);
  const [answer, setRefused] = useState<string | null>(null);
  const refused = token === '' ? 'There is no invitation here. Open the link whole, as it stands in the mail' : answer;
  const { busy, said, ask } = useAsking();
  useEffect(() => {
    if (token === null || token === '') return;
    askServer<Invited>('POST', '/api/join', { token }).then(setInvited, (error: Refused) => {
      if (error.status === 410) forgetLinkToken(KEY);
      setRefused(error.message);
    });
  }, [token]);
  const join = () =>
    ask(async () => {
      const { projectId } = await askServer<{ projectId: string }>('PUT', '/api/join', { token });
      forgetLinkToken(KEY);
      router.push(`/projects/${projectId}`);
    });
  return (
    <PageFrame title="Invitation" back={{ href: '/', name: 'Projects' }}>
      {refused !== null && (
        <div role="alert" className="flex max-w-[60ch] flex-col gap-2">
          <p>{refused}.</p>
          <Link href="/" className="text-now underline">
            To your projects
          </Link>
        </div>
      )}
      {refused === null && !invited && <p role="status">Reading the invitation …</p>}
      {invited && refused === null && (
        <div className="flex max-w-[420px] flex-col gap-4">
          <p className="text-[15px]">
            {invited.invitedBy} invites you to <b>{invited.project}</b> as <b>{invited.role}</b>
            {invited.disciplines.length > 0 && ` for ${invited.disciplines.join(', ')}`}.
          </p>
          <p className="text-ink2">
            As {invited.role} one may {invited.may.join('; ')}.
          </p>
          {person !== null ? (
            <>
              <span className="flex items-center gap-3">
                <DoButton type="button" disabled={busy} onClick={() => void join()}>
                  Join as {person}
                </DoButton>
                <ActionButton onClick={() => void client.signOut().then(() => router.refresh())}>
                  I am somebody else
                </ActionButton>
              </span>
              <Outcome said={said} />
            </>
          ) : (
            <>
              <p>Sign in, or make an account, to join.</p>
              <SignInForm
                demo={false}
                signUp={signUp}
                invitation={token ?? ''}
                onSignedIn={async () => {
                  if (!(await join())) router.refresh();
                }}
              />
              <Outcome said={said} />
            </>
          )}
        </div>
      )}
    </PageFrame>
  );
}
