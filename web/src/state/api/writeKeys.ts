/** Writes whose answer has not come: the key under which each was sent. */
const unanswered = new Map<string, string>();

/** What a write is, for telling whether it is the same one again. */
export interface SentWrite {
  readonly method: string;
  readonly url: string;
  readonly body: unknown;
}

const nameOf = ({ method, url, body }: SentWrite): string =>
  `${method} ${url} ${JSON.stringify(body ?? null)}`;

/**
 * The key under which the house does a write once. The same write sent again because its answer was lost, be it by
 * another press, has the same key.
 */
export function writeKey(write: SentWrite): string {
  const name = nameOf(write);
  const key = unanswered.get(name) ?? crypto.randomUUID();
  unanswered.set(name, key);
  return key;
}

/** The house has answered: the same again is another write. */
export function answered(write: SentWrite): void {
  unanswered.delete(nameOf(write));
}
