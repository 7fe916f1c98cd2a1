import Joi from 'joi';
import { id, instant } from '../api/fields';
import { LOOKS, WARMTHS } from '../engine/vocabulary';
import type { PracticeStart, ReadingDone } from './practice';

/** A round is no longer. */
const MOST_READINGS = 60;

const readingDone = Joi.object<ReadingDone>({
  found: Joi.valid(...LOOKS).required(),
  warmth: Joi.valid(...WARMTHS).required(),
  score: Joi.number().min(0).max(1).required(),
});

/** POST what somebody practised. */
export const practiceStartSchema = Joi.object<PracticeStart>({
  id: id().required(),
  at: instant(),
  content: Joi.object({
    kind: Joi.valid('reading').required(),
    readings: Joi.array().items(readingDone).min(1).max(MOST_READINGS).required(),
  }).required(),
});
