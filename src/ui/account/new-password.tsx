'use client';

import Link from 'next/link';
import { useState } from 'react';
import { askServer, Refused } from '../page/ask-server';
import { Box, DoButton, Outcome } from '../page/boxes';
import { forgetLinkToken, useLinkToken } from '../page/link-token';
import { PageFrame } from '../page/page-frame';
import { useAsking } from '../page/use-asking';

const KEY = 'spine-password-link';

/** A forgotten password: first a link is sent, then the link is used. */
export function NewPassword() {
  const token = useLinkToken(KEY);
  const [isDone, setIsDone] = useState(false);
  const { busy, said, ask } = useAsking();
  const send = (email: string) =>
    void ask(async () => {
      await askServer('POST', '/api/password', { email });
      return 'If there is such an account, a link is on its way to it. It works for 2 hours';
    });
  const change = (password: string) =>
    void ask(async () => {
      try {
        await askServer('POST', '/api/password', { token, password });
      } catch (error) {
        if (error instanceof Refused && error.status === 410) forgetLinkToken(KEY);
        throw error;
      }
      forgetLinkToken(KEY);
      setIsDone(true);
      return 'The password is changed. Sign in with it';
    });
  if (token === null) return null;
  return (
    <PageFrame title="New password" back={{ href: '/', name: 'Sign in' }}>
      <form
        className="flex max-w-[420px] flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          const form = new FormData(event.currentTarget);
          if (token === '') send(String(form.get('email')));
          else change(String(form.get('password')));
        }}
      >
        {token === '' ? (
          <Box label="E-mail of your account" name="email" type="email" required autoComplete="email" />
        ) : (
          !isDone && (
            <Box
              label="New password"
              name="password"
              type="password"
              required
              minLength={10}
              autoComplete="new-password"
            />
          )
        )}
        <Outcome said={said} />
        {isDone ? (
          <Link href="/" className="text-now underline">
            Sign in
          </Link>
        ) : (
          <span>
            <DoButton disabled={busy}>{token === '' ? 'Send a link' : 'Set the password'}</DoButton>
          </span>
        )}
      </form>
    </PageFrame>
  );
}
