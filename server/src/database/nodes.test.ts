import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { freshDatabase } from '../test-support/testHouse';
import { unreliableDatabase } from '../test-support/unreliableDatabase';
import { openDatabase } from './database';
import { addressesOf } from './nodes';

describe('the address of a database', () => {
  it('may name several nodes, each with its port', () => {
    expect(addressesOf('mysql://a:b@one:3306,two:3307/name')).toEqual([
      'mysql://a:b@one:3306/name',
      'mysql://a:b@two:3307/name',
    ]);
    expect(addressesOf('mysql://a:b@one:3306/name')).toEqual(['mysql://a:b@one:3306/name']);
  });
});

describe('several nodes', () => {
  let database: Awaited<ReturnType<typeof freshDatabase>>;
  beforeAll(async () => {
    database = await freshDatabase();
  });
  afterAll(() => database.drop());

  it('answer by the first that takes work, whichever is gone or takes no part', async () => {
    const [one, two] = [
      await unreliableDatabase(database.url),
      await unreliableDatabase(database.url),
    ];
    const hosts = [one, two].map(({ url }) => new URL(url).host).join(',');
    const url = database.url.replace(/@[^/]+/, `@${hosts}`);
    const { db, pool } = openDatabase(url);
    const answers = async () => (await db.execute('select 1 as one')) !== undefined;
    expect(await answers()).toBe(true);
    // As a node does that the others have left alone (1047).
    one.be('rejecting');
    expect(await answers()).toBe(true);
    two.be('rejecting');
    await expect(answers()).rejects.toThrow();
    one.be('well');
    expect(await answers()).toBe(true);
    await one.close();
    two.be('well');
    expect(await answers()).toBe(true);
    await pool.end();
    await two.close();
  });
});
