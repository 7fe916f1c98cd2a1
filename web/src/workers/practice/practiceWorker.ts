import {
  debriefOf,
  eveningSoFar,
  lookAtTray,
  nextEvent,
  opensOf,
  playsOf,
  randomOf,
  saidOnCall,
  type Decision,
  type Evening,
} from '@calm/core';
import { drillQuestion } from '@calm/domain';
import { expose } from 'comlink';
import type { EveningAsked, FoundOut, OpensTold, PracticeInWorker } from './practiceAnswers';

/** What was found out at a moment; the same again when it is asked again. */
function foundAt({ really, decisions, moment }: EveningAsked): FoundOut[] {
  return decisions
    .filter((each) => each.moment === moment)
    .flatMap(({ dough: at, deed }): FoundOut[] => {
      const dough = really.doughs[at];
      if (!dough) return [];
      if (deed.kind === 'look') {
        const { tray } = deed;
        const random = randomOf(1 + moment * 1009 + at * 101 + tray);
        const seen = lookAtTray(really, decisions, { dough: at, tray, moment }, random);
        return [{ kind: 'look', dough: at, tray, seen }];
      }
      return deed.kind === 'call'
        ? [{ kind: 'call', dough: at, opens: saidOnCall(really, dough, moment) }]
        : [];
    });
}

/** When what was taken out at a moment opens. */
function opensAt({ really, decisions, moment }: EveningAsked, believed: Evening): OpensTold[] {
  const plays = playsOf(really, decisions);
  const pulled = (each: Decision) =>
    each.moment === moment && each.deed.kind === 'trays' && each.deed.act === 'pull';
  return decisions.filter(pulled).flatMap(({ dough: at, deed }): OpensTold[] => {
    const [dough, taken] = [really.doughs[at], believed.doughs[at]];
    const way = deed.kind === 'trays' ? plays[at]?.trays[deed.trays[0] ?? -1] : undefined;
    if (!dough || !taken || !way) return [];
    return [
      { dough: at, believed: opensOf(believed, taken, way), really: opensOf(really, dough, way) },
    ];
  });
}

/** What is practised is worked out off the page's own thread. */
const practice: PracticeInWorker = {
  drill: ({ book, skill, seed }) => drillQuestion(book, skill, seed),
  seen: ({ believed, ...asked }) => ({
    doughs: eveningSoFar(asked.really, asked.decisions, asked.moment),
    found: foundAt(asked),
    opens: opensAt(asked, believed),
  }),
  nextEvent: ({ really, decisions, moment }) => nextEvent(really, decisions, moment),
  debrief: ({ really, believed, decisions }, onProgress) =>
    debriefOf(really, believed, decisions, onProgress),
};

expose(practice);
