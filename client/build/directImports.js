// The bundler keeps a whole room where one thing of it is asked for by its index: what is imported from an index is imported from the file that has it.
// Only the product's own indexes are looked into.
const { existsSync, readFileSync } = require('node:fs');
const path = require('node:path');
const { INDEX, root, WORKSPACES } = require('./indexes');

/** A Babel plugin. Types, and whatever an index does not pass on from another file, stay as they are. */
module.exports = ({ types: t, parse }) => ({
  name: 'direct-imports',
  visitor: {
    Program(program, { filename }) {
      if (!filename || filename.includes('node_modules')) return;
      const relative = (file) => {
        const found = path.relative(path.dirname(filename), file).split(path.sep).join('/');
        return t.stringLiteral(found.startsWith('.') ? found : `./${found}`);
      };
      for (const statement of program.get('body')) {
        const { node } = statement;
        const isExport = statement.isExportNamedDeclaration();
        if (!(isExport || statement.isImportDeclaration()) || !node.source) continue;
        const index = isType(node) ? null : indexBehind(node.source.value, filename);
        if (!index) continue;
        const declared = (specifiers, source) =>
          isExport
            ? t.exportNamedDeclaration(null, specifiers, source)
            : t.importDeclaration(specifiers, source);
        const { offered, effects } = offeredBy(index, parse);
        const moved = [];
        const kept = [];
        for (const specifier of node.specifiers) {
          const wanted = isExport ? 'local' : 'imported';
          const from =
            specifier[wanted] && !isType(specifier) ? offered.get(nameOf(specifier[wanted])) : undefined;
          if (!from) kept.push(specifier);
          else
            moved.push(declared([{ ...specifier, [wanted]: t.identifier(from.name) }], relative(from.file)));
        }
        const types = kept.filter(isType);
        if (moved.length === 0 && types.length === 0) continue;
        statement.replaceWithMultiple([
          ...(moved.length > 0 ? effects : []).map((source) =>
            t.importDeclaration([], t.stringLiteral(source)),
          ),
          ...moved,
          ...(kept.length > types.length ? [declared(kept, node.source)] : []),
        ]);
      }
      program.scope.crawl();
    },
  },
});

const isType = (node) => node.importKind === 'type' || node.exportKind === 'type';
const nameOf = (node) => node.name ?? node.value;
const read = new Map();

/** What an index passes on by the name it offers it under, and the packages that it imports for their effect. */
function offeredBy(index, parse) {
  const content = readFileSync(index, 'utf8');
  const before = read.get(index);
  if (before?.content === content) return before;
  const offered = new Map();
  const effects = [];
  const { program } = parse(content, {
    filename: index,
    configFile: false,
    presets: [['@babel/preset-typescript', {}]],
  });
  for (const node of program.body) {
    if (node.type === 'ImportDeclaration' && node.specifiers.length === 0) effects.push(node.source.value);
    if (node.type !== 'ExportNamedDeclaration' || !node.source || isType(node)) continue;
    const file = fileBehind(path.join(path.dirname(index), node.source.value));
    for (const specifier of node.specifiers)
      if (file && !isType(specifier))
        offered.set(nameOf(specifier.exported), { name: nameOf(specifier.local), file });
  }
  const found = { content, offered, effects };
  read.set(index, found);
  return found;
}

/** The index that an import means; null where it means something else. */
function indexBehind(source, filename) {
  const own = /^@mortisect\/([a-z]+)(\/.+)?$/.exec(source);
  if (own) {
    const wanted = JSON.parse(readFileSync(path.join(root, own[1], 'package.json'), 'utf8')).exports;
    const rest = `.${own[2] ?? ''}`;
    const file = wanted[rest] ?? wanted['./*']?.replace('*', rest.slice(2));
    return file?.endsWith(`/${INDEX}`) ? path.join(root, own[1], file) : null;
  }
  if (!source.startsWith('.')) return null;
  const file = fileBehind(path.join(path.dirname(filename), source));
  return file?.endsWith(`${path.sep}${INDEX}`) &&
    WORKSPACES.some((name) => file.startsWith(path.join(root, name)))
    ? file
    : null;
}

const fileBehind = (place) =>
  ['.ts', '.tsx', `/${INDEX}`].map((end) => place + end).find((file) => existsSync(file)) ?? null;
