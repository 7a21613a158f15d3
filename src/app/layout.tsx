import '@fontsource-variable/archivo/wdth.css';
import '@fontsource-variable/spline-sans-mono';
import './globals.css';
import type { Metadata } from 'next';
import type { ReactNode } from 'react';

export const metadata: Metadata = {
  title: 'Zenith Spine',
  description: 'One coordinated framework for a multi-storey building',
};

/** Every page is made for its request: its scripts carry that answer's own mark. */
export const dynamic = 'force-dynamic';

export default function Layout({ children }: { children: ReactNode }) {
  return (
    <html lang="en">
      <body>{children}</body>
    </html>
  );
}
