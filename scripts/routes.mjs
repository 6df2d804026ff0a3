// Writes client/routes.d.ts, the addresses that the folder client/app makes: an address that is none is a fault of types. Expo writes it as it
// starts; types are checked where nothing was started.
import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';
import { command, root, StepFailed, say } from './steps.mjs';

const file = path.join(root, 'client/routes.d.ts');

await command(async () => {
  const app = path.join(root, 'client/app');
  process.env.EXPO_ROUTER_APP_ROOT = app;
  // Each of them belongs to the one before it
  const inExpo = createRequire(createRequire(path.join(root, 'client/package.json')).resolve('expo'));
  const inCli = createRequire(inExpo.resolve('@expo/cli/package.json'));
  const inRouter = createRequire(inCli.resolve('@expo/router-server/package.json'));
  const { getTypedRoutesDeclarationFile } = inRouter('./build/typed-routes/generate');
  const { requireContext } = inRouter('expo-router/internal/testing');
  const { EXPO_ROUTER_CTX_IGNORE } = inRouter('expo-router/_ctx-shared');
  const routes = `// Written by scripts/routes.mjs.\n${getTypedRoutesDeclarationFile(requireContext(app, true, EXPO_ROUTER_CTX_IGNORE))}`;
  if (process.argv[2] !== '--check') {
    writeFileSync(file, routes);
    return say(`${path.relative(root, file)} is written.`);
  }
  if (readFileSync(file, 'utf8') !== routes)
    throw new StepFailed(
      'The addresses of client/app have changed: node scripts/routes.mjs writes them anew.',
    );
});
