'use client';

import { useState } from 'react';
import { createAuthClient } from 'better-auth/react';

const client = createAuthClient();

const PARTS = ['owner', 'designer', 'consultant', 'viewer'] as const;

/** Who may make an account: anybody, who is invited, or nobody. */
export type SignUp = 'open' | 'invited' | 'off';

interface SignInFormProps {
  demo: boolean;
  /** Whether accounts can be made here. */
  signUp?: SignUp;
  /** Begins with making an account. */
  startNew?: boolean;
  /** The secret part of an invitation's link: with it an account can be made where that takes one. */
  invitation?: string;
  /** The account that is to sign in again, in place. */
  email?: string;
  /** Called when somebody is signed in. */
  onSignedIn: () => void | Promise<void>;
}

/** E-mail and password, the making of an account, and the doors of the demo while that is on. */
export function SignInForm({ demo, signUp = 'off', startNew = false, invitation, email, onSignedIn }: SignInFormProps) {
  const mayMake = signUp === 'open' || (signUp === 'invited' && invitation !== undefined);
  const [isNew, setIsNew] = useState(startNew && mayMake);
  const [message, setMessage] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const attempt = async (work: () => Promise<string | null>) => {
    setBusy(true);
    const trouble = await work().catch(() => 'The server cannot be reached. Try again');
    setMessage(trouble);
    if (!trouble) await onSignedIn();
    setBusy(false);
  };
  const submit = (form: FormData) => {
    const [typed, password, name] = ['email', 'password', 'name'].map((field) => String(form.get(field) ?? ''));
    void attempt(async () => {
      const { error } = isNew
        ? await client.signUp.email({
            email: typed!,
            password: password!,
            name: name!,
            ...(invitation === undefined ? {} : { invitation }),
          })
        : await client.signIn.email({ email: typed!, password: password! });
      return error ? (error.message ?? 'That was not accepted. Check e-mail and password') : null;
    });
  };
  const enter = (as: (typeof PARTS)[number]) =>
    void attempt(async () => {
      const response = await fetch('/api/demo', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ as }),
      });
      return response.ok
        ? null
        : (((await response.json()) as { message?: string }).message ?? 'The demo could not be entered');
    });
  const field = 'rounded-sm border border-hair bg-sheet px-2 py-1.5';
  return (
    <>
      {demo && (
        <section aria-label="Demo" className="flex flex-col gap-2 border border-now bg-now-tint p-3">
          <p>The demo mode is on: anybody at this address may enter with made-up accounts.</p>
          <div className="flex flex-col gap-1.5">
            {PARTS.map((part) => (
              <button
                key={part}
                type="button"
                disabled={busy}
                className="rounded-sm bg-ink px-3 py-1.5 text-left font-semibold text-sheet disabled:opacity-50"
                onClick={() => enter(part)}
              >
                Enter as {part}
              </button>
            ))}
          </div>
        </section>
      )}
      <form
        aria-label={isNew ? 'Make an account' : 'Sign in'}
        className="flex flex-col gap-2.5"
        onSubmit={(event) => {
          event.preventDefault();
          submit(new FormData(event.currentTarget));
        }}
      >
        {isNew && (
          <label className="flex flex-col">
            Name
            <input name="name" required maxLength={80} autoComplete="name" className={field} />
          </label>
        )}
        <label className="flex flex-col">
          E-mail
          <input
            name="email"
            type="email"
            required
            autoComplete="email"
            defaultValue={email}
            readOnly={email !== undefined}
            className={`${field} read-only:bg-faint`}
          />
        </label>
        <label className="flex flex-col">
          Password
          <input
            name="password"
            type="password"
            required
            minLength={isNew ? 10 : 1}
            autoComplete={isNew ? 'new-password' : 'current-password'}
            className={field}
          />
        </label>
        {message && (
          <p role="alert" className="text-wrong">
            {message}
          </p>
        )}
        <button
          type="submit"
          disabled={busy}
          className="rounded-sm border border-ink px-3 py-1.5 font-semibold disabled:opacity-50"
        >
          {isNew ? 'Make the account' : email === undefined ? 'Sign in' : 'Sign in again'}
        </button>
        {mayMake && (
          <button
            type="button"
            className="self-start text-now underline"
            onClick={() => {
              setIsNew(!isNew);
              setMessage(null);
            }}
          >
            {isNew ? 'I have an account' : 'Make an account'}
          </button>
        )}
      </form>
    </>
  );
}
