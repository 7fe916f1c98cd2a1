import type { AirFrom, PlannedLot, StepRef, Interval } from '@calm/core';
import { CONTAINERS, REST_KEYS, SKILLS, WORK_KEYS } from '../engine/vocabulary';
import Joi from 'joi';
import type { Kitchen, PlaceContent } from '../house/kitchen';
import type { Assumption, PlanContent, PlanPublication } from './plan';
import { text, version, visibleText } from '../api/fields';

const name = () => visibleText(160);
const minute = () => Joi.number().integer().min(0).max(100_000_000).required();
const amount = () => Joi.number().integer().min(0).max(100_000).required();
const index = () => Joi.number().integer().min(0).max(100).required();
const serviceId = () => text(160).required().allow(null);
const ids = () => Joi.array().items(text(160)).max(50).required();

/** A stretch of time that does not end before it has begun. */
const interval = <Rest extends object = object>(rest: Joi.PartialSchemaMap<Rest> = {}) =>
  Joi.object({
    startMin: minute(),
    endMin: minute()
      .min(Joi.ref('startMin'))
      .messages({ 'number.min': '{{#label}} comes before the start' }),
    ...rest,
  });
const when = () => interval().required() as Joi.ObjectSchema<Interval>;
const stepRef = Joi.object<StepRef>({
  lotId: text(400).required(),
  stage: index(),
  serviceId: serviceId(),
});
const points = () => Joi.number().min(0).required();

const lot = Joi.object<PlannedLot>({
  id: text(400).required(),
  doughId: name(),
  serviceIds: Joi.array().items(name()).min(1).max(50).required(),
  mixerId: name(),
  loads: Joi.number().integer().min(1).max(1000).required(),
  doughKg: Joi.number().greater(0).max(10_000).required(),
  cost: Joi.object({
    quality: points(),
    unsocial: points(),
    mix: points(),
    change: points(),
  }).required(),
  steps: Joi.array()
    .items(
      interval({
        stage: index(),
        key: Joi.valid(...WORK_KEYS).required(),
        skill: Joi.valid(...SKILLS).required(),
        personIds: ids(),
        mixerId: text(160).required().allow(null),
        serviceId: serviceId(),
      }),
    )
    .min(1)
    .max(200)
    .required(),
  rests: Joi.array()
    .items(
      interval({
        stage: index(),
        key: Joi.valid(...REST_KEYS).required(),
        place: name(),
        container: Joi.valid(...CONTAINERS).required(),
        trays: amount(),
        tubs: amount(),
        serviceId: serviceId(),
      }),
    )
    .max(200)
    .required(),
});

const way = Joi.object({
  kind: Joi.valid(
    'leave-out',
    'call-in',
    'more-room',
    'more-bench',
    'second-mixer',
    'smaller-load',
    'other-hours',
  ).required(),
  doughId: text(160),
  serviceId: text(160),
  skill: Joi.valid(...SKILLS),
  when: interval(),
  place: text(160),
  trays: Joi.number().integer().min(0),
  tubs: Joi.number().integer().min(0),
  people: Joi.number().integer().min(0),
  mixerId: text(160),
  minDoughKg: Joi.number().min(0),
  stage: Joi.number().integer().min(0),
  least: Joi.number().min(0),
  most: Joi.number().min(0),
});
const byC = () => Joi.number().min(-20).max(20).required();
const assumption = Joi.alternatives<Assumption>(
  Joi.object({ kind: Joi.valid('relaxation').required(), relaxation: way.required() }),
  Joi.object({ kind: Joi.valid('away').required(), personId: name(), when: when() }),
  Joi.object({ kind: Joi.valid('mixer-down').required(), mixerId: name(), when: when() }),
  Joi.object({
    kind: Joi.valid('more-balls').required(),
    serviceId: name(),
    percent: Joi.number().min(-100).max(1000).required(),
  }),
  Joi.object({ kind: Joi.valid('warmer').required(), byC: byC(), when: when() }),
  Joi.object({ kind: Joi.valid('room-down').required(), place: name(), when: when() }),
  Joi.object({ kind: Joi.valid('warm-tap').required(), byC: byC() }),
);

/** A plan as people bend it. */
export const planContentSchema = Joi.object<PlanContent>({
  lots: Joi.array().items(lot).max(300).unique('id').required(),
  pins: Joi.array().items(stepRef).max(2000).required(),
  assumptions: Joi.array().items(assumption).max(100).required(),
});

/** PUT the plan that the house works by. */
export const planPublicationSchema = Joi.object<PlanPublication>({
  version: version(),
  content: planContentSchema.required(),
});

const celsius = () => Joi.number().min(-40).max(60).required();
const watts = () => Joi.number().min(0).max(1_000_000).required();

/** From when on in a day how warm it is. */
export const airByHour = () =>
  Joi.array()
    .items(
      Joi.object<AirFrom>({
        fromMin: Joi.number().integer().min(0).max(1439).required(),
        airC: celsius(),
      }),
    )
    .max(24)
    .unique('fromMin');

/** A place that is added or changed. */
export const placeSchema = Joi.object<PlaceContent>({
  name: visibleText(80),
  zones: Joi.array()
    .items(
      Joi.object({
        name: visibleText(40),
        positions: Joi.number().integer().min(0).max(10_000).required(),
        warmerC: Joi.number().min(-20).max(20).required(),
      }),
    )
    .max(20)
    .unique('name')
    .required(),
  traysAPosition: Joi.number().integer().min(1).max(50).required(),
  tubs: Joi.number().integer().min(0).max(10_000).required(),
  airByHour: airByHour().default([]),
  room: Joi.object({
    heatCapacityJPerK: Joi.number().greater(0).max(1e9).required(),
    lossWPerK: Joi.number().greater(0).max(1e5).required(),
    doorWPerK: watts(),
    setC: celsius(),
    deadBandC: Joi.number().min(0).max(10).required(),
    coolingW: watts(),
    defrost: Joi.object({
      everyH: Joi.number().greater(0).max(168).required(),
      minutes: Joi.number().min(0).max(240).required(),
      heaterW: watts(),
      phaseH: Joi.number().min(0).max(168),
    })
      .required()
      .allow(null),
    zonesC: Joi.object().pattern(text(40), Joi.number().min(-20).max(20)).required(),
  })
    .required()
    .allow(null),
});

/** What a house works with. */
export const kitchenSchema = Joi.object<Kitchen>({
  benchPlaces: Joi.number().integer().min(0).max(100).required(),
  tubKg: Joi.number().greater(0).max(500).required(),
  tubLitres: Joi.number().greater(0).max(1000),
  trayCm: Joi.object({
    length: Joi.number().min(5).max(300).required(),
    width: Joi.number().min(5).max(300).required(),
  }),
  unsocialFromMin: Joi.number().integer().min(0).max(1440).required(),
  unsocialUntilMin: Joi.number().integer().min(0).max(1440).required(),
});
