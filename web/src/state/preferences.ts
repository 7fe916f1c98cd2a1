import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { deviceStorage, isObject, isOneOf } from './storage';

const THEMES = ['system', 'light', 'dark'] as const;

/** How this device shows things; how somebody reads goes with them (`display`). */
export interface Preferences {
  /** `system` follows the device. */
  readonly theme: (typeof THEMES)[number];
  readonly isSpineNarrow: boolean;
  /** Whether single keys do something. */
  readonly areKeysOn: boolean;
  /** Keys in place of the standard ones, by shortcut. */
  readonly keys: Readonly<Record<string, string>>;
}

const standard: Preferences = {
  theme: 'system',
  isSpineNarrow: false,
  areKeysOn: true,
  keys: {},
};

const onlyTexts = (all: Readonly<Record<string, unknown>>): Record<string, string> =>
  Object.fromEntries(
    Object.entries(all).filter((each): each is [string, string] => typeof each[1] === 'string'),
  );

/** A preference that is no longer offered goes back to the standard, and only that one. */
const storage = deviceStorage<Preferences>('calm-tray.preferences', standard, (stored) => {
  if (!isObject(stored)) return null;
  const { theme, isSpineNarrow, areKeysOn, keys } = stored;
  return {
    theme: isOneOf(THEMES, theme) ? theme : standard.theme,
    isSpineNarrow: typeof isSpineNarrow === 'boolean' ? isSpineNarrow : standard.isSpineNarrow,
    areKeysOn: typeof areKeysOn === 'boolean' ? areKeysOn : standard.areKeysOn,
    keys: isObject(keys) ? onlyTexts(keys) : standard.keys,
  };
});

export const preferencesSlice = createSlice({
  name: 'preferences',
  initialState: storage.read,
  reducers: {
    preferred: (state, { payload }: PayloadAction<Partial<Preferences>>) => ({
      ...state,
      ...payload,
    }),
  },
});

export const { preferred } = preferencesSlice.actions;

/** Keeps the preferences on this device. */
export const storePreferences = (preferences: Preferences): void => storage.write(preferences);
