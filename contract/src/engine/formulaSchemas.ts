import type { Addition, Flour, Formula, OldDough, Preferment, YeastDose } from '@calm/core';
import { YEAST_FORMS } from './vocabulary';
import Joi from 'joi';
import { percent, visibleText } from '../api/fields';

const FLOUR_SUM_TOLERANCE_PERCENT = 0.01;

const flour = Joi.object<Flour>({
  name: visibleText(80),
  // A formula read back from grams per litre may be a binary hair over 100.
  percent: percent(100 + FLOUR_SUM_TOLERANCE_PERCENT)
    .greater(0)
    .required(),
  strengthW: Joi.number().min(50).max(600),
  proteinPercent: Joi.number().min(4).max(25),
  branPercent: Joi.number().min(0).max(50),
});

const flours = Joi.array()
  .items(flour)
  .min(1)
  .max(12)
  .unique('name')
  .required()
  .custom((list: Flour[], helpers) => {
    // A percent that is no number is a fault of its own; a sum over it would say nothing.
    if (list.some((f) => typeof f.percent !== 'number')) return list;
    const sum = list.reduce((total, f) => total + f.percent, 0);
    const isWhole = Math.abs(sum - 100) <= FLOUR_SUM_TOLERANCE_PERCENT;
    return isWhole ? list : helpers.error('flours.sum', { limit: Math.round(sum * 100) / 100 });
  })
  .messages({ 'flours.sum': '{{#label}} must sum to 100 percent, not {{#limit}}' });

/** How good the yeast is, and whether it was woken in water. */
const YEAST_STATE = {
  activity: Joi.number().min(0.01).max(1.5),
  isPreWetted: Joi.boolean(),
};

const yeast = (maxPercent: number) =>
  Joi.object<YeastDose>({
    form: Joi.valid(...YEAST_FORMS).required(),
    percent: percent(maxPercent).required(),
    ...YEAST_STATE,
  }).required();

/** What an ingredient brings with it. */
export const composition = Joi.object({
  waterPercent: percent(100).default(0),
  saltPercent: percent(100).default(0),
  fatPercent: percent(100).default(0),
  sugarPercent: percent(100).default(0),
});

const addition = Joi.object<Addition>({
  name: visibleText(80),
  percent: percent(100).required(),
  composition,
});

const plain = {
  flours,
  waterPercent: percent(150).greater(0).required(),
  saltPercent: percent(10).required(),
  sugarPercent: percent(30),
  oilPercent: percent(40),
  additions: Joi.array().items(addition).max(20).unique('name'),
  yeast: yeast(10),
};

const preferment = Joi.object<Preferment>({
  name: visibleText(80),
  flourSharePercent: percent(100).greater(0).required(),
  waterPercent: percent(300).greater(0).required(),
  saltPercent: percent(10),
  yeast: yeast(10),
});

const oldDough = Joi.object<OldDough>({
  name: visibleText(80),
  percent: percent(100).greater(0).required(),
  formula: Joi.object(plain).required(),
});

/** Parts that a formula per litre shares with one in percent. */
export const perLitreParts = { composition, preferment, oldDough } as const;

/** A formula in baker's percentages; flours must sum to 100. Unknown keys are errors. */
export const formulaSchema = Joi.object<Formula>({ ...plain, preferment, oldDough });

/** The same before its yeast is known: the form is asked for, a percent is not looked at. */
export const undosedFormulaSchema = Joi.object<Formula>({
  ...plain,
  yeast: Joi.object({
    form: Joi.valid(...YEAST_FORMS).required(),
    percent: percent(10).default(0),
    ...YEAST_STATE,
  }).required(),
  preferment,
  oldDough,
});
