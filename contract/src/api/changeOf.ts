import type { RecordChange } from './recordChange';
import Joi from 'joi';
import type { ObjectSchema } from 'joi';
import { version } from './fields';

/** PUT a record: its whole content, and the version it was made from. */
export const changeOf = <Content>(content: ObjectSchema<Content>) =>
  Joi.object<RecordChange<Content>>({ version: version(), content: content.required() });
