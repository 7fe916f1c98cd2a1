/** What the page asked for before this code was here: see `web/early.ts`. */
interface Early {
  readonly answers: Map<string, Promise<Response | null>>;
  readonly atMs: number;
}

/** After so long an answer may be of before: it is asked for anew, ms. */
const FRESH_MS = 10_000;

/**
 * Asks for something, unless the page has asked already; an early answer is given once.
 *
 * @param request what is asked for, with GET when it is a path
 * @throws TypeError when it cannot be reached
 */
export async function askOnce(request: RequestInfo | URL): Promise<Response> {
  // A request is never made into another: its body would go with it.
  const { method, url } = request instanceof Request ? request : new Request(request);
  const { pathname, search } = new URL(url);
  const early = (globalThis as { calmEarly?: Early }).calmEarly;
  const answer = method === 'GET' ? early?.answers.get(pathname + search) : undefined;
  if (!early || !answer) return fetch(request);
  early.answers.delete(pathname + search);
  const isFresh = Date.now() - early.atMs < FRESH_MS;
  return (isFresh ? await answer : null) ?? fetch(request);
}
