// The product's own indexes: the files by which one room says what it offers the others.
const { createHash } = require('node:crypto');
const { readdirSync, readFileSync } = require('node:fs');
const path = require('node:path');

const root = path.join(__dirname, '../..');
const INDEX = 'index.ts';
const WORKSPACES = ['core', 'contracts', 'words'];

/** Changes with every index: what was compiled by them before is compiled anew. */
function digestOfIndexes() {
  const hash = createHash('sha256');
  for (const name of WORKSPACES)
    for (const file of readdirSync(path.join(root, name, 'src'), {
      recursive: true,
      encoding: 'utf8',
    }).sort())
      if (path.basename(file) === INDEX)
        hash.update(file).update(readFileSync(path.join(root, name, 'src', file)));
  return hash.digest('hex');
}

module.exports = { digestOfIndexes, INDEX, root, WORKSPACES };
