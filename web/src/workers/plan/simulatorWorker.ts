import { followLot, followWeek, wavesOfLot, type Climate, type FollowedLot } from '@calm/domain';
import type { WeekDocument } from '@calm/contract';
import { isStep, mendingsOf, trimmed, type PlannedLot } from '@calm/core';
import { expose } from 'comlink';
import type { FollowedPlanLot, FollowerInWorker, PlanQuestion } from './planAnswers';

/** A lot with its waves, as small as it goes over the wire. */
function told(document: WeekDocument, lot: PlannedLot, followed: FollowedLot): FollowedPlanLot {
  const ways = followed.ways.map((each) => ({
    ...each,
    way: each.way && { ...each.way, course: trimmed(each.way.course) },
  }));
  return { ...followed, ways, lot, waves: wavesOfLot(document, lot, followed.windows) };
}

/** The week that was followed last: a lot in hand is followed in its rooms. */
let last: { readonly question: PlanQuestion; readonly climate: Climate } | null = null;

/** Dough is followed off the page's own thread. */
const follower: FollowerInWorker = {
  week(question) {
    const { document, lots, places, asIfs, mixed } = question;
    const week = followWeek(document, lots, { places, asIfs, mixed: new Set(mixed) });
    last = { question, climate: week.climate };
    return {
      ...week,
      lots: week.lots.map((followed, i) => told(document, lots[i] as PlannedLot, followed)),
    };
  },
  lot(lot) {
    if (!last) return null;
    const { question, climate } = last;
    const { document, mixed } = question;
    const isMixed = mixed.includes(lot.id);
    return told(document, lot, followLot(document, lot, { climate, isMixed }));
  },
  mendings: (problem, lots, conflict, pins) =>
    mendingsOf(problem, lots, conflict, (step) =>
      pins.some(
        (pin) =>
          lots.some(({ id, steps }) => id === pin.lotId && steps.includes(step)) &&
          isStep(step, pin),
      ),
    ),
};

expose(follower);
