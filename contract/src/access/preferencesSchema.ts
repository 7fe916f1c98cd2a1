import Joi from 'joi';
import { DISPLAY_CHOICES, type DisplayPreferences } from './preferences';

/** PUT how somebody reads. */
export const displayPreferencesSchema = Joi.object<DisplayPreferences>(
  Object.fromEntries(
    Object.entries(DISPLAY_CHOICES).map(([key, values]) => [key, Joi.valid(...values).required()]),
  ),
);
