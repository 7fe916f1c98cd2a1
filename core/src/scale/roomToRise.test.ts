import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { roomInTub, roomOnTray } from './roomToRise';

const positive = (max: number) => fc.double({ min: 0.1, max, noNaN: true });

describe('room in a tub', () => {
  it('is what the dough rises to: 12 kg to twice is 21.6 L', () => {
    const { litres, mostKg, tubs } = roomInTub({ doughKg: 12, volume: 2, tubLitres: 30 });
    expect(litres).toBeCloseTo(21.6, 9);
    expect(mostKg).toBeCloseTo(16.667, 3);
    expect(tubs).toBe(1);
    expect(roomInTub({ doughKg: 20, volume: 2, tubLitres: 30 }).tubs).toBe(2);
  });

  it('is always enough in as many tubs as told, and not in one less', () => {
    fc.assert(
      fc.property(
        positive(80),
        fc.double({ min: 1, max: 4, noNaN: true }),
        positive(60),
        (doughKg, volume, tubLitres) => {
          const { litres, tubs } = roomInTub({ doughKg, volume, tubLitres });
          expect(litres / tubs).toBeLessThanOrEqual(tubLitres * (1 + 1e-6));
          if (tubs > 1) expect(litres / (tubs - 1)).toBeGreaterThan(tubLitres * (1 - 1e-6));
        },
      ),
    );
  });
});

describe('room on a tray', () => {
  const tray = { ballWeightG: 275, volume: 2.2, balls: 12, lengthCm: 60, widthCm: 40 };

  it('is what a ball of the trade needs: 12 to a tray of 60 by 40 just touch at their best', () => {
    const { ballCm, gapCm } = roomOnTray(tray);
    expect(ballCm).toBeGreaterThan(13);
    expect(ballCm).toBeLessThan(15);
    expect(gapCm).toBeCloseTo(Math.min(60 / 4, 40 / 3) - ballCm, 9);
  });

  it('gets less with heavier balls, more rise, or more of them, and the most do not touch', () => {
    fc.assert(
      fc.property(
        positive(900),
        fc.double({ min: 1, max: 4, noNaN: true }),
        fc.integer({ min: 1, max: 40 }),
        (ballWeightG, volume, balls) => {
          const of = { ...tray, ballWeightG, volume, balls };
          const { ballCm, gapCm, most } = roomOnTray(of);
          expect(roomOnTray({ ...of, ballWeightG: ballWeightG * 1.2 }).ballCm).toBeGreaterThan(
            ballCm,
          );
          expect(roomOnTray({ ...of, balls: balls + 1 }).gapCm).toBeLessThanOrEqual(gapCm + 1e-9);
          if (most > 0)
            expect(roomOnTray({ ...of, balls: most }).gapCm).toBeGreaterThanOrEqual(-1e-9);
        },
      ),
    );
  });
});
