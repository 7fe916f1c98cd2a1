import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

const STORAGE_KEY = 'calm-tray.preferences';

/** How this device shows things. */
export interface Preferences {
  /** `system` follows the device. */
  readonly theme: 'system' | 'light' | 'dark';
  readonly isSpineNarrow: boolean;
  readonly units: 'metric' | 'us';
  readonly decimal: 'point' | 'comma';
}

const standard: Preferences = {
  theme: 'system',
  isSpineNarrow: false,
  units: 'metric',
  decimal: 'point',
};

function stored(): Preferences {
  try {
    return { ...standard, ...(JSON.parse(localStorage.getItem(STORAGE_KEY) ?? '{}') as object) };
  } catch {
    return standard;
  }
}

export const preferencesSlice = createSlice({
  name: 'preferences',
  initialState: stored,
  reducers: {
    preferred: (state, { payload }: PayloadAction<Partial<Preferences>>) => ({
      ...state,
      ...payload,
    }),
  },
});

export const { preferred } = preferencesSlice.actions;

/** Keeps the preferences on this device. */
export function storePreferences(preferences: Preferences): void {
  try {
    localStorage.setItem(STORAGE_KEY, JSON.stringify(preferences));
  } catch {
    // A device without storage starts with the standard each time.
  }
}
