'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { ActionButton } from '../fields/fields';
import { askServer } from '../page/ask-server';
import { Box, DoButton, Outcome } from '../page/boxes';
import { PageFrame, PagePart } from '../page/page-frame';
import { useAsking } from '../page/use-asking';
import { when } from '../page/when';
import type { SignInPlace } from '@/core/people/told';

interface AccountPageProps {
  name: string;
  email: string;
  signIns: SignInPlace[];
}

/** One's own account: name, e-mail, password, where it is signed in, and its end. */
export function AccountPage({ name, email, signIns }: AccountPageProps) {
  return (
    <PageFrame title="Account" back={{ href: '/', name: 'Projects' }}>
      <div className="grid grid-cols-2 gap-x-12 gap-y-8">
        <NameForm name={name} />
        <EmailForm email={email} />
        <PasswordForm />
        <End />
      </div>
      <SignIns signIns={signIns} />
    </PageFrame>
  );
}

/** A form of this page: what it sends is made of its fields. */
function AccountForm({
  title,
  note,
  button,
  grave,
  children,
  send,
}: {
  title: string;
  note?: string;
  button: string;
  grave?: boolean;
  children: React.ReactNode;
  send: (field: (name: string) => string) => Promise<string>;
}) {
  const { busy, said, ask } = useAsking();
  return (
    <PagePart title={title} note={note}>
      <form
        aria-label={title}
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          const element = event.currentTarget;
          const form = new FormData(element);
          void ask(() => send((name) => String(form.get(name) ?? ''))).then((isDone) => {
            if (isDone)
              for (const box of element.querySelectorAll('input[type=password]')) (box as HTMLInputElement).value = '';
          });
        }}
      >
        {children}
        <Outcome said={said} />
        <span>
          <DoButton disabled={busy} grave={grave}>
            {button}
          </DoButton>
        </span>
      </form>
    </PagePart>
  );
}

function NameForm({ name }: { name: string }) {
  const router = useRouter();
  return (
    <AccountForm
      title="Name"
      button="Change the name"
      send={async (field) => {
        await askServer('PATCH', '/api/account', { name: field('name') });
        router.refresh();
        return 'The name is changed';
      }}
    >
      <Box label="Your name, as others read it" name="name" defaultValue={name} required maxLength={80} />
    </AccountForm>
  );
}

function EmailForm({ email }: { email: string }) {
  const router = useRouter();
  return (
    <AccountForm
      title="E-mail"
      button="Change the e-mail"
      send={async (field) => {
        await askServer('PATCH', '/api/account', { email: field('email'), password: field('password') });
        router.refresh();
        return 'The e-mail is changed. You sign in with it from now on';
      }}
    >
      <Box label="E-mail" name="email" type="email" defaultValue={email} required autoComplete="email" />
      <Box label="Your password" name="password" type="password" required autoComplete="current-password" />
    </AccountForm>
  );
}

function PasswordForm() {
  return (
    <AccountForm
      title="Password"
      button="Change the password"
      note="Everywhere else you are signed out."
      send={async (field) => {
        await askServer('PATCH', '/api/account', { password: field('password'), next: field('next') });
        return 'The password is changed';
      }}
    >
      <Box label="Old password" name="password" type="password" required autoComplete="current-password" />
      <Box label="New password" name="next" type="password" required minLength={10} autoComplete="new-password" />
    </AccountForm>
  );
}

function SignIns({ signIns }: { signIns: SignInPlace[] }) {
  const router = useRouter();
  const { busy, said, ask } = useAsking();
  const [gone, setGone] = useState<ReadonlySet<string>>(new Set());
  return (
    <PagePart title="Where you are signed in">
      <ul className="flex flex-col">
        {signIns
          .filter(({ id }) => !gone.has(id))
          .map(({ id, address, browser, since, lastSeen, isThis }) => (
            <li
              key={id}
              className="grid grid-cols-[220px_180px_1fr_110px] items-center gap-4 border-t border-hair py-2 last:border-b"
            >
              <b>{browser}</b>
              <span className="figures">{address || 'address not known'}</span>
              <span className="text-ink2">
                since {when(since)}, last seen {when(lastSeen)}
              </span>
              {isThis ? (
                <span className="text-now">here, now</span>
              ) : (
                <ActionButton
                  disabled={busy}
                  onClick={() =>
                    void ask(async () => {
                      await askServer('DELETE', `/api/account/sign-ins?id=${encodeURIComponent(id)}`);
                      setGone(new Set([...gone, id]));
                      return 'Signed out there';
                    })
                  }
                >
                  Sign out
                </ActionButton>
              )}
            </li>
          ))}
      </ul>
      <Outcome said={said} />
      <span>
        <ActionButton
          disabled={busy}
          onClick={() =>
            void ask(async () => {
              await askServer('DELETE', '/api/account/sign-ins');
              router.push('/');
              router.refresh();
            })
          }
        >
          Sign out everywhere
        </ActionButton>
      </span>
    </PagePart>
  );
}

function End() {
  const router = useRouter();
  return (
    <AccountForm
      title="Delete the account"
      button="Delete my account"
      grave
      note="What you did stays in the projects, under “Former member”. Projects you alone own are handed over or deleted first."
      send={async (field) => {
        await askServer('DELETE', '/api/account', { password: field('password') });
        router.push('/');
        router.refresh();
        return 'The account is deleted';
      }}
    >
      <Box label="Password, to delete it" name="password" type="password" required autoComplete="current-password" />
    </AccountForm>
  );
}
