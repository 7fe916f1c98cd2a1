import Joi from 'joi';
import { HANDOVER_PARTS, type HandoverStart } from './handover';
import type { LogQuery } from './log';
import type { MarkChange } from './lot';
import {
  BAKINGS,
  CHECKS,
  LARGEST_PHOTO,
  LEFTOVERS,
  LOOKS,
  NOT_YET,
  PREFERMENT_LOOKS,
  OPENINGS,
  RISE_MARKS,
  type DecidedStage,
  type PhotoStart,
  type RecordContent,
  type RecordKind,
  type RecordStart,
} from './record';
import { spotSchema } from '../cold/coldSchemas';
import { ACTIONS, AIR_LIMITS_C, CONTAINERS, YEAST_PROOFS } from '../engine/vocabulary';
import {
  ballCount,
  id,
  localDate,
  instant,
  massG,
  pieceG,
  tempC,
  text,
  version,
  visibleText,
} from '../api/fields';

/** When something was so, as a device says. */
const at = () => instant();
/** None takes a record back. */
const trays = () => Joi.number().integer().min(0).max(1000).required();
const note = () => text(500).allow('').required();
/** A height or a width in any one measure. */
const length = () => Joi.number().greater(0).max(10_000).required();
const found = <Name extends string>(names: readonly Name[]) => Joi.valid(...names).required();

/** PUT a mark. */
export const markChangeSchema = Joi.object<MarkChange>({
  version: version(),
  at: at(),
  isStarted: Joi.boolean(),
  isDone: Joi.boolean(),
  skippedWhy: visibleText(200).optional(),
  extraMin: Joi.number().integer().min(0).max(600),
  personId: id().allow(null),
})
  .or('isStarted', 'isDone', 'skippedWhy', 'extraMin', 'personId')
  .nand('isDone', 'skippedWhy');

const decidedStage = Joi.object<DecidedStage>({
  kind: Joi.valid('bulk', 'ball').required(),
  place: visibleText(80),
  airTempC: Joi.number().min(AIR_LIMITS_C.least).max(AIR_LIMITS_C.most).required(),
  container: Joi.valid(...CONTAINERS).required(),
  isBalledAgain: Joi.boolean().required(),
  untilAt: instant().required(),
});

/** What each kind of record says; a photo's record is written with the photo. */
const FIELDS: Readonly<Record<Exclude<RecordKind, 'photo' | 'checked'>, Joi.PartialSchemaMap>> = {
  weighed: {
    loadNumber: Joi.number().integer().min(0).max(200).required(),
    key: text(80).required(),
    step: text(80),
    grams: massG().allow(0).required(),
    wantedG: massG().allow(0).required(),
  },
  piece: { productId: id().required(), grams: pieceG().required() },
  pulled: {
    productId: id().required(),
    serviceId: text(160).required(),
    trays: trays(),
    balls: ballCount().required(),
  },
  looked: {
    found: found(LOOKS),
    coreTempC: tempC().allow(null).required(),
    note: note(),
  },
  risen: { on: found(RISE_MARKS), from: length(), now: length(), note: note() },
  core: { coreTempC: tempC().required(), note: note() },
  'not-yet': {
    loadNumber: Joi.number().integer().min(0).max(200).required(),
    stepKey: text(80).required(),
    next: found(NOT_YET),
    note: note(),
  },
  preferment: {
    found: found(PREFERMENT_LOOKS),
    tempC: tempC().allow(null).required(),
    note: note(),
  },
  yeast: {
    openedOn: localDate().allow(null).required(),
    proof: found(YEAST_PROOFS).allow(null).required(),
    note: note(),
  },
  decided: {
    do: Joi.valid(...ACTIONS).required(),
    where: visibleText(80).allow(null),
    fromAt: instant().required(),
    of: Joi.valid('cold'),
    stages: Joi.array().items(decidedStage).max(24).required(),
    meant: Joi.object({
      opensAt: instant().required().allow(null),
      endsAt: instant().required().allow(null),
      balls: Joi.number().min(0).max(100_000).required(),
      odds: Joi.number().min(0).max(1).required(),
    }).required(),
    note: note(),
  },
  opened: { found: found(OPENINGS), note: note() },
  baked: {
    found: found(BAKINGS),
    ovenC: Joi.number().min(80).max(700),
    minutes: Joi.number().greater(0).max(180),
    note: note(),
  },
  used: {
    productId: id().required(),
    used: ballCount().required(),
    left: ballCount().required(),
    leftTo: found(LEFTOVERS),
    note: note(),
  },
  moved: {
    productId: id().required(),
    from: spotSchema.allow(null).required(),
    to: spotSchema.allow(null).required(),
    trays: trays(),
    balls: ballCount().required(),
  },
  discarded: {
    productId: id().required(),
    from: spotSchema.allow(null).required(),
    trays: trays(),
    balls: ballCount().required(),
    note: note(),
  },
  first: { isFirst: Joi.boolean().required(), note: note() },
  said: { note: visibleText(500) },
  'taken-back': {},
};
const content = Joi.alternatives<RecordContent>(
  ...Object.entries(FIELDS).map(([kind, fields]) =>
    Joi.object({ kind: Joi.valid(kind).required(), ...fields }),
  ),
  ...Object.entries(CHECKS).map(([name, answers]) =>
    Joi.object({
      kind: Joi.valid('checked').required(),
      check: Joi.valid(name).required(),
      answer: Joi.valid(...answers).required(),
      note: note(),
    }),
  ),
);

/** POST something seen or measured of a lot. */
export const recordStartSchema = Joi.object<RecordStart>({
  id: id().required(),
  at: at(),
  correctsId: id(),
  content: content.required(),
});

/** POST a photo of a lot. */
export const photoStartSchema = Joi.object<PhotoStart>({
  id: id().required(),
  at: at(),
  note: note(),
  jpeg: Joi.string()
    .base64()
    .max(Math.ceil((LARGEST_PHOTO * 4) / 3) + 4)
    .required(),
});

/** POST a shift's word to the next. */
export const handoverStartSchema = Joi.object<HandoverStart>({
  at: at(),
  lines: Joi.array()
    .items(Joi.object({ part: found(HANDOVER_PARTS), text: text(300).required() }))
    .max(200)
    .required(),
  note: text(1000).allow('').required(),
});

/** What is looked for in the log. */
export const logQuery = Joi.object<LogQuery>({
  from: localDate(),
  to: localDate(),
  formulaId: id(),
  text: text(80),
  found: Joi.valid(...OPENINGS, ...BAKINGS),
  after: id(),
});
