import {
  CAUTIONS,
  type FormulaChange,
  type FormulaContent,
  type FormulaStart,
  type Method,
  type MethodStep,
  type RouteContent,
} from './formula';
import type { PantryItem } from '../house/houseBook';
import type { BookImport } from './imports';
import type { ProductContent } from './product';
import type { StepAddition } from '@calm/core';
import { BALL_LIMITS_G, LINE_KINDS } from '../engine/vocabulary';
import Joi from 'joi';
import { targetSchema } from '../engine/doughSchemas';
import { composition, formulaSchema } from '../engine/formulaSchemas';
import { id, localDate, percent, text, version, slug, visibleText } from '../api/fields';
import { routeStagesSchema } from '../engine/routeSchemas';

const speed = Joi.valid('slow', 'fast', 'hand');

const step = Joi.object<MethodStep>({
  key: slug().required(),
  title: visibleText(80),
  detail: text(500).allow('').required(),
  lookFor: text(500),
  adds: Joi.array()
    .items(
      Joi.object<StepAddition>({
        kind: Joi.valid(...LINE_KINDS).required(),
        name: visibleText(80).optional(),
        percent: percent(100).greater(0).required(),
      }),
    )
    .max(20),
  minutes: Joi.number().min(0).max(600),
  leastMinutes: Joi.number()
    .min(0)
    .max(Joi.ref('minutes'))
    .when('minutes', { is: Joi.exist(), otherwise: Joi.forbidden() }),
  speed,
  caution: Joi.valid(...CAUTIONS),
});

/** A mixing method: steps in order, each with a key of its own. */
export const methodSchema = Joi.object<Method>({
  name: visibleText(120),
  why: text(500).allow('').required(),
  steps: Joi.array().items(step).min(1).max(40).unique('key').required(),
  ahead: Joi.array().items(step).min(1).max(20).unique('key'),
});

/** What a person edits of a formula. */
export const formulaContentSchema = Joi.object<FormulaContent>({
  name: visibleText(120),
  formula: formulaSchema.required(),
  doughTempC: Joi.number().min(1).max(40).required(),
  method: methodSchema.required(),
  mixerId: id().required(),
});

const versionNote = text(300).allow('').required();

/** PUT a new version of a formula. */
export const formulaChangeSchema = Joi.object<FormulaChange>({
  version: version(),
  note: versionNote,
  content: formulaContentSchema.required(),
});

const lotCode = Joi.string()
  .pattern(/^[A-Z]{2,4}$/, 'two to four capital letters')
  .required();

/** POST a formula. */
export const formulaStartSchema = Joi.object<FormulaStart>({
  code: lotCode,
  note: versionNote,
  content: formulaContentSchema.required(),
});

/** POST a product. */
export const productSchema = Joi.object<ProductContent>({
  name: visibleText(120),
  formulaId: id().required(),
  routeId: id().required(),
  ballWeightG: Joi.number().min(BALL_LIMITS_G.least).max(BALL_LIMITS_G.most).required(),
  trimPercent: percent(60).required(),
  ballsPerTray: Joi.number().integer().min(1).max(200).required(),
  isFromRemainders: Joi.boolean().required(),
  target: targetSchema.options({ presence: 'required' }).required(),
});

/** POST a route. */
export const routeSchema = Joi.object<RouteContent>({
  name: visibleText(120),
  stages: routeStagesSchema.required(),
});

/** POST something the house buys. */
export const ingredientSchema = Joi.object<Omit<PantryItem, 'id' | 'version'>>({
  name: visibleText(80),
  costPerKg: Joi.number().min(0).max(100_000),
  bagKg: Joi.number().greater(0).max(1000),
  allergens: Joi.array().items(text(60)).max(20).unique().required(),
  composition,
  strengthW: Joi.number().min(50).max(600),
  proteinPercent: Joi.number().min(4).max(25),
  branPercent: Joi.number().min(0).max(50),
  uptakeNote: text(300).allow(''),
  holding: Joi.object({
    aboveC: Joi.number().min(-5).max(40).required(),
    mostMin: Joi.number().integer().min(0).max(10_080).required(),
  }),
  storeKg: Joi.number().min(0).max(100_000),
  goodUntil: localDate(),
});

/** POST a file's formulas and routes, all at once. */
export const bookImportSchema = Joi.object<BookImport>({
  note: versionNote,
  formulas: Joi.array()
    .items(
      Joi.object({
        slug: slug().required(),
        version: version(),
        content: formulaContentSchema.required(),
      }),
      Joi.object({ code: lotCode, content: formulaContentSchema.required() }),
    )
    .max(2000)
    .required(),
  routes: Joi.array()
    .items(
      Joi.object({ id: id().required(), version: version(), content: routeSchema.required() }),
      Joi.object({ content: routeSchema.required() }),
    )
    .max(500)
    .required(),
});
