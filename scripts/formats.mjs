// Writes the published format of the history anew, after it was changed on purpose: `npx tsx scripts/formats.mjs`.
import { writeFileSync } from 'node:fs';
import path from 'node:path';
import { z } from 'zod';
import { HistoryLine, TreeDetail } from '../core/src/records/index.ts';
import { english } from '../words/src/all.ts';
import { describedIn } from '../words/src/trade/index.ts';
import { root } from './steps.mjs';

const schema = z.toJSONSchema(z.object({ line: HistoryLine, tree: TreeDetail }), {
  io: 'input',
  override: describedIn(english),
});
writeFileSync(path.join(root, 'docs/formats/history.schema.json'), `${JSON.stringify(schema, null, 2)}\n`);
