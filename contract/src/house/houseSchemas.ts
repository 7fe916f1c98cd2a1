import Joi from 'joi';
import { ownerSchema } from '../access/accessSchemas';
import { displayPreferencesSchema } from '../access/preferencesSchema';
import { alarmCallsSchema } from '../cold/alarmCallSchemas';
import { coldRulesSchema, readingColumnsSchema } from '../cold/coldSchemas';
import type { ServiceLevelTarget } from '../demand/serviceLevel';
import { kitchenSchema } from '../plan/planSchemas';
import {
  practiceWeekSchema,
  readinessRuleSchema,
  situationSchema,
} from '../practice/practiceSchemas';
import { id, instant, percent, tempC, text, version, visibleText } from '../api/fields';
import type { Erasure, Oven, SalesColumns, SettingsChange } from './house';
import { MIXER_KINDS, type MixerContent } from './mixer';
import { STARTER_SETS, type FirstHouseStart, type HouseStart } from './newHouse';

const money = () => Joi.number().min(0).max(1_000_000);
const column = () => text(200);
const currency = () => Joi.string().pattern(/^[A-Z]{3}$/, 'currency code');
const houseName = () => visibleText(120);

/** A zone that clocks here know. */
const timeZone = () =>
  Joi.string()
    .max(60)
    .custom((zone: string, helpers) => {
      try {
        new Intl.DateTimeFormat('en', { timeZone: zone });
        return zone;
      } catch {
        return helpers.error('zone.unknown');
      }
    })
    .messages({ 'zone.unknown': '{{#label}} is no time zone, such as Europe/Lisbon' });

/** A local cold limit: what codes ask for, with room for a house that is stricter. */
const coldLimitC = () => Joi.number().min(-5).max(20);

const salesColumns = Joi.object<SalesColumns>({
  date: column().required(),
  product: column().required(),
  sold: column(),
  time: column(),
  service: column(),
  soldOut: column(),
  left: column(),
  number: column(),
  dateOrder: Joi.valid('year-first', 'day-first', 'month-first').required(),
  products: Joi.object().pattern(column(), id().allow(null)).max(1000).required(),
});

const serviceLevel = Joi.alternatives<ServiceLevelTarget>(
  Joi.object({
    kind: Joi.valid('often').required(),
    enoughPercent: Joi.number().min(50).max(99.5).required(),
  }),
  Joi.object({
    kind: Joi.valid('money').required(),
    short: money().greater(0).required(),
    left: money().greater(0).required(),
    carried: money().greater(0).max(Joi.ref('left')),
  }),
);

const grams = (max: number) => Joi.number().greater(0).max(max).required();
const share = () => Joi.number().greater(0).max(5).required();

/** Each setting that can be changed, whole. */
const SETTINGS = {
  name: houseName().optional(),
  timeZone: timeZone(),
  serviceLevel,
  salesColumns,
  kitchen: kitchenSchema,
  altitudeM: Joi.number().min(-500).max(6000),
  ovens: Joi.array()
    .items(
      Joi.object<Oven>({
        name: visibleText(80),
        heatUpMin: Joi.number().integer().min(0).max(600).required(),
        ballsPerHour: Joi.number().integer().min(1).max(2000).required(),
      }),
    )
    .max(20),
  situations: Joi.array().items(situationSchema).max(40).unique('name'),
  weeks: Joi.array().items(practiceWeekSchema).max(20).unique('name'),
  readiness: Joi.array().items(readinessRuleSchema).max(10).unique('work'),
  cold: coldRulesSchema,
  alarmCalls: alarmCallsSchema,
  readingColumns: readingColumnsSchema,
  display: displayPreferencesSchema,
  currency: currency(),
  residuePercent: percent(30),
  residuePerLoadG: Joi.number().min(0).max(20_000),
  scaleReadabilityG: Joi.object({ default: grams(1000), yeast: grams(100) }),
  yeastConversion: Joi.object({ fresh: share(), 'active-dry': share(), instant: share() }),
  derating: Joi.array()
    .items(
      Joi.object({
        hydrationPercent: percent(150).required(),
        share: Joi.number().greater(0).max(1).required(),
      }),
    )
    .max(10)
    .unique('hydrationPercent'),
  pourBy: Joi.valid('base-sum', 'friction', 'heat-balance', 'learned'),
  baseSumC: Joi.number().min(20).max(120),
  usualTempsC: Joi.object({
    room: tempC().required(),
    flour: tempC().required(),
    tap: tempC().required(),
    preferment: tempC().required(),
  }),
  ballTolerancePercent: Joi.number().min(0.1).max(30),
};

/** PUT settings: each that is there, whole. */
export const settingsChangeSchema = Joi.object<SettingsChange>({
  version: version(),
  ...SETTINGS,
}).or(...Object.keys(SETTINGS));

/** POST a mixer. */
export const mixerSchema = Joi.object<MixerContent>({
  name: visibleText(120),
  kind: Joi.valid(...MIXER_KINDS).required(),
  minDoughKg: Joi.number().min(0).max(1000).required(),
  maxDoughKg: Joi.number()
    .greater(0)
    .max(1000)
    .min(Joi.ref('minDoughKg'))
    .required()
    .messages({ 'number.min': 'A mixer takes no less at most than at least.' }),
  frictionC: Joi.number().min(0).max(60).required(),
  outOfOrder: Joi.object({
    from: instant().required(),
    until: instant().required(),
  })
    .required()
    .allow(null)
    .custom((value: { from: string; until: string } | null, helpers) =>
      value !== null && Date.parse(value.until) <= Date.parse(value.from)
        ? helpers.error('interval.order')
        : value,
    )
    .messages({ 'interval.order': 'It is out of order until a time after it began to be.' }),
});

/** POST a house. */
export const houseStartSchema = Joi.object<HouseStart>({
  name: houseName(),
  timeZone: timeZone().required(),
  currency: currency().required(),
  display: displayPreferencesSchema.required(),
  coldLimitC: coldLimitC().required(),
  starter: Joi.valid(...STARTER_SETS, null).required(),
});

/** PUT the wish to erase a house. */
export const erasureSchema = Joi.object<Erasure>({ name: text(120).required() });

/** POST the first house of a server. */
export const firstHouseSchema = Joi.object<FirstHouseStart>({
  house: houseStartSchema.required(),
  owner: ownerSchema.required(),
});
