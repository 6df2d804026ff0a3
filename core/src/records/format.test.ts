// The open format of the history: the schema that is published is the one that is used. Whoever writes a program for archives goes by it.
import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { z } from 'zod';
import { HistoryLine, TreeDetail } from './index';

const PUBLISHED = path.join(__dirname, '../../../docs/formats/history.schema.json');

test('docs/formats/history.schema.json says what a line of the history may hold: fields, bounds, what is filled in', () => {
  // JSON Schema 2020-12; what is written may leave out what has a default
  const used = JSON.parse(
    JSON.stringify(z.toJSONSchema(z.object({ line: HistoryLine, tree: TreeDetail }), { io: 'input' })),
  );
  if (process.env.WRITE_FORMATS) writeFileSync(PUBLISHED, `${JSON.stringify(used, null, 2)}\n`);
  expect(JSON.parse(readFileSync(PUBLISHED, 'utf8'))).toEqual(used);
});
