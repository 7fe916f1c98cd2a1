import { adminMain } from './admin';
import { StartError, withConfigFile } from './config';

try {
  process.stdout.write(`${await adminMain(process.argv.slice(2), withConfigFile(process.env))}\n`);
} catch (error) {
  if (!(error instanceof StartError)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 1;
}
