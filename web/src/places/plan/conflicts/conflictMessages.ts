import type { Assumption } from '@calm/contract';
import {
  findStep,
  type Conflict,
  type ConflictFix,
  type StepRef,
  type Interval,
  type Relaxation,
} from '@calm/core';
import type { PlanWords } from '../planWords';
import type { PlanWeek } from '../editing/usePlanWeek';

const DAY_MIN = 23 * 60;

/** What sentences about a plan are made with. */
type Saying = ReturnType<typeof sayingOf>;

function sayingOf({ lots }: Pick<PlanWeek, 'lots'>, words: PlanWords) {
  const { t, f } = words;
  const when = ({ startMin, endMin }: Interval) => ({
    from: words.moment(startMin),
    to: words.time(endMin),
  });
  const step = (ref: StepRef | null): string => {
    const found = ref ? findStep(lots, ref) : null;
    if (!found) return t('plan.otherWork');
    return t('plan.stepOf', {
      step: words.step(found.step, found.lot),
      lot: words.lot(found.lot),
    });
  };
  const stepAt = (ref: StepRef) => {
    const found = findStep(lots, ref);
    return found ? when(found.step) : { from: '', to: '' };
  };
  const stage = (lotId: string, index: number) => {
    const rest = lots.find(({ id }) => id === lotId)?.rests.find((each) => each.stage === index);
    return rest ? t(`rest.${rest.key}`) : '';
  };
  return { lots, words, t, f, when, step, stepAt, stage };
}

/** Says what of a plan means what, in the house's words. */
export function planMessages(week: Pick<PlanWeek, 'lots'>, words: PlanWords) {
  const saying = sayingOf(week, words);
  return {
    conflict: (one: Conflict) => conflictMessage(one, saying),
    fix: (one: ConflictFix) => fixMessage(one, saying),
    relaxation: (one: Relaxation) => relaxationMessage(one, saying),
    assumption: (one: Assumption) => assumptionMessage(one, saying),
    step: saying.step,
  };
}

/** What says conflicts, ways out and the like. */
export type PlanMessages = ReturnType<typeof planMessages>;

/** What cannot be as it stands. */
function conflictMessage(
  one: Conflict,
  { words, t, f, when, step, stepAt, stage }: Saying,
): string {
  switch (one.kind) {
    case 'person-twice':
    case 'mixer-twice': {
      const who =
        one.kind === 'person-twice' ? words.person(one.personId) : words.mixer(one.mixerId);
      return t('plan.conflict.twice', {
        who,
        one: step(one.other),
        other: step(one.step),
        ...when(one.when),
      });
    }
    case 'not-in':
      return t('plan.conflict.not-in', {
        who: words.person(one.personId),
        step: step(one.step),
        ...when(one.when),
      });
    case 'cannot':
      return t('plan.conflict.cannot', {
        who: words.person(one.personId),
        skill: t(`skill.${one.skill}`),
        step: step(one.step),
        ...stepAt(one.step),
      });
    case 'nobody':
      return t('plan.conflict.nobody', {
        count: one.missing,
        skill: t(`skill.${one.skill}`),
        step: step(one.step),
        ...stepAt(one.step),
      });
    case 'past':
      return t('plan.conflict.past', { step: step(one.step), ...stepAt(one.step) });
    case 'rest-short':
    case 'rest-long':
      return t(`plan.conflict.${one.hours < 0 ? 'rest-none' : one.kind}`, {
        rest: stage(one.lotId, one.stage),
        lot: words.lotId(one.lotId),
        hours: f.hours(one.hours),
        bound: f.hours(one.boundHours),
      });
    case 'bench-full':
      return t('plan.conflict.bench-full', {
        people: one.people,
        room: one.room,
        what: words.f.list(one.steps.map(step)),
        ...when(one.when),
      });
    case 'place-full':
      return t(`plan.conflict.place-full-${one.container}`, {
        place: one.place,
        amount: one.amount,
        room: one.room,
        what: words.f.list(one.lotIds.map(words.lotId)),
        ...when(one.when),
      });
    case 'other-size':
      return t('plan.conflict.other-size', {
        lot: words.lotId(one.lotId),
        planned: f.kilograms(one.plannedKg * 1000),
        wanted: f.kilograms(one.wantedKg * 1000),
      });
    case 'open':
      return t('plan.conflict.open', {
        dough: words.dough(one.doughId),
        service: words.service(one.serviceId),
      });
  }
}

/** What would put it right. */
function fixMessage(one: ConflictFix, { lots, words, t, f }: Saying): string {
  const found = findStep(lots, one.step);
  const what = found ? words.step(found.step, found.lot) : '';
  if (one.kind === 'give') {
    return t('plan.fixing.give', { what, who: words.f.list(one.personIds.map(words.person)) });
  }
  return t(one.byMin > 0 ? 'plan.fixing.later' : 'plan.fixing.earlier', {
    what,
    by: f.duration(Math.abs(one.byMin)),
    at: words.moment(one.startMin),
  });
}

/** What could be given up or added so that everything fits. */
function relaxationMessage(way: Relaxation, { words, t, f, when }: Saying): string {
  switch (way.kind) {
    case 'leave-out':
      return t('plan.relaxation.leave-out', {
        dough: words.dough(way.doughId),
        service: words.service(way.serviceId),
      });
    case 'call-in':
      return t('plan.relaxation.call-in', { skill: t(`skill.${way.skill}`), ...when(way.when) });
    case 'more-room':
      return t('plan.relaxation.more-room', {
        place: way.place,
        trays: way.trays,
        tubs: way.tubs,
      });
    case 'more-bench':
      return t('plan.relaxation.more-bench', { count: way.people });
    case 'second-mixer':
      return t('plan.relaxation.second-mixer', { mixer: words.mixer(way.mixerId) });
    case 'smaller-load':
      return t('plan.relaxation.smaller-load', { mixer: words.mixer(way.mixerId) });
    case 'other-hours':
      return t('plan.relaxation.other-hours', {
        rest: words.restOf(way),
        dough: words.dough(way.doughId),
        least: f.hours(way.least),
        most: f.hours(way.most),
      });
  }
}

/** What a plan takes for granted. */
function assumptionMessage(one: Assumption, saying: Saying): string {
  const { words, t, f, when } = saying;
  switch (one.kind) {
    case 'relaxation':
      return relaxationMessage(one.relaxation, saying);
    case 'away':
      if (one.when.endMin - one.when.startMin >= DAY_MIN) {
        return t('plan.assumption.away-day', {
          who: words.person(one.personId),
          day: f.day(one.when.startMin * 60_000),
        });
      }
      return t('plan.assumption.away', { who: words.person(one.personId), ...when(one.when) });
    case 'mixer-down':
      return t('plan.assumption.mixer-down', {
        mixer: words.mixer(one.mixerId),
        ...when(one.when),
      });
    case 'more-balls':
      return t('plan.assumption.more-balls', {
        service: words.service(one.serviceId),
        percent: f.percent(one.percent),
      });
    case 'warmer':
      return t('plan.assumption.warmer', {
        by: f.warmer(one.byC, 0),
        from: words.moment(one.when.startMin),
        to: words.moment(one.when.endMin),
      });
    case 'room-down':
      return t('plan.assumption.room-down', { place: one.place, ...when(one.when) });
    case 'warm-tap':
      return t('plan.assumption.warm-tap', { by: f.warmer(one.byC, 0) });
  }
}
