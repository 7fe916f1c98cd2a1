import { describe, expect, it } from '@jest/globals';
import { randomOf } from '../numerics';
import { faultyLot } from '../test-support/faultyLots';
import { diagnose } from './diagnose';
import { FAULT_CAUSES, FAULTS } from './vocabulary';
import { SUSPECTS } from './suspects';

const CAUSES = FAULT_CAUSES.filter((cause) => cause !== 'none');
const random = randomOf(21);
/** Two lots of every cause, and as many without one. */
const planted = [0, 1].flatMap(() => CAUSES.map((cause) => faultyLot(cause, random)));
const chance = CAUSES.map(() => faultyLot('none', random));
const told = [...planted, ...chance].map(({ cause, fault, lot, lastGood }) => ({
  cause,
  fault,
  causes: diagnose([fault], lot, lastGood).causes,
}));
const place = ({ cause, causes }: (typeof told)[number]) =>
  causes.findIndex((each) => each.cause === cause);
const share = (of: readonly boolean[]) => of.filter(Boolean).length / of.length;

describe('what was behind a fault', () => {
  it('can be every cause, and every fault has its suspects', () => {
    for (const cause of CAUSES) {
      expect([cause, FAULTS.filter((fault) => SUSPECTS[fault][cause]).length]).not.toEqual([
        cause,
        0,
      ]);
    }
    for (const fault of FAULTS) expect(Object.keys(SUSPECTS[fault]).length).toBeGreaterThan(0);
  });

  it('is named first three times in four, and among the first three nearly always', () => {
    const ofPlanted = told.slice(0, planted.length);
    const missed = ofPlanted.filter((each) => place(each) > 2);
    expect(planted.length).toBeGreaterThanOrEqual(40);
    expect(share(ofPlanted.map((each) => place(each) === 0))).toBeGreaterThanOrEqual(0.75);
    expect(share(ofPlanted.map((each) => place(each) <= 2))).toBeGreaterThanOrEqual(0.95);
    expect(missed.length).toBeLessThan(3);
  });

  it('was nothing four times in five where nothing was', () => {
    const none = told.slice(planted.length).map((each) => place(each) === 0);
    expect(share(none)).toBeGreaterThanOrEqual(0.8);
  });

  it('is as likely as it says', () => {
    const drawn = randomOf(5);
    const lots = Array.from({ length: 600 }, () => {
      const cause =
        drawn.uniform() < 0.25 ? 'none' : CAUSES[Math.floor(drawn.uniform() * CAUSES.length)];
      return faultyLot(cause ?? 'none', drawn, 0.6);
    });
    const said = lots.flatMap(({ cause, fault, lot, lastGood }) =>
      diagnose([fault], lot, lastGood).causes.map((each) => ({
        odds: each.odds,
        is: each.cause === cause,
      })),
    );
    for (const [from, to] of [
      [0.1, 0.3],
      [0.3, 0.6],
      [0.6, 0.9],
      [0.9, 1.01],
    ] as const) {
      const here = said.filter(({ odds }) => odds >= from && odds < to);
      const expected = here.reduce((sum, { odds }) => sum + odds, 0) / here.length;
      expect(Math.abs(share(here.map(({ is }) => is)) - expected)).toBeLessThan(0.15);
    }
  });

  it('cannot be told from a fault alone, and says what would tell', () => {
    const { causes, isTold, missing } = diagnose(['springs-back'], null);
    expect(isTold).toBe(false);
    expect(missing.slice(0, 4)).toContain('since-shaping');
    expect(causes.reduce((sum, { odds }) => sum + odds, 0)).toBeCloseTo(1, 9);
    const plain = faultyLot('none', randomOf(8), 0).lot;
    const dry = diagnose(['dry-skin'], { ...plain, isCovered: false });
    expect([dry.isTold, dry.causes[0]?.cause]).toEqual([true, 'uncovered']);
    expect(() => diagnose([], null)).toThrow(RangeError);
  });

  it('comes with what speaks for it and against it', () => {
    const { lot, lastGood } = faultyLot('salt-double', randomOf(2), 1);
    const [first] = diagnose(['did-not-rise'], lot, lastGood).causes;
    expect(first?.cause).toBe('salt-double');
    expect(first?.settleBy).toBe('taste');
    expect(first?.for[0]?.sign).toBe('salt-weighed');
    const dead = diagnose(['did-not-rise'], lot, lastGood).causes.find(
      ({ cause }) => cause === 'yeast-dead',
    );
    expect(dead?.against.map(({ sign }) => sign)).toContain('proof-test');
  });
});
