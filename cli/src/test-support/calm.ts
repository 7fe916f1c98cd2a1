import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('../../..', import.meta.url));

/** Runs the real command as a process of its own. */
export function calm(command: string, input: unknown) {
  const text = typeof input === 'string' ? input : JSON.stringify(input);
  const run = spawnSync('node_modules/.bin/tsx', ['cli/src/main.ts', command], {
    cwd: root,
    input: text,
    encoding: 'utf8',
    env: { ...process.env, NODE_OPTIONS: '' },
  });
  const parse = (out: string) => (out ? (JSON.parse(out) as Record<string, unknown>) : null);
  return { code: run.status, out: parse(run.stdout), err: parse(run.stderr) };
}
