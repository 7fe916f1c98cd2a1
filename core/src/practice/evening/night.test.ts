import { describe, expect, it } from '@jest/globals';
import { debriefOf } from './debrief';
import { playedEvening, type Decision } from './decisions';
import type { EveningTray } from './evening';
import { eveningSoFar } from './eveningSoFar';
import { keptOvernight } from './night';
import { practisedEvening } from '../../test-support/practisedEvening';
import { hoursOf } from './trayCourse';

const evening = practisedEvening(24);
const [dough] = evening.doughs;
if (!dough) throw new Error('an evening has a dough');

const deed = (moment: number, act: 'pull' | 'chill' | 'discard', ...trays: number[]): Decision => ({
  moment,
  dough: 0,
  deed: { kind: 'trays', act, trays },
});
const keptAfter = (decisions: readonly Decision[]) => keptOvernight(evening, evening, decisions)[0];
const ballsOf = (trays: readonly EveningTray[] = []) =>
  trays.reduce((sum, { balls }) => sum + balls, 0);

describe('what is kept overnight', () => {
  it('is every tray that stayed in the cold, a day older', () => {
    const kept = keptAfter([]);
    expect(ballsOf(kept?.really)).toBe(ballsOf(dough.trays));
    for (const tray of kept?.really ?? []) {
      expect(tray.nights).toBe(1);
      expect(hoursOf(tray.route)).toBeCloseTo(hoursOf(dough.route) + 24, 9);
    }
  });

  it('are one and the same tray where they are alike, as they are in an evening', () => {
    expect(new Set(keptAfter([])?.really).size).toBe(1);
  });

  it('is nothing of what stood on the bench at closing, or was thrown away', () => {
    expect(keptAfter([deed(0, 'pull', 0, 1), deed(0, 'discard', 2, 3)])?.really).toEqual([]);
  });

  it('are the balls that nobody took of a tray that went back into the cold', () => {
    const decisions = [deed(0, 'pull', 0), deed(7, 'chill', 0), deed(0, 'discard', 1, 2, 3)];
    const served = playedEvening(evening, decisions).doughs[0]?.left[0] ?? 0;
    const kept = keptAfter(decisions)?.really ?? [];
    expect(served).toBeLessThan(dough.ballsPerTray);
    expect(ballsOf(kept)).toBe(kept.length === 0 ? 0 : Math.floor(served));
  });

  it('is told apart by what was done with it: one was out, one was not', () => {
    const decisions = [deed(0, 'pull', 0), deed(2, 'chill', 0), deed(0, 'discard', 2, 3)];
    const kept = keptAfter(decisions)?.really ?? [];
    expect(new Set(kept).size).toBe(2);
    const next = { ...evening, doughs: [{ ...dough, trays: kept }] };
    const [seen] = eveningSoFar(next, [], 0);
    expect(seen?.trays.map(({ trays, nights }) => [trays, nights])).toEqual([
      [[0], 1],
      [[1], 1],
    ]);
    expect(debriefOf(next, next, []).doughs[0]?.trays).toHaveLength(2);
  });

  it('goes with what it is taken to be, tray by tray', () => {
    const warm = { ...evening, cold: { ...evening.cold, airTempC: 6 } };
    const [kept] = keptOvernight(warm, evening, []);
    expect(kept?.believed).toHaveLength(kept?.really.length ?? -1);
    const lastC = (trays: readonly EveningTray[] = []) => trays[0]?.route.stages.at(-1)?.airTempC;
    expect(lastC(kept?.really)).toBe(6);
    expect(lastC(kept?.believed)).toBe(evening.cold.airTempC);
  });
});
