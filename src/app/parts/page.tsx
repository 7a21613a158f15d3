import { notFound } from 'next/navigation';
import { Parts } from '@/ui/parts/parts';

export const dynamic = 'force-dynamic';

/** Every part of the interface in its states: there in development, and where `SPINE_PARTS` says so; nowhere else. */
export default function PartsPage() {
  if (process.env.NODE_ENV === 'production' && process.env.SPINE_PARTS !== '1') notFound();
  return <Parts />;
}
