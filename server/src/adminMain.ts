import { adminMain } from './admin';
import { StartError } from './config';

try {
  process.stdout.write(`${await adminMain(process.argv.slice(2), process.env['DATABASE_URL'])}\n`);
} catch (error) {
  if (!(error instanceof StartError)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 1;
}
