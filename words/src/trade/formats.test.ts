// The open format of the history: the schema that is published is the one that is used. Whoever writes a program for archives goes by it.

import { HistoryLine, TreeDetail } from '@mortisect/core/records';
import { z } from 'zod';
import published from '../../../docs/formats/history.schema.json';
import { english } from '../all';
import { describedIn } from './told';

test('docs/formats/history.schema.json says what a line of the history may hold: fields, bounds, what is filled in', () => {
  // JSON Schema 2020-12; what is written may leave out what has a default
  const used = z.toJSONSchema(z.object({ line: HistoryLine, tree: TreeDetail }), {
    io: 'input',
    override: describedIn(english),
  });
  expect(JSON.parse(JSON.stringify(used))).toEqual(published);
});
