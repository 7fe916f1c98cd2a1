import Joi from 'joi';
import { id, instant, slug, visibleText } from '../api/fields';
import { DOUGH_FORMS, LOOKS, WARMTHS } from '../engine/vocabulary';
import {
  PRACTICE_SKILLS,
  type DrillDone,
  type EveningDone,
  type PracticeStart,
  type ReadingDone,
  type ReadingRound,
} from './practice';
import { READINESS_WORKS, type PracticeNeed, type ReadinessRule } from './readiness';
import { EVENINGS_OF_WEEK, type PracticeWeek } from './practiceWeek';
import type { Situation } from './situation';

/** A round is no longer. */
const MOST_DONE = 60;
const score = () => Joi.number().min(0).max(1);
/** Guests sent away, or what is worth as much. */
const cost = () => Joi.number().min(0).max(100_000).required();
const readingDone = Joi.object<ReadingDone>({
  form: Joi.valid(...DOUGH_FORMS),
  found: Joi.valid(...LOOKS).required(),
  warmth: Joi.valid(...WARMTHS).required(),
  score: score().required(),
});

const content = Joi.alternatives(
  Joi.object<ReadingRound>({
    kind: Joi.valid('reading').required(),
    readings: Joi.array().items(readingDone).min(1).max(MOST_DONE).required(),
  }),
  Joi.object<EveningDone>({
    kind: Joi.valid('evening').required(),
    situation: slug().required(),
    score: score().required(),
    cost: cost(),
    best: cost(),
    plain: cost(),
  }),
  Joi.object<DrillDone>({
    kind: Joi.valid('drill').required(),
    skill: Joi.valid(
      ...PRACTICE_SKILLS.filter((skill) => skill !== 'reading' && skill !== 'evening'),
    ).required(),
    scores: Joi.array().items(score().required()).min(1).max(MOST_DONE).required(),
  }),
);

/** POST what somebody practised. */
export const practiceStartSchema = Joi.object<PracticeStart>({
  id: id().required(),
  at: instant(),
  content: content.required(),
});

/** Doughs of an evening. */
const MOST_DOUGHS = 3;
const between = (least: number, most: number) => Joi.number().min(least).max(most).required();
const shares = () => Joi.array().items(between(0, 1)).min(4).max(32);
const whole = (least: number, most: number) => between(least, most).integer();

/** One evening to be practised: the application's own, and what a house adds. */
export const situationSchema = Joi.object<Situation>({
  name: slug().required(),
  title: visibleText(120).optional(),
  doorsInMin: whole(30, 360),
  serviceMin: whole(60, 480),
  trays: Joi.array().items(whole(1, 12)).min(1).max(MOST_DOUGHS).required(),
  ballsPerGuest: between(0.3, 3),
  guests: between(0.1, 3),
  shares: shares(),
  usualShares: shares(),
  coldBy: between(-6, 20),
  coldSinceH: between(0, 48),
  coldShownBy: between(-6, 20),
  benchBy: between(-12, 15),
  yeast: between(0.2, 2),
  strength: between(0.5, 1.5),
  olderH: Joi.array().items(between(-48, 72)).min(1).max(MOST_DOUGHS).required(),
  doughBy: Joi.array().items(between(-10, 10)).min(1).max(MOST_DOUGHS),
  hands: between(0.5, 4),
  hasMixer: Joi.boolean().required(),
});

/** Evenings to be practised one after the other. */
export const practiceWeekSchema = Joi.object<PracticeWeek>({
  name: slug().required(),
  title: visibleText(120).optional(),
  evenings: Joi.array()
    .items(situationSchema)
    .min(EVENINGS_OF_WEEK.least)
    .max(EVENINGS_OF_WEEK.most)
    .unique('name')
    .required(),
});

/** What a house asks before somebody is planned alone. */
export const readinessRuleSchema = Joi.object<ReadinessRule>({
  work: Joi.valid(...READINESS_WORKS).required(),
  fromKg: between(0, 1000),
  needs: Joi.array()
    .items(
      Joi.object<PracticeNeed>({
        skill: Joi.valid(...PRACTICE_SKILLS).required(),
        leastScore: whole(0, 100),
        times: whole(1, 200),
        withinDays: whole(1, 1000),
      }),
    )
    .min(1)
    .max(PRACTICE_SKILLS.length)
    .unique('skill')
    .required(),
});
