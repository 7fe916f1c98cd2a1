import { paths, type Crew } from '@calm/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { HOUSE, problemOf, signedIn, startHouse } from '../test-support/testHouse';

let house: Awaited<ReturnType<typeof startHouse>>;
beforeAll(async () => {
  house = await startHouse();
});
afterAll(() => house.drop());

/** Of the demo house's manager. */
const OWN = 'ostrel harbour';
const NOBODY = '00000000-0000-4000-8000-000000000000';

describe('the crew', () => {
  const crew = async () => (await house.http.get(paths.crew(HOUSE))).body as Crew;

  it('gains somebody, who signs in with the PIN they were given, and changes role', async () => {
    const content = { name: 'Ilka', initials: 'IL', role: 'hand', skills: ['ball'] } as const;
    const added = await house.http.post(paths.addPerson(HOUSE)).send(content);
    expect(added.status).toBe(201);
    const { id, version, canSignIn } = added.body as Crew['people'][number];
    expect(canSignIn).toBe(false);
    const weak = await house.http
      .put(paths.changeSecret(HOUSE, id))
      .send({ secret: 'letters', ownSecret: OWN });
    expect(problemOf(weak).errors).toMatchObject([{ path: 'secret', code: 'secret.weak' }]);
    expect(
      (await house.http.put(paths.changeSecret(HOUSE, id)).send({ secret: '8351', ownSecret: OWN }))
        .status,
    ).toBe(200);
    expect((await crew()).people.find((each) => each.id === id)?.canSignIn).toBe(true);
    // A manager comes in by a password: the PIN no longer opens.
    const change = { version, content: { ...content, role: 'manager' } };
    const changed = await house.http.put(paths.changePerson(HOUSE, id)).send(change);
    expect(changed.body).toMatchObject({ role: 'manager', canSignIn: false });
    const short = await house.http
      .put(paths.changeSecret(HOUSE, id))
      .send({ secret: '12345678', ownSecret: OWN });
    expect(problemOf(short).errors).toMatchObject([{ path: 'secret', code: 'secret.weak' }]);
    expect((await house.http.delete(paths.removePerson(HOUSE, id))).status).toBe(200);
    expect((await crew()).people.some((each) => each.id === id)).toBe(false);
  });

  it('cannot lose its last manager', async () => {
    const maro = (await crew()).people.find(({ name }) => name === 'Maro');
    if (!maro) throw new Error('Maro looks after the house');
    const { id, version, name, initials, skills } = maro;
    const demoted = { version, content: { name, initials, skills, role: 'hand' } };
    const res = await house.http.put(paths.changePerson(HOUSE, id)).send(demoted);
    expect(problemOf(res).errors).toMatchObject([{ code: 'role.last-manager' }]);
    const gone = await house.http.delete(paths.removePerson(HOUSE, id));
    expect(problemOf(gone).errors).toMatchObject([{ code: 'role.last-manager' }]);
  });

  it('is given secrets only by whoever proves to be themselves', async () => {
    const bashir = (await crew()).people.find(({ name }) => name === 'Bashir');
    const give = (body: object) =>
      house.http.put(paths.changeSecret(HOUSE, bashir?.id ?? '')).send(body);
    expect((await give({ secret: '90210' })).status).toBe(400);
    const wrong = await give({ secret: '90210', ownSecret: 'not this one' });
    expect(problemOf(wrong).errors).toMatchObject([{ path: 'ownSecret', code: 'secret.wrong' }]);
    expect((await give({ secret: '90210', ownSecret: OWN })).status).toBe(200);
  });

  it('signs somebody out everywhere when their PIN is changed', async () => {
    const bashir = (await crew()).people.find(({ name }) => name === 'Bashir');
    const cookie = await signedIn(house.db, HOUSE, 'Bashir');
    expect((await house.as(cookie).get(paths.session(HOUSE))).status).toBe(200);
    await house.http
      .put(paths.changeSecret(HOUSE, bashir?.id ?? ''))
      .send({ secret: '90210', ownSecret: OWN });
    expect((await house.as(cookie).get(paths.session(HOUSE))).status).toBe(401);
  });

  it('has shifts by the week, and days that differ', async () => {
    const tilde = (await crew()).people.find(({ name }) => name === 'Tilde')?.id ?? '';
    const FRIDAY = '2026-11-27';
    const shiftsOf = async (date: string) => {
      const all = await house.get<{ personId: string; startsAt: string }[]>(
        paths.shifts(HOUSE, { from: date, days: 1 }),
      );
      return all.filter(({ personId }) => personId === tilde).map(({ startsAt }) => startsAt);
    };
    expect(await shiftsOf(FRIDAY)).toEqual(['2026-11-27T09:00:00.000Z']);
    const away = { personId: tilde, date: FRIDAY, hours: null, note: 'Dentist' };
    const added = await house.http.post(paths.addShiftException(HOUSE)).send(away);
    expect(added.status).toBe(201);
    expect(await shiftsOf(FRIDAY)).toEqual([]);
    const { id, version } = added.body as { id: string; version: number };
    const later = { ...away, hours: { startMin: 14 * 60, endMin: 20 * 60 } };
    await house.http.put(paths.changeShiftException(HOUSE, id)).send({ version, content: later });
    expect(await shiftsOf(FRIDAY)).toEqual(['2026-11-27T13:00:00.000Z']);
    const dentist = { ...later, isAway: true, hours: { startMin: 12 * 60, endMin: 13 * 60 } };
    await house.http
      .put(paths.changeShiftException(HOUSE, id))
      .send({ version: version + 1, content: dentist });
    expect(await shiftsOf(FRIDAY)).toEqual([
      '2026-11-27T09:00:00.000Z',
      '2026-11-27T12:00:00.000Z',
    ]);
    // One day is told once.
    expect((await house.http.post(paths.addShiftException(HOUSE)).send(away)).status).toBe(400);
    await house.http.delete(paths.removeShiftException(HOUSE, id));
    expect(await shiftsOf(FRIDAY)).toEqual(['2026-11-27T09:00:00.000Z']);
    const pattern = { personId: tilde, weekday: 7, startMin: 600, endMin: 540 };
    const crossed = await house.http.post(paths.addShiftPattern(HOUSE)).send(pattern);
    expect(problemOf(crossed).errors).toMatchObject([{ path: 'endMin' }]);
    const stranger = { ...pattern, endMin: 900, personId: NOBODY };
    const unknown = await house.http.post(paths.addShiftPattern(HOUSE)).send(stranger);
    expect(problemOf(unknown).errors).toMatchObject([{ path: 'personId', code: 'id.unknown' }]);
  });
});
