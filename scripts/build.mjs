import { command, installed, say, webAppBuilt } from './steps.mjs';

await command(async () => {
  await installed();
  await webAppBuilt();
  say('The web app is built: client/dist');
});
