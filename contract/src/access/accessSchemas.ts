import { SKILLS } from '../engine/vocabulary';
import Joi from 'joi';
import { CALENDAR_CONTENTS, type CalendarLinkStart } from './calendarLink';
import { MACHINE_KINDS, type MachineStart } from './machine';
import { ROLES } from './permissions';
import {
  PASSWORD_LENGTH,
  PIN_LENGTH,
  type OwnerStart,
  type SecretChange,
  type SignIn,
} from './signIn';
import type { CrewContent, ShiftExceptionContent, ShiftPatternContent } from './crew';
import { id, localDate, text, visibleText } from '../api/fields';

const name = () => visibleText(80);
const initials = () => visibleText(4);
const password = () => Joi.string().min(PASSWORD_LENGTH.least).max(PASSWORD_LENGTH.most);

/** POST somebody at the door. */
export const signInSchema = Joi.object<SignIn>({
  personId: id().required(),
  secret: Joi.string().max(PASSWORD_LENGTH.most).required(),
});

/** POST the first account of a house. */
export const ownerSchema = Joi.object<OwnerStart>({
  name: name(),
  initials: initials(),
  password: password().required(),
  code: visibleText(40),
});

/** PUT a new password or PIN; which of the two is by the role, and checked there. */
export const secretSchema = Joi.object<SecretChange>({
  secret: Joi.string().min(PIN_LENGTH.least).max(PASSWORD_LENGTH.most).required(),
  ownSecret: Joi.string().max(PASSWORD_LENGTH.most).required(),
});

/** POST a calendar link. */
export const calendarLinkSchema = Joi.object<CalendarLinkStart>({
  content: Joi.valid(...CALENDAR_CONTENTS).required(),
});

/** POST a machine that is to be let in. */
export const machineSchema = Joi.object<MachineStart>({
  kind: Joi.valid(...MACHINE_KINDS).required(),
  name: name(),
  probeId: Joi.when('kind', {
    is: 'probe',
    then: id().required(),
    otherwise: Joi.valid(null).required(),
  }),
});

/** POST somebody of the crew. */
export const crewSchema = Joi.object<CrewContent>({
  name: name(),
  initials: initials(),
  role: Joi.string()
    .valid(...ROLES)
    .required(),
  skills: Joi.array()
    .items(Joi.string().valid(...SKILLS))
    .unique()
    .required(),
});

const startMin = () => Joi.number().integer().min(0).max(1439).required();
const endMin = () =>
  Joi.number().integer().greater(Joi.ref('startMin')).max(2160).required().messages({
    'number.greater': 'A shift ends after it has begun; past midnight goes on counting.',
  });

/** POST a shift of the week. */
export const shiftPatternSchema = Joi.object<ShiftPatternContent>({
  personId: id().required(),
  weekday: Joi.number().integer().min(1).max(7).required(),
  startMin: startMin(),
  endMin: endMin(),
});

/** POST a day that differs for somebody. */
export const shiftExceptionSchema = Joi.object<ShiftExceptionContent>({
  personId: id().required(),
  date: localDate().required(),
  isAway: Joi.boolean().default(false),
  hours: Joi.object({ startMin: startMin(), endMin: endMin() }).required().allow(null),
  note: text(120).allow('').required(),
});

/** How many lines of who did what, and before which. */
export const auditQuery = Joi.object<{ before?: number }>({
  before: Joi.number().integer().min(1),
});
