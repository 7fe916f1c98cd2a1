import type {
  LoadChange,
  LoadTemps,
  LotStart,
  NoteChange,
  LossChange,
  WithdrawChange,
} from './lot';
import Joi from 'joi';
import { ballCount, id, localDate, tempC, text, version } from '../api/fields';

const temps = {
  roomTempC: tempC().required(),
  flourTempC: tempC().required(),
  tapTempC: tempC().min(0).required(),
  prefermentTempC: tempC().required().allow(null),
};

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
