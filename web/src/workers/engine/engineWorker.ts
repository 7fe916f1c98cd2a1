import {
  diagnoseDocument,
  doseDocument,
  equivalentDocument,
  narrowDocument,
  drawReading,
  routeOfDocument,
  whatNow,
  type ReadingWish,
  type WaitingLot,
} from '@calm/domain';
import type {
  DiagnoseDocument,
  DoseDocument,
  DoughDocument,
  EquivalentDocument,
  NarrowDocument,
} from '@calm/contract';
import { oddsOfEnough, simulate, STANDARD_TARGET, trimmed, windowSpread } from '@calm/core';
import { expose } from 'comlink';
import type { EngineInWorker, SimulationAnswer } from './engineAnswers';

/** The engine, off the page's own thread. */
const engine: EngineInWorker = {
  way(document: DoughDocument): SimulationAnswer {
    const route = routeOfDocument(document);
    if (!route.ok) return route;
    const target = { ...STANDARD_TARGET, ...document.target };
    const way = simulate(route.value, { target });
    if (!way.ok) return way;
    const { course, ...rest } = way.value;
    return {
      ok: true,
      value: {
        ...rest,
        course: trimmed(course),
        spread: windowSpread(route.value, target),
        bowl: route.value,
      },
    };
  },
  dose: (document: DoseDocument) => doseDocument(document),
  narrow: (observed: NarrowDocument) => narrowDocument(observed),
  diagnose: (asked: DiagnoseDocument) => diagnoseDocument(asked),
  equivalent: (asked: EquivalentDocument) => equivalentDocument(asked),
  whatNow: (lot: WaitingLot) => whatNow(lot),
  reading: (wish: ReadingWish) => drawReading(wish),
  enough: ({ perQuarter, cv, batches, fromMin }) => oddsOfEnough(perQuarter, cv, batches, fromMin),
};

expose(engine);
