import { createServer, type IncomingMessage } from 'node:http';
import type { AddressInfo } from 'node:net';
import { text } from 'node:stream/consumers';

/** A request as the server has got it. */
export interface Got {
  readonly method: string;
  readonly path: string;
  readonly body: unknown;
  readonly headers: IncomingMessage['headers'];
}

/** What the server answers with; null hangs up without a word. */
export type Answer = {
  readonly status?: number;
  readonly body?: unknown;
  /** A page in its place, as something between page and house answers. */
  readonly html?: string;
} | null;

/**
 * A server for one test that answers as the test says, over real HTTP; what it got is kept. It has no house
 * behind it: what the real one does is tested with the real one.
 */
export async function houseServer(answer: (got: Got) => Answer) {
  const got: Got[] = [];
  const server = createServer((req, res) => {
    void text(req).then((sent) => {
      const request: Got = {
        method: req.method ?? '',
        path: req.url ?? '',
        body: sent === '' ? null : (JSON.parse(sent) as unknown),
        headers: req.headers,
      };
      got.push(request);
      const answered = answer(request);
      if (!answered) return void res.destroy();
      const { status = 200, body = {}, html } = answered;
      if (html !== undefined) {
        res.writeHead(status, { 'Content-Type': 'text/html' }).end(html);
        return;
      }
      res.writeHead(status, {
        'Content-Type': status >= 400 ? 'application/problem+json' : 'application/json',
      });
      res.end(JSON.stringify(body));
    });
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  Object.assign(globalThis, { houseAddress: `http://127.0.0.1:${port}` });
  return {
    got,
    writes: () => got.filter(({ method }) => method !== 'GET'),
    close: () =>
      new Promise<void>((resolve) => {
        server.closeAllConnections();
        server.close(() => resolve());
      }),
  };
}

/** A problem document, as far as pages look at it. */
export const problem = (kind: string, status: number, more: object = {}): Answer => ({
  status,
  body: {
    type: `/problems/${kind}`,
    title: kind,
    status,
    detail: `It is ${kind}.`,
    requestId: 'r-1',
    ...more,
  },
});
