import { buildSync } from 'esbuild';
import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('../../..', import.meta.url));
const built = `${root}node_modules/.cache/calm/${process.pid}.mjs`;
let isBuilt = false;

/** Runs the real command as a process of its own: put into one file first, so that fifty of them start at once. */
export function calm(command: string, input: unknown) {
  if (!isBuilt) build();
  const text = typeof input === 'string' ? input : JSON.stringify(input);
  const run = spawnSync(process.execPath, [built, command], {
    cwd: root,
    input: text,
    encoding: 'utf8',
    env: { ...process.env, NODE_OPTIONS: '' },
  });
  const parse = (out: string) => (out ? (JSON.parse(out) as Record<string, unknown>) : null);
  return { code: run.status, out: parse(run.stdout), err: parse(run.stderr) };
}

function build(): void {
  buildSync({
    absWorkingDir: root,
    entryPoints: ['cli/src/main.ts'],
    outfile: built,
    bundle: true,
    platform: 'node',
    format: 'esm',
    banner: {
      js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);",
    },
    logLevel: 'error',
  });
  isBuilt = true;
}
