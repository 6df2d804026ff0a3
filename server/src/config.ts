// What the server was told: command line first, then the environment, then the defaults.
import path from 'node:path';
import { parseArgs } from 'node:util';
import { z } from 'zod';
import { StartFailure } from './failure';
import { WEB_FOLDER } from './http/web';

const Config = z.object({
  host: z.string().min(1),
  port: z.coerce.number().int().min(0).max(65535),
  dataFolder: z
    .string()
    .min(1)
    .transform((folder) => path.resolve(folder)),
  databaseUrl: z
    .string()
    .regex(/^postgres(ql)?:\/\//, 'must begin with postgres://')
    .optional(),
  photoFolder: z.string().min(1),
  copyFolder: z.string().min(1).nullable().describe('of the daily copies; null: none are made'),
  clinicSeconds: z.coerce
    .number()
    .min(0)
    .max(30 * 24 * 3600),
  metricsPort: z.coerce.number().int().min(1).max(65535).optional(),
  demo: z.boolean(),
  demoTrees: z.coerce.number().int().min(0).max(20_000),
  lan: z.boolean().describe('HTTPS on the local network, by an authority of this server’s own'),
  names: z.array(z.string()).describe('more names that the local network has for this machine'),
  cert: z.string().optional().describe('HTTPS by a certificate of one’s own: PEM, the chain behind it'),
  key: z.string().optional(),
  proxy: z.boolean().describe('one proxy with TLS stands before this server, and is believed'),
  passphrase: z.string().max(400).optional(),
  now: z.iso.datetime().optional(),
  webFolder: z.string(),
  tables: z
    .enum(['check', 'rebuild'])
    .optional()
    .describe('nothing is served: the tables are compared with the history'),
  backup: z
    .string()
    .optional()
    .describe('nothing is served: a copy is made in this file; empty: in the folder of copies'),
  restore: z
    .string()
    .min(1)
    .optional()
    .describe('nothing is served: this copy is brought into an empty place'),
  logLevel: z.enum(['silent', 'error', 'warn', 'info', 'debug']),
});
export type Config = z.infer<typeof Config>;

/** Whether what goes over the line is kept from others on it. */
export const isSecure = ({ lan, cert, proxy }: Config): boolean => lan || cert !== undefined || proxy;

const LOOPBACK = new Set(['127.0.0.1', '::1', 'localhost']);
export function isLoopback(host: string): boolean {
  return LOOPBACK.has(host);
}

/** @throws {StartFailure} naming the setting that is wrong */
export function readConfig(argv: string[], env: NodeJS.ProcessEnv): Config {
  const values = options(argv);
  const dataFolder = values.data ?? env.MORTISECT_DATA ?? 'data';
  const databaseUrl = env.DATABASE_URL || undefined;
  const photos = photoFolder(env.MORTISECT_PHOTOS, dataFolder, databaseUrl);
  const parsed = Config.safeParse({
    host: values.host ?? env.HOST ?? (values.lan ? '::' : '127.0.0.1'),
    port: values.port ?? env.PORT ?? '3000',
    dataFolder,
    databaseUrl,
    photoFolder: photos,
    copyFolder: copyFolder(values.copies ?? env.MORTISECT_COPIES, photos, dataFolder, databaseUrl),
    clinicSeconds: env.MORTISECT_CLINIC_SECONDS ?? '40',
    metricsPort: values['metrics-port'] ?? (env.MORTISECT_METRICS_PORT || undefined),
    demo: values.demo ?? false,
    demoTrees: values['demo-trees'] ?? '0',
    lan: values.lan ?? false,
    names: values.names?.split(',').map((name) => name.trim()) ?? [],
    cert: values.cert,
    key: values.key,
    proxy: values.proxy ?? false,
    passphrase: env.MORTISECT_PASSPHRASE || undefined,
    now: values.now ?? (env.MORTISECT_NOW || undefined),
    tables: values.tables,
    backup: values.backup,
    restore: values.restore,
    webFolder: path.resolve(values.web ?? WEB_FOLDER),
    logLevel: env.LOG_LEVEL ?? 'info',
  });
  const ways = [values.lan, values.cert ?? values.key, values.proxy].filter(Boolean).length;
  if (ways > 1 || (values.cert === undefined) !== (values.key === undefined))
    throw new StartFailure(
      'Of --lan, --cert with --key, and --proxy only one goes.',
      'See “Settings of the server” in the README.',
    );
  if (!parsed.success) {
    const faults = parsed.error.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`).join('; ');
    throw new StartFailure(
      `A setting is not usable: ${faults}.`,
      'See “Settings of the server” in the README.',
    );
  }
  return parsed.data;
}

/** Beside an embedded database; with a database server every process needs the same folder, so it must be named. */
function photoFolder(named: string | undefined, dataFolder: string, databaseUrl: string | undefined): string {
  if (named) return path.resolve(named);
  if (databaseUrl === undefined) return path.resolve(dataFolder, 'photos');
  throw new StartFailure(
    'With DATABASE_URL the folder for photos must be named: all server processes share it.',
    'Set MORTISECT_PHOTOS to a folder that every process can write to.',
  );
}

/** Beside what is copied, not inside it: whoever loses the one still has the other. */
function copyFolder(
  named: string | undefined,
  photos: string,
  dataFolder: string,
  databaseUrl: string | undefined,
): string | null {
  if (named === 'none') return null;
  return path.resolve(named ?? `${databaseUrl === undefined ? dataFolder : photos}-copies`);
}

function options(argv: string[]) {
  try {
    return parseArgs({
      args: argv,
      options: {
        host: { type: 'string' },
        port: { type: 'string' },
        data: { type: 'string' },
        demo: { type: 'boolean' },
        'demo-trees': { type: 'string' },
        now: { type: 'string' },
        web: { type: 'string' },
        'metrics-port': { type: 'string' },
        lan: { type: 'boolean' },
        names: { type: 'string' },
        cert: { type: 'string' },
        key: { type: 'string' },
        proxy: { type: 'boolean' },
        tables: { type: 'string' },
        copies: { type: 'string' },
        backup: { type: 'string' },
        restore: { type: 'string' },
      },
    }).values;
  } catch (error) {
    throw new StartFailure((error as Error).message, 'See “Settings of the server” in the README.');
  }
}
