import Joi from 'joi';
import { id, version, visibleText } from '../api/fields';
import type {
  AlarmCallRules,
  ContactChange,
  PushDeviceStart,
  QuietHours,
  WebhookStart,
} from './alarmCalls';

const minuteOfDay = () => Joi.number().integer().min(0).max(1439).required();

/** Of a house's settings: whom it tells of alarms. */
export const alarmCallsSchema = Joi.object<AlarmCallRules>({
  order: Joi.array().items(id()).unique().max(50).required(),
  nextAfterMin: Joi.number().integer().min(1).max(240).required(),
});

/** PUT where and when one is told. */
export const contactSchema = Joi.object<ContactChange>({
  // Any name of a domain may be one of a network of the house's own.
  email: Joi.string().email({ tlds: false }).max(254).required().allow(null),
  quiet: Joi.object<QuietHours>({
    fromMin: minuteOfDay(),
    untilMin: minuteOfDay().invalid(Joi.ref('fromMin')),
  })
    .required()
    .allow(null),
  isWeekSent: Joi.boolean().required(),
  version: version(),
});

const address = () =>
  Joi.string()
    .uri({ scheme: ['https', 'http'] })
    .max(1000)
    .required();
const key = (most: number) =>
  Joi.string()
    .pattern(/^[\w-]+$/, 'base64url')
    .max(most)
    .required();

/** POST a browser that is to be told. */
export const pushDeviceSchema = Joi.object<PushDeviceStart>({
  name: visibleText(80),
  endpoint: address(),
  p256dh: key(100),
  auth: key(40),
});

/** POST an address for alarms. */
export const webhookSchema = Joi.object<WebhookStart>({ name: visibleText(80), url: address() });
