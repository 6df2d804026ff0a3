// After the server's tests.
import { rmSync } from 'node:fs';

export default function tidy(): void {
  if (process.env.ORCHARD_COPIES) rmSync(process.env.ORCHARD_COPIES, { recursive: true, force: true });
}
