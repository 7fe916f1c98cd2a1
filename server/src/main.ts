import { readConfig, StartError, withConfigFile } from './config';
import { serve } from './serve';

/** Longest that stopping may take, ms. */
const STOP_WITHIN_MS = 12_000;

try {
  const serving = await serve(readConfig(withConfigFile(process.env)));
  for (const { slug, code } of serving.setupCodes) {
    const whose = slug === null ? 'for the first house of this server' : `for the owner of ${slug}`;
    process.stdout.write(`Set-up code, ${whose}: ${code}\n`);
  }
  process.stdout.write(`Calm Tray listens on ${serving.url}\n`);
  const stop = () => {
    void serving.stop().then(() => process.exit(0));
    // A database that answers nothing would hold it for ever.
    setTimeout(() => process.exit(1), STOP_WITHIN_MS).unref();
  };
  process.once('SIGTERM', stop);
  process.once('SIGINT', stop);
} catch (error) {
  if (!(error instanceof StartError)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 1;
}
