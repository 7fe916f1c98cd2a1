import { CAUSES } from '../engine/vocabulary';
import Joi from 'joi';
import {
  READINGS_A_REQUEST,
  type AlarmAcknowledgement,
  type ColdNoteContent,
  type ColdNoteStart,
  type ColdRules,
  type ProbeContent,
  type ProbeReadings,
  type ReadingColumns,
  type ReadingsStart,
} from './probe';
import { id, instant, localDate, tempC, text, version, visibleText } from '../api/fields';
import { MOST_DAYS } from '../api/params';

/** Minutes of a day. */
const minute = () => Joi.number().integer().min(0).max(1439);

/** Where trays stand. */
export const spotSchema = Joi.object({
  placeId: id().required(),
  zone: visibleText(40),
  position: Joi.number().integer().min(1).max(10_000).required(),
});

/** A probe that is added or changed. */
export const probeSchema = Joi.object<ProbeContent>({
  name: visibleText(80),
  placeId: id().required(),
  zone: visibleText(40),
  calibrations: Joi.array()
    .items(
      Joi.object({
        from: instant().required(),
        offsetC: Joi.number().min(-10).max(10).required(),
      }),
    )
    .max(200)
    .required(),
});

/** How a house looks after its cold. */
export const coldRulesSchema = Joi.object<ColdRules>({
  limitC: Joi.number().min(-5).max(20).required(),
  overMin: Joi.number().integer().min(0).max(1440).required(),
  silentMin: Joi.number().integer().min(1).max(1440).required(),
  quietFromMin: minute().required(),
  quietUntilMin: minute().required(),
  roundMins: Joi.array().items(minute()).max(24).unique().required(),
});

/** How loggers' files were read last time. */
export const readingColumnsSchema = Joi.object<ReadingColumns>({
  time: text(200).required(),
  temp: text(200).required(),
  probe: text(200),
  unit: Joi.valid('C', 'F').required(),
  dateOrder: Joi.valid('year-first', 'day-first', 'month-first').required(),
  clock: Joi.valid('house', 'utc').required(),
  probes: Joi.object().pattern(text(200), id().allow(null)).max(200).required(),
});

/** Seconds of this century. */
const second = () => Joi.number().integer().min(946_684_800).max(4_102_444_800);

/** POST readings: as many temperatures as moments, not more in all than one post may bring. */
export const readingsStartSchema = Joi.object<ReadingsStart>({
  probes: Joi.array()
    .items(
      Joi.object<ProbeReadings>({
        probe: visibleText(80),
        atS: Joi.array().items(second()).min(1).max(READINGS_A_REQUEST).required(),
        airC: Joi.array().items(Joi.number().min(-60).max(80)).required(),
      }).custom((value: ProbeReadings, helpers) =>
        value.atS.length === value.airC.length ? value : helpers.error('any.invalid'),
      ),
    )
    .min(1)
    .max(200)
    .required(),
}).custom((value: ReadingsStart, helpers) =>
  value.probes.reduce((sum, { atS }) => sum + atS.length, 0) <= READINGS_A_REQUEST
    ? value
    : helpers.error('any.invalid'),
);

/** PUT that somebody is on an alarm. */
export const acknowledgementSchema = Joi.object<AlarmAcknowledgement>({
  version: version(),
  cause: Joi.valid(...CAUSES)
    .allow(null)
    .required(),
  note: text(500).allow('').required(),
});

const noteContent = Joi.alternatives<ColdNoteContent>(
  Joi.object({
    kind: Joi.valid('round').required(),
    placeId: id().required(),
    zone: visibleText(40),
    airC: tempC().required(),
  }),
  Joi.object({
    kind: Joi.valid('action').required(),
    placeId: id().required(),
    note: visibleText(500),
  }),
);

/** POST a note of the cold. */
export const coldNoteStartSchema = Joi.object<ColdNoteStart>({
  id: id().required(),
  at: instant(),
  content: noteContent.required(),
});

/** One local day. */
export const dayQuery = Joi.object<{ date: string }>({ date: localDate().required() });

/** Some days of the cold's record. */
export const recordQuery = Joi.object<{ from: string; days: number }>({
  from: localDate().required(),
  days: Joi.number().integer().min(1).max(MOST_DAYS).required(),
});
