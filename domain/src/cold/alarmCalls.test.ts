import { describe, expect, it } from '@jest/globals';
import type { QuietHours } from '@calm/contract';
import { MINUTE_MS } from '@calm/core';
import fc from 'fast-check';
import { isQuietAt, nextToTell, untoldHours, type Told } from './alarmCalls';

const PEOPLE = ['a', 'b', 'c', 'd'] as const;
const minuteOfDay = fc.integer({ min: 0, max: 1439 });
const quietHours = fc.option(
  fc
    .record({ fromMin: minuteOfDay, untilMin: minuteOfDay })
    .filter(({ fromMin, untilMin }) => fromMin !== untilMin),
);

describe('whom an alarm wakes', () => {
  const rules = { order: PEOPLE, nextAfterMin: 15 };

  /** Asks every minute for so long, as the server does. */
  function night(
    reached: ReadonlyMap<string, QuietHours | null>,
    fromMin: number,
    minutes: number,
  ) {
    const told: Told[] = [];
    for (let i = 0; i < minutes; i += 1) {
      const atMs = i * MINUTE_MS;
      const next = nextToTell(rules, reached, told, atMs, (fromMin + i) % 1440);
      if (next !== null) told.push({ personId: next, atMs });
    }
    return told;
  }

  it('tells one after the other, a quarter of an hour apart', () => {
    const reached = new Map(PEOPLE.map((id) => [id, null]));
    expect(night(reached, 190, 60)).toEqual(
      PEOPLE.map((personId, i) => ({ personId, atMs: i * 15 * MINUTE_MS })),
    );
  });

  it('passes over who cannot be told, and over quiet hours until they end', () => {
    const reached = new Map([
      ['b', { fromMin: 0, untilMin: 200 }],
      ['d', null],
    ]);
    expect(night(reached, 190, 60)).toEqual([
      { personId: 'd', atMs: 0 },
      { personId: 'b', atMs: 15 * MINUTE_MS },
    ]);
  });

  it('never tells anybody twice, in quiet hours, or sooner than the one before has had', () => {
    fc.assert(
      fc.property(
        fc.array(quietHours, { minLength: 4, maxLength: 4 }),
        minuteOfDay,
        (quiet, from) => {
          const reached = new Map<string, QuietHours | null>(
            PEOPLE.map((id, i) => [id, quiet[i] ?? null]),
          );
          const told = night(reached, from, 1440);
          expect(new Set(told.map(({ personId }) => personId)).size).toBe(told.length);
          for (const [i, { personId, atMs }] of told.entries()) {
            expect(isQuietAt(reached.get(personId) ?? null, (from + atMs / MINUTE_MS) % 1440)).toBe(
              false,
            );
            if (i > 0)
              expect(atMs - (told[i - 1]?.atMs ?? 0)).toBeGreaterThanOrEqual(15 * MINUTE_MS);
          }
          expect(told.length).toBeGreaterThan(0);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('hours in which nobody is told', () => {
  it('are exactly those that all sleep', () => {
    fc.assert(
      fc.property(
        fc.array(quietHours, { minLength: 1, maxLength: 4 }),
        minuteOfDay,
        (all, minute) => {
          const isUntold = all.every((quiet) => isQuietAt(quiet, minute));
          expect(untoldHours(all).some((hours) => isQuietAt(hours, minute))).toBe(isUntold);
        },
      ),
      { numRuns: 80 },
    );
  });

  it('are none where somebody has no quiet hours', () => {
    expect(untoldHours([null, { fromMin: 0, untilMin: 600 }])).toEqual([]);
  });
});
