'use client';

import { PageBroken } from '@/ui/frame/page-broken';

/** What is shown in the place of a page that broke down. */
export default function ErrorPage({ reset }: { reset: () => void }) {
  return <PageBroken onAgain={reset} />;
}
