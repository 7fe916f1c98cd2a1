import {
  CLOCKS,
  DECIMAL_MARKS,
  LANGUAGES,
  MASS_UNITS,
  STANDARD_DISPLAY,
  TEMP_UNITS,
  type DisplayPreferences,
  type Language,
} from '@calm/contract';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { deviceStorage, isObject, isOneOf } from './storage';

/** How the device reads before anybody has said: by the first of its own languages that there are words for. */
function displayOfDevice(languages: readonly string[]): DisplayPreferences {
  const known = languages.flatMap((tag): Language[] => {
    if (isOneOf(LANGUAGES, tag)) return [tag];
    const [language] = tag.split('-');
    return isOneOf(LANGUAGES, language) ? [language] : [];
  });
  return { ...STANDARD_DISPLAY, language: known[0] ?? STANDARD_DISPLAY.language };
}

/** How an earlier version had the device read, before this was kept with people; null when it said nothing. */
export function earlierDisplay(): Partial<DisplayPreferences> | null {
  const { units, decimal } = earlier.read();
  const isUs = units === 'us';
  const mark = isOneOf(DECIMAL_MARKS, decimal) && decimal !== 'point' ? decimal : null;
  if (!isUs && mark === null) return null;
  return {
    ...(isUs && { mass: 'us', temp: 'fahrenheit' }),
    ...(mark && { decimal: mark }),
  };
}

const earlier = deviceStorage<Readonly<Record<string, unknown>>>(
  'calm-tray.preferences',
  {},
  (stored) => (isObject(stored) ? stored : null),
);

/**
 * How whoever was here last read, so that the next page starts in their language. What they read by is kept with
 * the person; this is only what the device remembers of it.
 */
const storage = deviceStorage<DisplayPreferences | null>('calm-tray.display', null, (stored) => {
  if (!isObject(stored)) return null;
  const { language, mass, temp, clock, decimal } = stored;
  return {
    language: isOneOf(LANGUAGES, language) ? language : STANDARD_DISPLAY.language,
    mass: isOneOf(MASS_UNITS, mass) ? mass : STANDARD_DISPLAY.mass,
    temp: isOneOf(TEMP_UNITS, temp) ? temp : STANDARD_DISPLAY.temp,
    clock: isOneOf(CLOCKS, clock) ? clock : STANDARD_DISPLAY.clock,
    decimal: isOneOf(DECIMAL_MARKS, decimal) ? decimal : STANDARD_DISPLAY.decimal,
  };
});

/** How the page reads now. */
export const displaySlice = createSlice({
  name: 'display',
  initialState: (): DisplayPreferences =>
    storage.read() ?? {
      ...displayOfDevice(navigator.languages),
      ...earlierDisplay(),
    },
  reducers: {
    displayed: (_state, { payload }: PayloadAction<DisplayPreferences>) => payload,
  },
});

export const { displayed } = displaySlice.actions;

/** Remembers on this device how the page reads. */
export const storeDisplay = (display: DisplayPreferences): void => storage.write(display);

/** Whether somebody has read here before. */
export const hasDisplay = (): boolean => storage.read() !== null;
