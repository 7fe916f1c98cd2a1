import { ROUTE_NAMES, ROUTES, type RouteName } from '@calm/contract';
import { openApiDocument } from '@calm/contract/schemas';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { Validator } from '@seriousme/openapi-schema-validator';
import { Ajv2020 } from 'ajv/dist/2020';
import { createServer } from 'node:http';
import { readFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import type request from 'supertest';
import { answerSchemas } from '../../../tools/answerSchemas';
import * as t from '../database/schema';
import { addressOfExample } from '../test-support/routeAddress';
import { routeExamples, SETUP_CODE, type RouteExample } from '../test-support/routeExamples';
import { hashSecret } from '../use-cases/access/hashSecret';
import { HOUSE, startHouse } from '../test-support/testHouse';

const FILE = new URL('../../../docs/openapi.json', import.meta.url);
const text = readFileSync(FILE, 'utf8');
const document = JSON.parse(text) as ReturnType<typeof openApiDocument>;

describe('the published description', () => {
  it('is OpenAPI 3.1, as a validator of its own sees it', async () => {
    const validator = new Validator();
    const { valid, errors } = await validator.validate(text);
    expect(errors ?? []).toEqual([]);
    expect(valid).toBe(true);
    expect(validator.version).toBe('3.1');
  });

  it('is what the table and the types say now (npm run formats writes it)', () => {
    const fresh = JSON.parse(JSON.stringify(openApiDocument(answerSchemas()))) as unknown;
    expect(document).toEqual(fresh);
  });

  it('has every route once', () => {
    const operations = Object.values(document.paths).flatMap((methods) =>
      Object.values(methods).map((operation) => (operation as { operationId: string }).operationId),
    );
    expect(operations.sort()).toEqual([...ROUTE_NAMES].sort());
  });
});

describe('one example of every route', () => {
  let house: Awaited<ReturnType<typeof startHouse>>;
  let examples: Awaited<ReturnType<typeof routeExamples>>;
  const ajv = new Ajv2020({ strict: false });
  ajv.addSchema({ $id: 'doc', ...document });

  beforeAll(async () => {
    house = await startHouse();
    const [settings] = await house.db.select().from(t.houses);
    if (!settings) throw new Error('there is a house');
    const id = '00000000-0000-4000-8000-0000000000aa';
    await house.db.insert(t.houses).values({ ...settings, id, slug: 'new-yard', name: 'New Yard' });
    const setupHash = await hashSecret(SETUP_CODE);
    await house.db.insert(t.houseAccess).values({ houseId: id, setupHash });
    examples = await routeExamples(house);
  });
  afterAll(() => house.drop());

  /** What the description says the route answers, as a check. */
  const checkOf = (name: RouteName) => {
    const { path, method, status } = ROUTES[name];
    const pointer = `/api/v1${path.replace(/:([A-Za-z]+)/g, '{$1}')}`
      .replaceAll('~', '~0')
      .replaceAll('/', '~1');
    return ajv.compile({
      $ref: `doc#/paths/${encodeURI(pointer)}/${method}/responses/${status}/content/application~1json/schema`,
    });
  };

  const send = async (name: RouteName, example: RouteExample): Promise<request.Response> => {
    const { method, permission } = ROUTES[name];
    // Whoever signs in or out does so on a device of their own.
    const isOwnDevice = permission === 'public' && method !== 'get';
    const device = isOwnDevice ? house.as(null) : house.http;
    const asked = device[method](addressOfExample(name, example));
    return example.body ? asked.send(example.body) : asked;
  };

  // A server takes its first house once: that one is tried by itself, in firstHouse.test.
  it.each(ROUTE_NAMES.filter((name) => name !== 'live' && name !== 'startFirstHouse'))(
    '%s answers as described',
    async (name) => {
      const res = await send(name, await examples[name]());
      const { status, media } = ROUTES[name];
      expect(`${res.status} ${res.status === status ? '' : res.text}`).toBe(`${status} `);
      if (media !== 'json') return;
      const isDescribed = checkOf(name);
      isDescribed(res.body);
      expect(isDescribed.errors ?? []).toEqual([]);
    },
  );

  it('live stays open and says what it is', async () => {
    const server = createServer(house.app);
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const leaving = new AbortController();
    const { port } = server.address() as AddressInfo;
    const me = await house.http.get(`/api/v1/houses/${HOUSE}/session`);
    const cookie = String(me.request.get('Cookie'));
    const res = await fetch(`http://127.0.0.1:${port}${addressOfExample('live', {})}`, {
      headers: { cookie },
      signal: leaving.signal,
    });
    expect(res.status).toBe(200);
    expect(res.headers.get('content-type')).toMatch(/^text\/event-stream/);
    leaving.abort();
    server.closeAllConnections();
    server.close();
  });

  it('is read by people too, without anything from outside', async () => {
    const page = await house.as(null).get('/api/v1/docs');
    expect(page.status).toBe(200);
    expect(page.text).toContain('startLot');
    expect(page.text).not.toMatch(/(src|href)="https?:/);
    const json = await house.as(null).get('/api/v1/openapi.json');
    expect(json.body).toEqual(JSON.parse(text));
  });
});
