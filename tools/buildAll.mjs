import { buildServer, buildWeb } from './build.mjs';
import { runTool } from './say.mjs';

/** npm run build: the pages and the server, as `npm start` and the image serve them. */
await runTool(async () => {
  await buildWeb();
  await buildServer();
});
