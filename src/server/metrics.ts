import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client';

interface Metrics {
  registry: Registry;
  requests: Counter<'route' | 'status'>;
  latency: Histogram<'route'>;
  commands: Counter<'outcome'>;
  streams: Gauge;
  solves: Histogram<'what'>;
}

const holder = globalThis as typeof globalThis & { spineMetrics?: Metrics };

/** This process's figures: one registry, kept across the bundles a page is made of. */
function metrics(): Metrics {
  if (!holder.spineMetrics) {
    const registry = new Registry();
    const registers = [registry];
    collectDefaultMetrics({ register: registry });
    holder.spineMetrics = {
      registry,
      requests: new Counter({
        name: 'spine_requests_total',
        help: 'Requests by route and status',
        labelNames: ['route', 'status'],
        registers,
      }),
      latency: new Histogram({
        name: 'spine_request_seconds',
        help: 'How long requests took, by route',
        labelNames: ['route'],
        buckets: [0.002, 0.005, 0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 20],
        registers,
      }),
      commands: new Counter({
        name: 'spine_commands_total',
        help: 'Commands by outcome',
        labelNames: ['outcome'],
        registers,
      }),
      streams: new Gauge({ name: 'spine_streams', help: 'Live streams that are open', registers }),
      solves: new Histogram({
        name: 'spine_work_seconds',
        help: 'How long heavy work took in the worker processes, by sort',
        labelNames: ['what'],
        buckets: [0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 25],
        registers,
      }),
    };
  }
  return holder.spineMetrics;
}

export function countRequest(route: string, status: number, seconds: number): void {
  metrics().requests.inc({ route, status: String(status) });
  metrics().latency.observe({ route }, seconds);
}

export const countCommand = (outcome: string): void => metrics().commands.inc({ outcome });

export const countStreams = (by: 1 | -1): void => metrics().streams.inc(by);

export const countWork = (what: string, seconds: number): void => metrics().solves.observe({ what }, seconds);

/** Counts what is read when the figures are asked for. */
export function watchFigure(name: string, help: string, read: () => number): void {
  const { registry } = metrics();
  if (registry.getSingleMetric(name)) return;
  const gauge: Gauge = new Gauge({ name, help, registers: [registry], collect: () => gauge.set(read()) });
}

/** All figures in the open text format. */
export const metricsText = (): Promise<string> => metrics().registry.metrics();
