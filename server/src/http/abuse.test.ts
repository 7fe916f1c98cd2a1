import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { abuse } from '../test-support/abuse/abuse';
import { startHouse } from '../test-support/testHouse';

let house: Awaited<ReturnType<typeof startHouse>>;
beforeAll(async () => {
  house = await startHouse();
});
afterAll(() => house.drop());

describe('bad requests to every route, as everybody', () => {
  it('are answered in good order: no error of ours, none for long, no nonsense taken', async () => {
    const { sent, byStatus, faults } = await abuse(house, 1500, 20_261_128);
    expect(faults).toEqual([]);
    expect(sent).toBe(1500);
    // They were bad indeed, and they came through to what checks them.
    expect(byStatus['400'] ?? 0).toBeGreaterThan(300);
    expect(byStatus['401'] ?? 0).toBeGreaterThan(100);
  }, 240_000);
});
