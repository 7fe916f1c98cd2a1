import { describe, expect, it } from '@jest/globals';
import { calm } from './test-support/calm';

describe('calm wave', () => {
  const evening = {
    service: { startMin: 1050, endMin: 1350 },
    perQuarter: [2, 2, 3, 4, 6, 8, 10, 10, 9, 8, 8, 7, 6, 5, 4, 3, 2, 2, 1, 1],
    spread: 0.2,
    batches: [],
    trayBalls: 12,
    trays: 20,
    temperMin: 120,
    keepMin: 150,
  };

  it('says when to pull how many whole trays, and the odds', () => {
    const { code, out } = calm('wave', evening);
    expect(code).toBe(0);
    const waves = out?.['waves'] as { pullMin: number; trays: number; balls: number }[];
    expect(waves[0]?.pullMin).toBe(930);
    for (const { trays, balls } of waves) expect(balls).toBe(12 * trays);
    expect(out?.['odds']).toBeGreaterThan(0.9);
    expect(out?.['shortFromMin']).toBeNull();
  });

  it('says from when on there is not enough', () => {
    const { out } = calm('wave', { ...evening, trays: 4 });
    expect(out?.['shortFromMin']).toBeGreaterThan(1100);
    expect(out?.['odds']).toBe(0);
  });
});

describe('calm ready', () => {
  const sales = Array.from({ length: 40 }, (_, i) => ({
    date: new Date(Date.UTC(2026, 0, 6 + 7 * i)).toISOString().slice(0, 10),
    sold: 90 + ((i * 37) % 21),
    soldOutMin: null as number | null,
  }));
  const asked = {
    sales,
    usage: Array.from({ length: 20 }, () => 0.05),
    openMin: 1050,
    closeMin: 1350,
  };

  it('is more where balls ran out than where they were left', () => {
    const plain = calm('ready', { ...asked, cover: 0.8 });
    expect(plain.code).toBe(0);
    expect(plain.out?.['expected']).toBeGreaterThan(90);
    expect(plain.out?.['ready']).toBeGreaterThan(plain.out?.['expected'] as number);
    const ranOut = sales.map((sale, i) => (i % 2 === 0 ? { ...sale, soldOutMin: 1250 } : sale));
    const more = calm('ready', { ...asked, sales: ranOut, cover: 0.8 });
    expect(more.out?.['expected']).toBeGreaterThan((plain.out?.['expected'] as number) * 1.1);
  });

  it('is by what a missing and a left ball cost, too, and not by both', () => {
    const few = calm('ready', { ...asked, costs: { short: 1, left: 4 } });
    expect(few.out?.['ready']).toBeLessThan(few.out?.['expected'] as number);
    expect(calm('ready', { ...asked, cover: 0.8, costs: { short: 1, left: 4 } }).code).toBe(2);
  });
});
