'use client';

import './globals.css';
import { PageBroken } from '@/ui/frame/page-broken';

/** What is shown when the frame of all pages itself broke down. */
export default function GlobalErrorPage() {
  return (
    <html lang="en">
      <body>
        <PageBroken onAgain={() => window.location.reload()} />
      </body>
    </html>
  );
}
