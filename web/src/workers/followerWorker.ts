import {
  followLot,
  followWeek,
  wavesOfLot,
  type FollowedLot,
  type WeekDocument,
} from '@calm/contract';
import { isStep, mendingsOf, trimmed, type PlannedLot } from '@calm/core';
import { expose } from 'comlink';
import type { FollowedPlanLot, FollowerInWorker } from './planAnswers';

/** A lot with its waves, as small as it goes over the wire. */
function told(document: WeekDocument, lot: PlannedLot, followed: FollowedLot): FollowedPlanLot {
  const { dose } = followed;
  const ways = followed.ways.map((each) => ({
    ...each,
    way: each.way && { ...each.way, course: trimmed(each.way.course) },
  }));
  return { ...followed, ways, lot, waves: dose ? wavesOfLot(document, lot, dose) : [] };
}

/** Dough is followed off the page's own thread. */
const follower: FollowerInWorker = {
  week({ document, lots, places, asIfs, mixed }) {
    const week = followWeek(document, lots, { places, asIfs, mixed: new Set(mixed) });
    return {
      ...week,
      lots: week.lots.map((followed, i) => told(document, lots[i] as PlannedLot, followed)),
    };
  },
  lot(document, lot, climate, isMixed) {
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
