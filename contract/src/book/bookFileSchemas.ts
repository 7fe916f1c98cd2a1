import type { PerLitreFormula } from '@calm/core';
import { YEAST_FORMS } from '../engine/vocabulary';
import Joi from 'joi';
import {
  BOOK_FILE_FORMAT,
  BOOK_FILE_VERSION,
  type BookFile,
  type FileRoute,
  type WrittenFormula,
} from './bookFile';
import { formulaSchema, perLitreParts } from '../engine/formulaSchemas';
import { visibleText } from '../api/fields';
import { methodSchema } from './bookSchemas';
import { routeStagesSchema } from '../engine/routeSchemas';

const grams = () => Joi.number().min(0).max(100_000);

const perLitre = Joi.object<PerLitreFormula>({
  flours: Joi.array()
    .items(
      Joi.object({
        name: visibleText(80),
        gPerLitre: grams().greater(0).required(),
        strengthW: Joi.number().min(50).max(600),
        proteinPercent: Joi.number().min(4).max(25),
        branPercent: Joi.number().min(0).max(50),
      }),
    )
    .min(1)
    .max(12)
    .unique('name')
    .required(),
  saltGPerLitre: grams().required(),
  sugarGPerLitre: grams(),
  oilGPerLitre: grams(),
  additions: Joi.array().items(
    Joi.object({
      name: visibleText(80),
      gPerLitre: grams().required(),
      composition: perLitreParts.composition,
    }),
  ),
  yeast: Joi.object({
    form: Joi.valid(...YEAST_FORMS).required(),
    gPerLitre: grams().required(),
  }).required(),
  preferment: perLitreParts.preferment,
  oldDough: perLitreParts.oldDough,
});

const written = Joi.object<WrittenFormula>({
  name: visibleText(120),
  code: Joi.string()
    .pattern(/^[A-Z]{2,4}$/, 'two to four capital letters')
    .required(),
  doughTempC: Joi.number().min(1).max(40).required(),
  formula: formulaSchema,
  perLitre,
  method: methodSchema,
}).xor('formula', 'perLitre');

const route = Joi.object<FileRoute>({
  name: visibleText(120),
  stages: routeStagesSchema.required(),
});

const TWICE = { 'array.unique': '{{#label}} has the same {{#path}} as another before it' };

/** A file of formulas and routes. */
export const bookFileSchema = Joi.object<BookFile>({
  format: Joi.valid(BOOK_FILE_FORMAT).required(),
  version: Joi.valid(BOOK_FILE_VERSION).required(),
  formulas: Joi.array()
    .items(written)
    .max(2000)
    .unique('code')
    .unique('name')
    .messages(TWICE)
    .required(),
  routes: Joi.array().items(route).max(500).unique('name').messages(TWICE),
});
