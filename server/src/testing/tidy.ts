// After the server's tests.
import { rmSync } from 'node:fs';

export default function tidy(): void {
  if (process.env.ORCHARD_COPIES && !process.env.ORCHARDS_AT)
    rmSync(process.env.ORCHARD_COPIES, { recursive: true, force: true });
}
