import {
  DISPLAY_CHOICES,
  STANDARD_DISPLAY,
  type DisplayPreferences,
  type Language,
} from '@calm/contract';

import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { deviceStorage, isObject, isOneOf } from './storage';

/** How the device reads before anybody has said: by the first of its own languages that there are words for. */
function displayOfDevice(languages: readonly string[]): DisplayPreferences {
  const known = languages.flatMap((tag): Language[] => {
    if (isOneOf(DISPLAY_CHOICES.language, tag)) return [tag];
    const [language] = tag.split('-');
    return isOneOf(DISPLAY_CHOICES.language, language) ? [language] : [];
  });
  return { ...STANDARD_DISPLAY, language: known[0] ?? STANDARD_DISPLAY.language };
}

/** How an earlier version had the device read, before this was kept with people; null when it said nothing. */
export function earlierDisplay(): Partial<DisplayPreferences> | null {
  const { units, decimal } = earlier.read();
  const isUs = units === 'us';
  const mark = isOneOf(DISPLAY_CHOICES.decimal, decimal) && decimal !== 'point' ? decimal : null;
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
  // What is no longer offered goes back to the standard, and only that.
  const kept = Object.entries(DISPLAY_CHOICES).filter(([key, values]) =>
    isOneOf<string>(values, stored[key]),
  );
  return {
    ...STANDARD_DISPLAY,
    ...Object.fromEntries(kept.map(([key]) => [key, stored[key]])),
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
