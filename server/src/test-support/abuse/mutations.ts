import type { AbuseRequest, Dice } from './abuseRequest';

/*
 * What nobody sends by mistake, made from a request that works. Each says whether the house would be wrong to take
 * it; where it does not, the house may take it or refuse it, but must do so in good order.
 */

const UUID = '7d9f1c1e-0000-4000-8000-00000000dead';
const STRANGE_PARTS = [
  '..%2f..%2fetc%2fpasswd',
  '%00',
  '%E0%A4%A',
  `%7B${UUID}%7D`,
  UUID,
  'null',
  'undefined',
  '-1',
  '1e309',
  "x'%20or%201=1%20--",
  '%F0%9F%8D%95',
  'a'.repeat(3000),
  '__proto__',
  '9999-12-31',
  '0000-00-00',
  'other-yard',
  '.',
  '%2e%2e',
] as const;
const STRANGE_QUERIES = [
  'from=9999-12-31&days=62',
  'from=0001-01-01&days=1',
  'from=2026-11-25&days=1e9',
  'from=2026-11-25&from=2026-11-26&days=1',
  'from[a]=1&days[]=2',
  'days=NaN&from=%00',
  'before=-5',
  'before=99999999999999999999',
  'text=%ED%A0%80',
  `text=${'%25'.repeat(40)}`,
  `after=${UUID}`,
  '__proto__[x]=1',
] as const;
const WRONG_OBJECTS = [{}, [], [[]], { $gt: '' }, { a: { b: {} } }] as const;
const WRONG_TEXTS = [
  '\ud800',
  'ok\udfff',
  '\u0000',
  '\u200b\u2060',
  '   ',
  'x'.repeat(4000),
] as const;
const WRONG_NUMBERS = [-1e308, 1e308, 1e-300, -1, 0.1 + 0.2, 2 ** 53 + 2] as const;
const WRONG_DATES = ['9999-12-31', '0000-01-01', '2026-02-30', '2026-11-25T00:00', '1e3'] as const;

const HEADERS: readonly Readonly<Record<string, string>>[] = [
  { 'content-type': 'application/json; charset=latin1' },
  { 'content-type': 'application/json; charset=utf-16' },
  { 'content-type': 'text/plain' },
  { 'content-type': 'multipart/form-data; boundary=x' },
  { 'content-type': ';;;' },
  { 'content-encoding': 'gzip' },
  { 'content-encoding': 'br' },
  { 'content-encoding': 'zzz' },
  { range: 'bytes=900-1', 'if-match': '"x"' },
  { 'if-none-match': '*', 'if-modified-since': 'never' },
  { origin: 'null' },
  { origin: 'https://elsewhere.example' },
  { 'sec-fetch-site': 'cross-site' },
  { 'idempotency-key': '../../x' },
  { 'idempotency-key': '------------------------------------' },
  { 'last-event-id': '-1e9' },
  { 'x-forwarded-for': '1.2.3.4, %00', 'x-forwarded-proto': 'https' },
  { 'x-http-method-override': 'DELETE' },
  { accept: 'application/xml;q=zzz', 'accept-encoding': 'zzz;q=9' },
  { host: 'a:b:c' },
  { expect: '200-maybe' },
];
const BODIES: readonly (string | Buffer)[] = [
  '',
  '{',
  '{"a":1',
  'null',
  '[]',
  '"x"',
  '12',
  '1e999',
  '{"a":1}{"b":2}',
  '\ufeff{}',
  '{"__proto__":{"isAdmin":true}}',
  '{"constructor":{"prototype":{}}}',
  '{"version":1,"version":2}',
  '['.repeat(5000),
  '{"a":'.repeat(500) + '1' + '}'.repeat(500),
  `[${'0,'.repeat(6000)}0]`,
  `"${'\\ud800'.repeat(100)}"`,
  Buffer.from([0x7b, 0x22, 0xff, 0xfe, 0x22, 0x3a, 0x31, 0x7d]),
  Buffer.from([0x1f, 0x8b, 0x08, 0x00, 0x00]),
];
const METHODS = ['PATCH', 'OPTIONS', 'HEAD', 'PUT', 'DELETE', 'POST', 'TRACE'] as const;

/** A request made wrong in one way. */
type Mutation = (request: AbuseRequest, dice: Dice) => AbuseRequest;

const strangePart: Mutation = (request, dice) => {
  const parts = request.path.split('/');
  // The address of the API itself stays: beyond it is another program's business.
  const at = 3 + dice.below(Math.max(1, parts.length - 3));
  parts[at] = dice.of(STRANGE_PARTS);
  return { ...request, how: `address ${parts[at].slice(0, 20)}`, path: parts.join('/') };
};
const strangeQuery: Mutation = (request, dice) => {
  const query = dice.of(STRANGE_QUERIES);
  const [path = ''] = request.path.split('?');
  return { ...request, how: `query ${query.slice(0, 20)}`, path: `${path}?${query}` };
};
const strangeHeaders: Mutation = (request, dice) => {
  const headers = dice.of(HEADERS);
  const how = `headers ${Object.entries(headers)[0]?.join(': ') ?? ''}`;
  return { ...request, how, headers: { ...request.headers, ...headers } };
};
const strangeBody: Mutation = (request, dice) => {
  const body = dice.of(BODIES);
  return { ...request, how: `body ${String(body).slice(0, 20)}`, body };
};
const strangeMethod: Mutation = (request, dice) => {
  const method = dice.of(METHODS);
  return { ...request, how: `method ${method}`, method };
};

/** The way to some value inside another, and what stands there. */
interface Leaf {
  readonly way: readonly (string | number)[];
  readonly value: unknown;
}

function leavesOf(value: unknown, way: Leaf['way'] = []): Leaf[] {
  if (typeof value !== 'object' || value === null) return [{ way, value }];
  return Object.entries(value).flatMap(([key, inside]) => leavesOf(inside, [...way, key]));
}

function withLeaf(value: unknown, [key, ...rest]: Leaf['way'], leaf: unknown): unknown {
  if (key === undefined) return leaf;
  if (Array.isArray(value))
    return value.map((each, i) => (i === Number(key) ? withLeaf(each, rest, leaf) : each));
  const before = value as Readonly<Record<string, unknown>>;
  return { ...before, [key]: withLeaf(before[key], rest, leaf) };
}

const isDate = (value: unknown) => typeof value === 'string' && /^\d{4}-\d\d-\d\d/.test(value);

/** One value of the body becomes another, of a kind that nothing there can be. */
const strangeLeaf: Mutation = (request, dice) => {
  if (typeof request.json !== 'object' || request.json === null) return strangeBody(request, dice);
  const leaves = leavesOf(request.json).filter(({ way }) => way.length > 0);
  if (leaves.length === 0) return strangeBody(request, dice);
  const { way, value } = dice.of(leaves);
  const wrong = wrongFor(value, dice);
  const json = withLeaf(request.json, way, wrong.value);
  const how = `${way.join('/')} = ${(JSON.stringify(wrong.value) ?? '').slice(0, 24)}`;
  return { ...request, how, json, body: JSON.stringify(json), isNonsense: wrong.isNonsense };
};

function wrongFor(value: unknown, dice: Dice): { value: unknown; isNonsense: boolean } {
  switch (dice.below(5)) {
    case 0:
      return { value: dice.of(WRONG_OBJECTS), isNonsense: true };
    case 1:
      if (isDate(value)) return { value: dice.of(WRONG_DATES), isNonsense: true };
      return { value: typeof value === 'number' ? 'twelve' : 12.5e7, isNonsense: value !== null };
    case 2: {
      const text = dice.of(WRONG_TEXTS);
      const isBroken = /\p{Cs}|\0/u.test(text);
      return { value: text, isNonsense: isBroken || typeof value === 'number' };
    }
    case 3:
      return { value: dice.of(WRONG_NUMBERS), isNonsense: typeof value === 'string' };
    default:
      return { value: dice.below(2) === 0 ? null : true, isNonsense: false };
  }
}

/** A key that is none of the body's. */
const strangeKey: Mutation = (request) => {
  if (typeof request.json !== 'object' || request.json === null) return request;
  const json = { ...request.json, colour: 'blue' };
  return { ...request, how: 'unknown key', json, body: JSON.stringify(json), isNonsense: true };
};

export const MUTATIONS: readonly Mutation[] = [
  strangePart,
  strangeQuery,
  strangeHeaders,
  strangeBody,
  strangeMethod,
  strangeLeaf,
  strangeLeaf,
  strangeLeaf,
  strangeKey,
];
