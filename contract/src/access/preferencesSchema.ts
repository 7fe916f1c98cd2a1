import Joi from 'joi';
import { DISPLAY_CHOICES, STANDARD_DISPLAY, type DisplayPreferences } from './preferences';

/** PUT how somebody reads. */
export const displayPreferencesSchema = Joi.object<DisplayPreferences>(
  Object.fromEntries(
    Object.entries(DISPLAY_CHOICES).map(([key, values]) => [
      key,
      // Who wrote to an earlier version did not know of weeks.
      key === 'week'
        ? Joi.valid(...values).default(STANDARD_DISPLAY.week)
        : Joi.valid(...values).required(),
    ]),
  ),
);
