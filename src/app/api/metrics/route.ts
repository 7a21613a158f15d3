import { guarded } from '@/server/entry/entry';
import { RequestRefused } from '@/server/entry/refusal';
import { metricsText, watchFigure } from '@/server/metrics';
import { poolQueue } from '@/server/pool';
import { settings } from '@/server/settings';

export const dynamic = 'force-dynamic';

const LOOPBACK = /^(127\.|::1$|::ffff:127\.)/;

/** Figures of this process in the open text format: to this machine, or to who knows the token. */
export const GET = guarded('GET /api/metrics', async ({ address, request }) => {
  const { METRICS_TOKEN } = settings();
  const isKnown = METRICS_TOKEN !== undefined && request.headers.get('authorization') === `Bearer ${METRICS_TOKEN}`;
  if (!isKnown && !LOOPBACK.test(address)) throw new RequestRefused(404, 'There is nothing here');
  watchFigure('spine_work_queue', 'Heavy work that waits for a process', poolQueue);
  return new Response(await metricsText(), { headers: { 'content-type': 'text/plain; version=0.0.4; charset=utf-8' } });
});
