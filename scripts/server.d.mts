import type { ChildProcess } from 'node:child_process';

export function startServer(
  args: string[],
  options?: { env?: Record<string, string>; quiet?: boolean; node?: string[] },
): Promise<{ child: ChildProcess; url: string }>;
export function stopServer(child: ChildProcess): Promise<number | null>;
export function settled(url: string): Promise<void>;
