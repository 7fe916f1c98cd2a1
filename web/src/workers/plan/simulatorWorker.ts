import {
  simulateLot,
  simulateWeek,
  wavesWithOdds,
  type Climate,
  type SimulatedLot,
} from '@calm/domain';
import type { WeekDocument } from '@calm/contract';
import { isStep, conflictFixesOf, trimmed, type PlannedLot } from '@calm/core';
import { expose } from 'comlink';
import type { SimulatedPlanLot, SimulatorInWorker, PlanQuestion } from './planAnswers';

/** A lot with its waves, as small as it goes over the wire. */
function told(document: WeekDocument, lot: PlannedLot, simulated: SimulatedLot): SimulatedPlanLot {
  const ways = simulated.ways.map((each) => ({
    ...each,
    way: each.way && { ...each.way, course: trimmed(each.way.course) },
  }));
  return { ...simulated, ways, lot, waves: wavesWithOdds(document, lot, simulated.windows) };
}

/** The week that was followed last: a lot in hand is followed in its rooms. */
let last: { readonly question: PlanQuestion; readonly climate: Climate } | null = null;

/** Dough is followed off the page's own thread. */
const simulator: SimulatorInWorker = {
  week(question) {
    const { document, lots, places, assumptions, mixed } = question;
    const week = simulateWeek(document, lots, { places, assumptions, mixed: new Set(mixed) });
    last = { question, climate: week.climate };
    return {
      ...week,
      lots: week.lots.map((simulated, i) => told(document, lots[i] as PlannedLot, simulated)),
    };
  },
  lot(lot) {
    if (!last) return null;
    const { question, climate } = last;
    const { document, mixed } = question;
    const isMixed = mixed.includes(lot.id);
    return told(document, lot, simulateLot(document, lot, { climate, isMixed }));
  },
  fixes: (problem, lots, conflict, pins) =>
    conflictFixesOf(problem, lots, conflict, (step) =>
      pins.some(
        (pin) =>
          lots.some(({ id, steps }) => id === pin.lotId && steps.includes(step)) &&
          isStep(step, pin),
      ),
    ),
};

expose(simulator);
