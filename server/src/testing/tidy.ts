// After the server's tests.
import { rmSync } from 'node:fs';
import path from 'node:path';

export default function tidy(): void {
  if (process.env.DEMO_COPY) rmSync(path.dirname(process.env.DEMO_COPY), { recursive: true, force: true });
}
