import { paths, type SignInOptions } from '@calm/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { readConfig, StartError } from '../config';
import { HOUSE, startHouse } from '../test-support/testHouse';

const ORIGIN = 'https://dough.example.org';

let house: Awaited<ReturnType<typeof startHouse>>;
beforeAll(async () => {
  house = await startHouse({ origin: ORIGIN, trustProxy: 1 });
});
afterAll(() => house.drop());

const signIn = async (headers: Readonly<Record<string, string>>) => {
  const options = (await house.as(null).get(paths.signInOptions(HOUSE))).body as SignInOptions;
  const [candidate] = options.candidates;
  const body = { personId: candidate?.id, secret: options.demo?.[candidate?.id ?? ''] };
  return house.as(null).post(paths.signIn(HOUSE)).set(headers).send(body);
};
const TLS = { 'X-Forwarded-Proto': 'https', 'X-Forwarded-For': '203.0.113.9' };

describe('behind a proxy that speaks TLS', () => {
  it('sets cookies that never leave it, and asks for TLS from then on', async () => {
    const res = await signIn({ ...TLS, Origin: ORIGIN });
    expect(res.status).toBe(204);
    const cookies = res.get('Set-Cookie') ?? [];
    expect(cookies).toHaveLength(2);
    for (const cookie of cookies) {
      expect(cookie).toMatch(/^__Host-calm_/);
      expect(cookie).toMatch(/; Path=\/;/);
      expect(cookie).toMatch(/; Secure/);
      expect(cookie).not.toMatch(/Domain/i);
    }
    expect(res.get('Strict-Transport-Security')).toBe('max-age=31536000');
    const back = cookies.map((cookie) => cookie.split(';')[0]).join('; ');
    const me = await house.as(back).get(paths.session(HOUSE)).set(TLS);
    expect(me.status).toBe(200);
  });

  it('asks for no TLS where there is none', async () => {
    const res = await house.as(null).get('/healthz');
    expect(res.get('Strict-Transport-Security')).toBeUndefined();
  });

  it('takes writes from its own origin whatever host the proxy names, and from no other', async () => {
    expect((await signIn({ ...TLS, Origin: ORIGIN, Host: 'inner:4180' })).status).toBe(204);
    const foreign = { ...TLS, Origin: 'http://inner:4180', Host: 'inner:4180' };
    expect((await signIn(foreign)).status).toBe(403);
  });

  it('counts the devices behind it apart', async () => {
    const tryFrom = (address: string) =>
      house
        .as(null)
        .post(paths.signIn(HOUSE))
        .set({ ...TLS, 'X-Forwarded-For': address })
        .send({ personId: '00000000-0000-4000-8000-000000000000', secret: 'x' });
    for (let i = 0; i < 60; i += 1) await tryFrom('203.0.113.7');
    expect((await tryFrom('203.0.113.7')).status).toBe(429);
    expect((await tryFrom('203.0.113.8')).status).toBe(401);
  });
});

describe('what a server is told', () => {
  const env = { DATABASE_URL: 'mysql://calm@127.0.0.1/calm' };
  it('of its place is checked', () => {
    const told = readConfig({ ...env, CALM_ORIGIN: ORIGIN, CALM_TRUST_PROXY: '2' });
    expect(told.site).toEqual({ origin: ORIGIN, trustProxy: 2 });
    expect(readConfig({ ...env, CALM_TRUST_PROXY: '10.0.0.0/8' }).site.trustProxy).toBe(
      '10.0.0.0/8',
    );
    expect(readConfig(env)).toMatchObject({ site: { origin: null, trustProxy: null }, tls: null });
    for (const wrong of [
      { CALM_ORIGIN: 'dough.example.org' },
      { CALM_ORIGIN: `${ORIGIN}/x` },
      { CALM_TLS_KEY: 'key.pem' },
    ])
      expect(() => readConfig({ ...env, ...wrong })).toThrow(StartError);
  });
});
