'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { Mark } from '../frame/mark';
import { SignInForm, type SignUp } from './sign-in-form';

/** The front page for who is not signed in. */
export function SignIn({ demo, signUp, fresh }: { demo: boolean; signUp: SignUp; fresh: boolean }) {
  const router = useRouter();
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
        {fresh && (
          <p className="border border-now bg-now-tint p-3">
            Nobody has an account here yet. Whoever makes the first one looks after this place.
          </p>
        )}
        <SignInForm demo={demo} signUp={signUp} startNew={fresh} onSignedIn={() => router.refresh()} />
        {signUp === 'invited' && (
          <p className="text-ink2">Accounts are made by invitation here. Open the link in yours.</p>
        )}
        {!fresh && (
          <Link href="/password" className="self-start text-now underline">
            I forgot my password
          </Link>
        )}
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
