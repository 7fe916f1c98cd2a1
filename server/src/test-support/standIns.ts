import { once } from 'node:events';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { SMTPServer } from 'smtp-server';

/*
 * What people's mail servers, makers of browsers and programs are in tests: servers of this machine that keep what
 * comes.
 */

/** A mail server that takes everything, or refuses it for a while. */
export async function mailCatcher() {
  const mails: { readonly to: readonly string[]; readonly text: string }[] = [];
  const state = { refusesWith: 0 };
  const server = new SMTPServer({
    disabledCommands: ['AUTH', 'STARTTLS'],
    onData: (stream, session, done) => {
      const chunks: Buffer[] = [];
      stream.on('data', (chunk: Buffer) => chunks.push(chunk));
      stream.on('end', () => {
        if (state.refusesWith > 0) {
          done(Object.assign(new Error('not now'), { responseCode: state.refusesWith }));
          return;
        }
        const to = session.envelope.rcptTo.map(({ address }) => address);
        // Lines that were broken on the way are whole again.
        const text = Buffer.concat(chunks).toString().replaceAll('=\r\n', '');
        mails.push({ to, text });
        done();
      });
    },
  });
  const listening = server.listen(0, '127.0.0.1');
  await once(listening, 'listening');
  const { port } = listening.address() as AddressInfo;
  return {
    url: `smtp://127.0.0.1:${port}`,
    mails,
    state,
    stop: () => new Promise<void>((resolve) => server.close(() => resolve())),
  };
}

/** Something that is posted to, and answers with one status. */
export async function postCatcher() {
  const posts: {
    readonly path: string;
    readonly headers: NodeJS.Dict<string | string[]>;
    readonly body: Buffer;
  }[] = [];
  const state = { status: 201 };
  const server = createServer((req, res) => {
    const chunks: Buffer[] = [];
    req.on('data', (chunk: Buffer) => chunks.push(chunk));
    req.on('end', () => {
      posts.push({ path: req.url ?? '', headers: req.headers, body: Buffer.concat(chunks) });
      res.writeHead(state.status).end();
    });
  });
  server.listen(0, '127.0.0.1');
  await once(server, 'listening');
  const { port } = server.address() as AddressInfo;
  return {
    url: `http://127.0.0.1:${port}`,
    posts,
    state,
    stop: () => new Promise<void>((resolve) => server.close(() => resolve())),
  };
}
