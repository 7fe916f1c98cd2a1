import { paths, type PracticeContent, type PracticeResult } from '@calm/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { sql } from 'drizzle-orm';
import { randomUUID } from 'node:crypto';
import { HOUSE, signedIn, startHouse } from '../../test-support/testHouse';

let house: Awaited<ReturnType<typeof startHouse>>;
beforeAll(async () => {
  house = await startHouse();
});
afterAll(() => house.drop());

const content: PracticeContent = {
  kind: 'reading',
  readings: [
    { found: 'late', warmth: 'warm', score: 0.9 },
    { found: 'early', warmth: 'usual', score: 0.2 },
  ],
};

/** What every write of any kind leaves: that it was, by whom, and what else has to be read again. */
const OF_EVERY_WRITE = ['answers', 'audit', 'house_heads', 'house_versions', 'writes', 'turns'];
/** Who is signed in, and when they were last seen. */
const OF_SIGNING_IN = ['sessions', 'devices'];

/** A checksum of each table. */
async function checksums(): Promise<Map<string, string>> {
  const [tables] = (await house.db.execute(sql`show tables`)) as unknown as [
    Record<string, string>[],
  ];
  const sums = new Map<string, string>();
  for (const row of tables) {
    const name = Object.values(row)[0] ?? '';
    const [sum] = (await house.db.execute(
      sql`checksum table ${sql.identifier(name)}`,
    )) as unknown as [{ Checksum: number | null }[]];
    sums.set(name, String(sum[0]?.Checksum));
  }
  return sums;
}

describe('what somebody practised', () => {
  it('is kept once with whoever it was, and touches no table of the house’s work', async () => {
    const before = await checksums();
    const start = { id: randomUUID(), content };
    for (let i = 0; i < 2; i += 1) {
      const res = await house.http.post(paths.addPractice(HOUSE)).send(start);
      expect(res.status).toBe(201);
    }
    const after = await checksums();
    const touched = [...after].flatMap(([name, sum]) => (before.get(name) === sum ? [] : name));
    expect(touched).toContain('practice_results');
    const others = touched.filter(
      (name) => ![...OF_EVERY_WRITE, ...OF_SIGNING_IN, 'practice_results'].includes(name),
    );
    expect(others).toEqual([]);
    expect(before.size).toBeGreaterThan(40);
    const kept = await house.get<PracticeResult[]>(paths.practice(HOUSE));
    expect(kept.filter(({ id }) => id === start.id)).toHaveLength(1);
    expect(kept[0]?.content).toEqual(content);
  });

  it('may be an evening, or a round of a drill', async () => {
    const done: PracticeContent[] = [
      { kind: 'evening', situation: 'heatwave', score: 0.8, cost: 12.5, best: 2, plain: 14 },
      { kind: 'drill', skill: 'water', scores: [1, 0.5] },
    ];
    for (const each of done) {
      const id = randomUUID();
      const res = await house.http.post(paths.addPractice(HOUSE)).send({ id, content: each });
      expect(res.status).toBe(201);
      const kept = await house.get<PracticeResult[]>(paths.practice(HOUSE));
      expect(kept.find((result) => result.id === id)?.content).toEqual(each);
    }
  });

  it('is read by who did it, and by who leads the crew', async () => {
    const hand = house.as(await signedIn(house.db, HOUSE, 'Tilde'));
    const start = { id: randomUUID(), content };
    const own = await hand.post(paths.addPractice(HOUSE)).send(start);
    expect(own.status).toBe(201);
    const { personId } = own.body as PracticeResult;
    const mine = (await hand.get(paths.practice(HOUSE))).body as PracticeResult[];
    expect(mine.map(({ id }) => id)).toEqual([start.id]);
    const all = await house.get<PracticeResult[]>(paths.practice(HOUSE));
    expect(all.map(({ id }) => id)).toContain(start.id);
    expect(new Set(all.map((each) => each.personId)).size).toBe(2);
    expect(all.find(({ id }) => id === start.id)?.personId).toBe(personId);
  });

  it('is refused where it is nothing that anybody could have practised', async () => {
    const wrong = [
      { kind: 'reading', readings: [] },
      { kind: 'reading', readings: [{ found: 'late', warmth: 'warm', score: 7 }] },
      { kind: 'reading', readings: [{ found: 'never', warmth: 'warm', score: 0.5 }] },
      { kind: 'evening' },
      { kind: 'evening', situation: 'Not a name', score: 1, cost: 1, best: 1, plain: 1 },
      { kind: 'drill', skill: 'reading', scores: [1] },
    ];
    for (const each of wrong) {
      const res = await house.http
        .post(paths.addPractice(HOUSE))
        .send({ id: randomUUID(), content: each });
      expect(res.status).toBe(400);
    }
  });
});
