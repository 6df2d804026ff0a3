// Figures of a running server in the Prometheus text form, on a port of loopback of their own: nothing of the orchard is in them.
import { createServer } from 'node:http';
import type { RequestHandler } from 'express';
import { Counter, collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client';
import { StartFailure } from './failure';

export interface Metrics {
  /** Notes how long each request took, by the route that answered. */
  watch: RequestHandler;
  /** Of the worker pool, asked when somebody looks. */
  pool(waiting: () => { lane: string; waiting: number }[]): void;
  copyFailed(): void;
  taskFailed(kind: string): void;
  /** Of the queue in the database, asked when somebody looks. */
  tasks(waiting: () => Promise<{ kind: string; waiting: number; failed: number }[]>): void;
  /** @throws {StartFailure} when the port is taken */
  listen(port: number): Promise<() => Promise<void>>;
}

export function makeMetrics(): Metrics {
  const register = new Registry();
  collectDefaultMetrics({ register });
  const took = new Histogram({
    name: 'mortisect_request_seconds',
    help: 'How long requests took, by route and status',
    labelNames: ['method', 'route', 'status'],
    buckets: [0.005, 0.02, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 10],
    registers: [register],
  });
  const failed = new Counter({
    name: 'mortisect_copies_failed_total',
    help: 'Safe copies that could not be made',
    registers: [register],
  });
  const tasksFailed = new Counter({
    name: 'mortisect_tasks_failed_total',
    help: 'Tasks that could not be done and wait to be tried again',
    labelNames: ['kind'],
    registers: [register],
  });
  return {
    watch: (request, response, next) => {
      const end = took.startTimer();
      response.on('finish', () =>
        // The route as it is written, never the address: an address names records
        end({ method: request.method, route: request.route?.path ?? 'other', status: response.statusCode }),
      );
      next();
    },
    pool(waiting) {
      new Gauge({
        name: 'mortisect_pool_waiting',
        help: 'Tasks that wait for a worker',
        labelNames: ['lane'],
        registers: [register],
        collect() {
          for (const { lane, waiting: count } of waiting()) this.set({ lane }, count);
        },
      });
    },
    copyFailed: () => failed.inc(),
    taskFailed: (kind) => tasksFailed.inc({ kind }),
    tasks(waiting) {
      new Gauge({
        name: 'mortisect_tasks_waiting',
        help: 'Work that waits in the database to be done later; failed: it is to be tried again',
        labelNames: ['kind', 'state'],
        registers: [register],
        async collect() {
          this.reset();
          for (const { kind, waiting: count, failed: again } of await waiting()) {
            this.set({ kind, state: 'waiting' }, count);
            this.set({ kind, state: 'failed' }, again);
          }
        },
      });
    },
    async listen(port) {
      const server = createServer(async (_request, response) => {
        response.setHeader('Content-Type', register.contentType);
        response.end(await register.metrics());
      });
      await new Promise<void>((resolve, reject) => {
        server.once('error', () =>
          reject(
            new StartFailure(`Port ${port} for figures is taken.`, 'Choose another with --metrics-port.'),
          ),
        );
        server.listen(port, '127.0.0.1', resolve);
      });
      return () => new Promise((resolve) => server.close(() => resolve()));
    },
  };
}
