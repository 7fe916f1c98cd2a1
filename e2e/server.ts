import { spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));

/** A Wednesday, 15:40 at Lantern Yard: lunch is over, dinner is in two hours. */
export const NOW = '2026-11-25T14:40:00.000Z';
/** The same wall clock a day on. */
export const TOMORROW = '2026-11-26T14:40:00.000Z';

/**
 * Starts a real server process on the built web files; resolves with its address.
 *
 * @param speed how fast its clock goes on from there; 0 stands still
 */
export async function startServer(
  databaseUrl: string,
  now: string,
  speed = 0,
  {
    port: wanted,
    webDir,
    settings = {},
  }: {
    readonly port?: number;
    readonly webDir?: string;
    readonly settings?: Readonly<Record<string, string>>;
  } = {},
): Promise<{
  url: string;
  /** What it has printed so far. */
  output: () => string;
  stop: () => Promise<void>;
  freeze: () => void;
  resume: () => void;
}> {
  const port = wanted ?? (await freePort());
  const child = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
    cwd: root,
    env: {
      ...process.env,
      DATABASE_URL: databaseUrl,
      PORT: String(port),
      CALM_NOW: now,
      CALM_SPEED: String(speed),
      LOG_LEVEL: 'error',
      ...settings,
      CALM_WEB_DIR: webDir ?? builtWeb(),
    },
  });
  const ended = new Promise<void>((resolve) => child.once('close', () => resolve()));
  let output = '';
  await new Promise<void>((resolve, reject) => {
    const look = (chunk: Buffer) => {
      output += chunk.toString();
      if (output.includes('listens on')) resolve();
    };
    child.stdout.on('data', look);
    child.stderr.on('data', look);
    child.once('close', () => reject(new Error(`the server ended: ${output}`)));
  });
  return {
    url: `http://127.0.0.1:${port}`,
    output: () => output,
    // Connections stay, and nothing is answered, as behind a network that swallows everything.
    freeze: () => child.kill('SIGSTOP'),
    resume: () => child.kill('SIGCONT'),
    stop: async () => {
      child.kill('SIGTERM');
      await ended;
    },
  };
}

/** Where the built web files are. */
export const builtWeb = (): string => process.env['CALM_WEB_DIR'] ?? `${root}web/dist`;

async function freePort(): Promise<number> {
  const probe = createServer();
  await new Promise<void>((resolve) => probe.listen(0, '127.0.0.1', resolve));
  const { port } = probe.address() as { port: number };
  await new Promise((resolve) => probe.close(resolve));
  return port;
}
