import { transformSync } from '@babel/core';
import { digestOfIndexes } from '../../build/indexes';

const HERE = `${__dirname}/../data/any.ts`;
const direct = (code: string) =>
  transformSync(code, {
    filename: HERE,
    configFile: false,
    babelrc: false,
    plugins: [require.resolve('../../build/directImports')],
    presets: [['@babel/preset-typescript', { onlyRemoveTypeImports: true }]],
  })
    ?.code?.split('\n')
    .filter((line) => line !== '');

test.each([
  [
    'each name from the file that has it',
    "import { LimbMap as Map, limbNames } from '@mortisect/core/tree';",
    [
      'import { LimbMap as Map } from "../../../core/src/tree/limbMap.ts";',
      'import { limbNames } from "../../../core/src/tree/limbNames.ts";',
    ],
  ],
  [
    'what the index imports for its effect comes along',
    "import { lanesOf } from '@mortisect/contracts';",
    ['import "@mortisect/core/refusal";', 'import { lanesOf } from "../../../contracts/src/lanes.ts";'],
  ],
  [
    'what is passed on is passed on from there',
    "export { limbNames as names } from '@mortisect/core/tree';",
    ['export { limbNames as names } from "../../../core/src/tree/limbNames.ts";'],
  ],
  ['types go', "import { type Limb } from '@mortisect/core/tree';", []],
  [
    'a name that the index does not have is left to the bundler to refuse',
    "import { noSuchThing } from '@mortisect/core/tree';",
    ["import { noSuchThing } from '@mortisect/core/tree';"],
  ],
  [
    'a whole room stays one',
    "import * as tree from '@mortisect/core/tree';",
    ["import * as tree from '@mortisect/core/tree';"],
  ],
  ['other packages stay as they are', "import { z } from 'zod';", ["import { z } from 'zod';"]],
])('imports go past the index: %s', (_, code, expected) => {
  expect(direct(code)).toEqual(expected);
});

test('what was compiled by the indexes is known by them', () => {
  expect(digestOfIndexes()).toMatch(/^[0-9a-f]{64}$/);
  expect(digestOfIndexes()).toBe(digestOfIndexes());
});
