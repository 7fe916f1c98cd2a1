import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { deviceStorage, isObject, isOneOf } from './storage';

const THEMES = ['system', 'light', 'dark'] as const;
const UNITS = ['metric', 'us'] as const;
const DECIMALS = ['point', 'comma'] as const;

/** How this device shows things. */
export interface Preferences {
  /** `system` follows the device. */
  readonly theme: (typeof THEMES)[number];
  readonly isSpineNarrow: boolean;
  readonly units: (typeof UNITS)[number];
  readonly decimal: (typeof DECIMALS)[number];
}

const standard: Preferences = {
  theme: 'system',
  isSpineNarrow: false,
  units: 'metric',
  decimal: 'point',
};

/** A preference that is no longer offered goes back to the standard, and only that one. */
const storage = deviceStorage<Preferences>('calm-tray.preferences', standard, (stored) => {
  if (!isObject(stored)) return null;
  const { theme, isSpineNarrow, units, decimal } = stored;
  return {
    theme: isOneOf(THEMES, theme) ? theme : standard.theme,
    isSpineNarrow: typeof isSpineNarrow === 'boolean' ? isSpineNarrow : standard.isSpineNarrow,
    units: isOneOf(UNITS, units) ? units : standard.units,
    decimal: isOneOf(DECIMALS, decimal) ? decimal : standard.decimal,
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
