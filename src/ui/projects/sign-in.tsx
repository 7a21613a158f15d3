'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { createAuthClient } from 'better-auth/react';
import { Mark } from '../frame/mark';

const client = createAuthClient();

const PARTS = ['designer', 'consultant', 'viewer'] as const;

/** Signing in, by e-mail and password; and the doors of the demo while that is on. */
export function SignIn({ demo }: { demo: boolean }) {
  const router = useRouter();
  const [isNew, setIsNew] = useState(false);
  const [message, setMessage] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const attempt = async (work: () => Promise<string | null>) => {
    setBusy(true);
    const trouble = await work().catch(() => 'The server cannot be reached. Try again');
    if (trouble) {
      setMessage(trouble);
      setBusy(false);
    } else router.refresh();
  };
  const submit = (form: FormData) => {
    const [email, password, name] = ['email', 'password', 'name'].map((field) => String(form.get(field) ?? ''));
    void attempt(async () => {
      const { error } = isNew
        ? await client.signUp.email({ email: email!, password: password!, name: name! })
        : await client.signIn.email({ email: email!, password: password! });
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
    <main className="grid h-full min-h-[560px] grid-cols-[1fr_420px]">
      <Picture />
      <div className="flex flex-col justify-center gap-6 border-l border-hair bg-sheet px-10">
        <div>
          <h1 className="flex items-center gap-2.5 text-[22px] font-bold">
            <Mark /> Zenith Spine
          </h1>
          <p className="text-ink2">Levels, grids, columns and shafts, set out once and carried through every storey.</p>
        </div>
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
            <input name="email" type="email" required autoComplete="email" className={field} />
          </label>
          <label className="flex flex-col">
            Password
            <input
              name="password"
              type="password"
              required
              minLength={10}
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
            {isNew ? 'Make the account' : 'Sign in'}
          </button>
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
        </form>
      </div>
    </main>
  );
}

/** Our own picture: levels on a spine, to scale. */
function Picture() {
  const storeys = [54, 48, 48, ...Array<number>(8).fill(33)];
  let y = 540;
  const lines = storeys.map((height, i) => {
    y -= height;
    return { y, key: i };
  });
  return (
    <svg viewBox="0 0 640 640" className="h-full w-full" preserveAspectRatio="xMidYMid slice" aria-hidden="true">
      <line x1="0" y1="540" x2="640" y2="540" stroke="var(--color-ink)" strokeWidth="2" />
      {lines.map(({ y: at, key }) => (
        <g key={key}>
          <line x1="150" x2="500" y1={at} y2={at} stroke="var(--color-ink)" strokeWidth="1.2" />
          <path d={`M506 ${at} l11 -5.5 v11 z`} fill="var(--color-ink)" />
        </g>
      ))}
      {[190, 250, 310, 430, 470].map((x) => (
        <rect
          key={x}
          x={x}
          y={lines.at(-1)!.y}
          width="6"
          height={540 - lines.at(-1)!.y + 52}
          fill="var(--color-columns)"
        />
      ))}
      {[350, 366].map((x) => (
        <rect
          key={x}
          x={x}
          y={lines.at(-1)!.y - 14}
          width="9"
          height={540 - lines.at(-1)!.y + 66}
          fill="var(--color-shafts)"
        />
      ))}
      <rect x="0" y="486" width="640" height="54" fill="var(--color-now)" opacity="0.14" />
    </svg>
  );
}
