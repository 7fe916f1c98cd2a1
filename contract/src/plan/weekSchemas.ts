import { airByHour } from './planSchemas';
import { SKILLS, STANDARD_WEIGHTS } from '../engine/vocabulary';
import Joi from 'joi';
import type { TimeInterval, WeekDocument } from './week';
import { targetSchema, acceptedConstants } from '../engine/doughSchemas';
import { formulaSchema } from '../engine/formulaSchemas';
import { ballCount, instant, massG, percent, text, visibleText } from '../api/fields';
import { routeStagesSchema } from '../engine/routeSchemas';

const name = () => visibleText(160);
const moment = () => instant().required();
const kilograms = () => Joi.number().min(0).max(10_000);
const amount = () => Joi.number().integer().min(0).max(100_000).required();

/** A stretch of time that ends after it has begun. */
const interval = <Rest extends object>(rest: Joi.PartialSchemaMap<Rest> = {}) =>
  Joi.object({ startsAt: moment(), endsAt: moment(), ...rest })
    .custom((given: TimeInterval, helpers) =>
      Date.parse(given.endsAt) > Date.parse(given.startsAt) ? given : helpers.error('time.order'),
    )
    .messages({ 'time.order': '{{#label}} ends before it has begun' });

const listOf = (item: Joi.ObjectSchema, most: number) => Joi.array().items(item).max(most);
const points = () => Joi.number().min(0).max(100_000);

const timedSteps = () =>
  listOf(
    Joi.object({
      step: text(300).required(),
      startsAt: moment(),
      personIds: Joi.array().items(name()),
    }),
    20_000,
  );

/** Input of `calm plan`: everything a week is planned from. */
export const weekSchema = Joi.object<WeekDocument>({
  now: moment(),
  services: listOf(interval({ id: name(), day: text(80) }), 500)
    .unique('id')
    .required(),
  wanted: listOf(
    Joi.object({ serviceId: name(), productId: name(), count: ballCount().required() }),
    20_000,
  ).required(),
  products: listOf(
    Joi.object({
      id: name(),
      doughId: name(),
      ballWeightG: massG().required(),
      trimPercent: percent(60).required(),
      ballsPerTray: Joi.number().integer().min(1).max(500).required(),
    }),
    500,
  )
    .unique('id')
    .required(),
  doughs: listOf(
    Joi.object({
      id: name(),
      route: routeStagesSchema.required(),
      residuePercent: percent(20).required(),
      residuePerLoadG: Joi.number().min(0).max(20_000),
      mixers: listOf(
        Joi.object({
          mixerId: name(),
          minDoughKg: kilograms().required(),
          maxDoughKg: kilograms().min(Joi.ref('minDoughKg')).greater(0).required(),
          isStandIn: Joi.boolean(),
          perLoadMin: Joi.number().min(0).max(600),
        }),
        20,
      ).required(),
      formula: formulaSchema,
      doughTempC: Joi.number().min(1).max(40),
      prefermentTempC: Joi.number().min(1).max(40),
      target: targetSchema,
      altitudeM: Joi.number().min(-500).max(6000),
      constants: acceptedConstants,
    }),
    100,
  )
    .unique('id')
    .required(),
  people: listOf(
    Joi.object({
      id: name(),
      skills: Joi.array()
        .items(Joi.valid(...SKILLS))
        .unique()
        .required(),
      shifts: listOf(interval(), 200).required(),
    }),
    200,
  )
    .unique('id')
    .required(),
  benchPlaces: amount(),
  places: listOf(
    Joi.object({ name: name(), trays: amount(), tubs: amount(), airByHour: airByHour() }),
    100,
  )
    .unique('name')
    .required(),
  tubKg: Joi.number().greater(0).max(500).default(12),
  unsocial: listOf(interval(), 200).default([]),
  underWay: Joi.object({
    works: listOf(
      interval({
        personIds: Joi.array().items(name()).required(),
        mixerId: text(80).required().allow(null),
        bench: amount(),
      }),
      5000,
    ).default([]),
    rests: listOf(interval({ place: name(), trays: amount(), tubs: amount() }), 5000).default([]),
  }).default({ works: [], rests: [] }),
  published: timedSteps().default([]),
  pinned: timedSteps(),
  weights: Joi.object({
    quality: points().required(),
    unsocial: points().required(),
    mix: points().required(),
    change: points().required(),
  }).default(STANDARD_WEIGHTS),
  usage: listOf(
    Joi.object({
      serviceId: name(),
      productId: name(),
      curve: Joi.array().items(Joi.number().min(0).max(1)).min(1).max(200).required(),
      expected: Joi.object({
        mean: Joi.number().min(0).max(100_000).required(),
        cv: Joi.number().min(0).max(3).required(),
        carried: Joi.number().min(0).max(100_000).default(0),
      }),
    }),
    20_000,
  ).default([]),
  seconds: Joi.number().min(0).max(120).default(5),
});
