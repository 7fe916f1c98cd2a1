import type { BallOrder, ScaleRequest, WaterRequest } from '@calm/core';
import Joi from 'joi';
import { formulaSchema } from './formulaSchemas';
import { YEAST_FORMS } from './vocabulary';
import { ballCount, localDate, massG, percent, tempC } from '../api/fields';
import type { ReadyDocument, WaveDocument } from './wave';

const ballOrder = Joi.object<BallOrder>({
  count: ballCount().required(),
  ballWeightG: massG().max(20_000).required(),
  trimPercent: percent(60),
});

/** Input of `calm scale`. */
export const scaleSchema = Joi.object<ScaleRequest>({
  formula: formulaSchema.required(),
  items: Joi.array().items(ballOrder).min(1).max(50).required(),
  residuePercent: percent(30),
  residuePerLoadG: Joi.number().min(0).max(20_000),
  trimPercent: percent(60),
  mixer: Joi.object({
    minDoughKg: Joi.number().min(0).max(2000).required(),
    maxDoughKg: Joi.number().greater(0).max(2000).required(),
  }),
  derating: Joi.array().items(
    Joi.object({
      hydrationPercent: percent(150).required(),
      share: Joi.number().greater(0).max(1).required(),
    }),
  ),
  scaleReadabilityG: Joi.object({
    default: Joi.number().greater(0).max(1000).default(1),
    yeast: Joi.number().greater(0).max(100).default(0.1),
  }).default({ default: 1, yeast: 0.1 }),
  yeastConversion: Joi.object({
    fresh: Joi.number().greater(0).max(5).required(),
    'active-dry': Joi.number().greater(0).max(5).required(),
    instant: Joi.number().greater(0).max(5).required(),
  }),
});

/** What `calm water` reads: the masses other than water may be left out. */
export type WaterInput = Omit<WaterRequest, 'flourG'> & { readonly flourG?: number };

/** Input of `calm water`. */
export const waterSchema = Joi.object<WaterInput>({
  doughTempC: Joi.number().min(0).max(45).required(),
  roomTempC: tempC().required(),
  flourTempC: tempC().required(),
  tapTempC: Joi.number().min(0).max(60).required(),
  frictionC: Joi.number().min(-60).max(120).required(),
  waterG: massG().required(),
  flourG: massG(),
  oilG: Joi.number().min(0).max(10_000_000),
  prefermentTempC: tempC(),
  prefermentG: massG(),
  baseSumC: Joi.number().min(0).max(200),
  pourBy: Joi.valid('base-sum', 'friction', 'heat-balance', 'learned'),
  mixer: Joi.object({
    wFlour: Joi.number().min(-1).max(2).required(),
    wWater: Joi.number().min(0.05).max(2).required(),
    wRoom: Joi.number().min(-1).max(2).required(),
    qC: Joi.number().min(-30).max(40).required(),
  }),
  iceTempC: Joi.number().min(-40).max(0),
  yeastForm: Joi.valid(...YEAST_FORMS),
});

const minute = () => Joi.number().min(-1e9).max(1e9);

/** Input of `calm wave`. */
export const waveSchema = Joi.object<WaveDocument>({
  service: Joi.object({ startMin: minute().required(), endMin: minute().required() })
    .required()
    .custom((given: WaveDocument['service'], helpers) =>
      given.endMin > given.startMin ? given : helpers.error('service.order'),
    )
    .messages({ 'service.order': '{{#label}} must end after it begins' }),
  perQuarter: Joi.array().items(Joi.number().min(0).max(10_000)).min(1).max(200).required(),
  spread: Joi.number().min(0).max(2).default(0.22),
  batches: Joi.array()
    .items(
      Joi.object({
        balls: Joi.number().min(0).max(100_000).required(),
        readyMin: minute().required(),
        lastMin: minute().required(),
      }),
    )
    .max(200)
    .default([]),
  trayBalls: Joi.number().integer().min(1).max(1000).required(),
  trays: Joi.number().integer().min(0).max(10_000).required(),
  temperMin: Joi.number().min(0).max(10_000).required(),
  keepMin: Joi.number().min(15).max(10_000).required(),
  cover: Joi.number().greater(0).less(1).default(0.95),
});

/** Input of `calm ready`. */
export const readySchema = Joi.object<ReadyDocument>({
  sales: Joi.array()
    .items(
      Joi.object({
        date: localDate().required(),
        sold: Joi.number().min(0).max(100_000).required(),
        soldOutMin: minute().allow(null).default(null),
      }),
    )
    .min(1)
    .max(5000)
    .required(),
  usage: Joi.array().items(Joi.number().min(0).max(1)).min(1).max(200).required(),
  openMin: minute().required(),
  closeMin: minute().required(),
  cover: Joi.number().greater(0).less(1),
  costs: Joi.object({
    short: Joi.number().min(0).max(1e6).required(),
    left: Joi.number().min(0).max(1e6).required(),
  }),
})
  .or('cover', 'costs')
  .nand('cover', 'costs');
