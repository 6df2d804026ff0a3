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
