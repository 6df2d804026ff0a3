import { command, installed, say, serverBuilt, webAppBuilt } from './steps.mjs';

await command(async () => {
  await installed();
  await webAppBuilt();
  await serverBuilt();
  say('The web app is built in client/dist, the server in server/dist');
});
