import type { LoadChange, LoadTemps, LotStart, NoteChange } from '../lot';
import type { LossChange, WithdrawChange } from '../lot';
import { CAUTIONS } from '../house';
import type {
  BroughtIn,
  FormulaChange,
  FormulaContent,
  FormulaStart,
  Method,
  MethodStep,
  PantryItem,
  ProductContent,
  RecordChange,
  RouteContent,
} from '../house';
import { BALL_LIMITS_G } from '@calm/core';
import Joi, { type ObjectSchema } from 'joi';
import { targetSchema } from './dough';
import { composition, formulaSchema } from './formula';
import { ballCount, id, localDate, percent, tempC, text, version } from './numbers';
import { routeStagesSchema } from './route';

const slug = () => Joi.string().pattern(/^[a-z0-9-]{1,60}$/, 'slug');

/** Longest stretch of days one request may ask for. */
export const MOST_DAYS = 62;

/** Parts of an address. */
export const params = {
  house: Joi.object({ house: slug().required() }),
  count: Joi.object({
    house: slug().required(),
    date: localDate().required(),
    patternId: id().required(),
    productId: id().required(),
  }),
  lot: Joi.object({ house: slug().required(), lot: id().required() }),
  load: Joi.object({
    house: slug().required(),
    lot: id().required(),
    number: Joi.number().integer().min(1).max(200).required(),
  }),
  formula: Joi.object({ house: slug().required(), formula: slug().required() }),
  record: Joi.object({ house: slug().required(), id: id().required() }),
  mark: Joi.object({
    house: slug().required(),
    lot: id().required(),
    loadNumber: Joi.number().integer().min(0).max(200).required(),
    stepKey: Joi.string()
      .pattern(/^[a-z0-9-]{1,60}$/, 'step')
      .required(),
  }),
} as const;

/** A stretch of days, from a local date. */
export const daysQuery = Joi.object<{ from: string; days: number }>({
  from: localDate().required(),
  days: Joi.number().integer().min(1).max(MOST_DAYS).required(),
});

const temps = {
  roomTempC: tempC().required(),
  flourTempC: tempC().required(),
  tapTempC: tempC().min(0).required(),
  prefermentTempC: tempC().required().allow(null),
};

/** A calendar of one person, or of everybody. */
export const calendarQuery = Joi.object<{ person?: string }>({ person: id() });

/** POST a lot. */
export const lotStartSchema = Joi.object<LotStart>({
  productId: id().required(),
  serviceDate: localDate().required(),
  mixerId: id().required(),
  items: Joi.array()
    .items(Joi.object({ productId: id().required(), count: ballCount().required() }))
    .min(1)
    .max(20)
    .unique('productId')
    .required(),
  temps: Joi.object<LoadTemps>(temps).required(),
});

/** PUT a load's temperatures. */
export const loadChangeSchema = Joi.object<LoadChange>({
  ...temps,
  doughOutC: tempC().required().allow(null),
  version: version(),
});

/** PUT a note. */
export const noteChangeSchema = Joi.object<NoteChange>({
  note: text(500).allow('').required(),
  version: version(),
});

/** PUT what a lot left behind. */
export const lossChangeSchema = Joi.object<LossChange>({
  leftG: Joi.number().min(0).max(200_000).required().allow(null),
  trimG: Joi.number().min(0).max(200_000).required().allow(null),
  version: version(),
});

/** PUT whether a lot is withdrawn. */
export const withdrawChangeSchema = Joi.object<WithdrawChange>({
  isWithdrawn: Joi.boolean().required(),
  version: version(),
});

const speed = Joi.valid('slow', 'fast', 'hand');
const step = Joi.object<MethodStep>({
  key: slug().required(),
  title: text(80).required(),
  detail: text(500).allow('').required(),
  lookFor: text(500),
  minutes: Joi.number().min(0).max(600),
  speed,
  caution: Joi.valid(...CAUTIONS),
});

/** A mixing method: steps in order, each with a key of its own. */
export const methodSchema = Joi.object<Method>({
  name: text(120).required(),
  why: text(500).allow('').required(),
  steps: Joi.array().items(step).min(1).max(40).unique('key').required(),
});

/** What a person edits of a formula. */
export const formulaContentSchema = Joi.object<FormulaContent>({
  name: text(120).required(),
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
  name: text(120).required(),
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
  name: text(120).required(),
  stages: routeStagesSchema.required(),
});

/** POST something the house buys. */
export const ingredientSchema = Joi.object<Omit<PantryItem, 'id' | 'version'>>({
  name: text(80).required(),
  costPerKg: Joi.number().min(0).max(100_000),
  bagKg: Joi.number().greater(0).max(1000),
  allergens: Joi.array().items(text(60)).max(20).unique().required(),
  composition,
  strengthW: Joi.number().min(50).max(600),
  proteinPercent: Joi.number().min(4).max(25),
  uptakeNote: text(300).allow(''),
  storeKg: Joi.number().min(0).max(100_000),
  goodUntil: localDate(),
});

/** PUT a record: its whole content, and the version it was made from. */
export const changeOf = <Content>(content: ObjectSchema<Content>) =>
  Joi.object<RecordChange<Content>>({ version: version(), content: content.required() });

/** POST a file's formulas and routes, all at once. */
export const broughtInSchema = Joi.object<BroughtIn>({
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
