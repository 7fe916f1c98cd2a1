import {
  debriefOf,
  eveningSoFar,
  lookAtTray,
  nextEvent,
  opensOf,
  playsOf,
  quickOpens,
  saidOnCall,
  settledRandomOf,
  trayCourse,
  type Evening,
} from '@calm/core';
import { doughAsItWent, drillQuestion, eveningDoughs } from '@calm/domain';
import { expose } from 'comlink';
import type { Coached, EveningAsked, FoundOut, PracticeInWorker } from './practiceAnswers';

/** What was found out at a moment; the same again when it is asked again. */
function foundAt({ really, decisions, moment }: EveningAsked): FoundOut[] {
  return decisions
    .filter((each) => each.moment === moment)
    .flatMap(({ dough: at, deed }): FoundOut[] => {
      const dough = really.doughs[at];
      if (!dough) return [];
      if (deed.kind === 'look') {
        const { tray } = deed;
        const random = settledRandomOf(1 + moment * 1009 + at * 101 + tray);
        const seen = lookAtTray(really, decisions, { dough: at, tray, moment }, random);
        return [{ kind: 'look', dough: at, tray, seen }];
      }
      return deed.kind === 'call'
        ? [{ kind: 'call', dough: at, opens: saidOnCall(really, dough, moment) }]
        : [];
    });
}

/** What a coach says of what was done at a moment. */
function coachedAt({ really, decisions, moment }: EveningAsked, believed: Evening): Coached[] {
  const plays = playsOf(really, decisions);
  return decisions
    .filter((each) => each.moment === moment)
    .flatMap(({ dough: at, deed }): Coached[] => {
      const [dough, taken] = [really.doughs[at], believed.doughs[at]];
      if (!dough || !taken) return [];
      if (deed.kind === 'stop') return [{ dough: at, about: 'stop' }];
      if (deed.kind === 'mix') {
        const quick = { moment, water: deed.water };
        const opens = (evening: Evening, of: typeof dough) => quickOpens(evening, of, quick);
        return [
          {
            dough: at,
            about: 'mix',
            believed: opens(believed, taken),
            really: opens(really, dough),
          },
        ];
      }
      const index = deed.kind === 'trays' ? (deed.trays[0] ?? -1) : -1;
      const [way, tray, trayTaken] = [
        plays[at]?.trays[index],
        dough.trays[index],
        taken.trays[index],
      ];
      if (deed.kind !== 'trays' || !way || !tray || !trayTaken) return [];
      if (deed.act === 'discard') return [{ dough: at, about: 'discard' }];
      if (deed.act === 'chill')
        return [{ dough: at, about: 'chill', isKept: trayCourse(really, dough, tray, way).isKept }];
      return [
        {
          dough: at,
          about: deed.act,
          believed: opensOf(believed, taken, trayTaken, way),
          really: opensOf(really, dough, tray, way),
        },
      ];
    });
}

/** What is practised is worked out off the page's own thread. */
const practice: PracticeInWorker = {
  drill: ({ book, skill, seed }) => drillQuestion(book, skill, seed),
  seen: ({ believed, ...asked }) => ({
    doughs: eveningSoFar(asked.really, asked.decisions, asked.moment),
    found: foundAt(asked),
    coached: coachedAt(asked, believed),
  }),
  doughsAsTheyWent: ({ book, logs, coldBy }) =>
    eveningDoughs(book).flatMap(({ product }) => {
      const log = logs.find(({ lot }) => lot.items.some((item) => item.productId === product.id));
      return (log && doughAsItWent(log, product, book, coldBy)) ?? [];
    }),
  nextEvent: ({ really, decisions, moment }) => nextEvent(really, decisions, moment),
  debrief: ({ really, believed, decisions }, onProgress) =>
    debriefOf(really, believed, decisions, onProgress),
};

expose(practice);
