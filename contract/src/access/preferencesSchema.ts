import Joi from 'joi';
import {
  CLOCKS,
  DECIMAL_MARKS,
  LANGUAGES,
  MASS_UNITS,
  TEMP_UNITS,
  type DisplayPreferences,
} from './preferences';

const oneOf = (values: readonly string[]) =>
  Joi.string()
    .valid(...values)
    .required();

/** PUT how somebody reads. */
export const displayPreferencesSchema = Joi.object<DisplayPreferences>({
  language: oneOf(LANGUAGES),
  mass: oneOf(MASS_UNITS),
  temp: oneOf(TEMP_UNITS),
  clock: oneOf(CLOCKS),
  decimal: oneOf(DECIMAL_MARKS),
});
