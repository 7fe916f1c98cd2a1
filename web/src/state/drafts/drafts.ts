import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

const STORAGE_KEY = 'calm-tray.drafts';

/** What was typed and is not yet acknowledged by the house, by field. Survives a reload. */
export type DraftsState = Readonly<Record<string, unknown>>;

function stored(): DraftsState {
  try {
    return JSON.parse(localStorage.getItem(STORAGE_KEY) ?? '{}') as DraftsState;
  } catch {
    return {};
  }
}

export const draftsSlice = createSlice({
  name: 'drafts',
  initialState: stored,
  reducers: {
    drafted: (state, { payload }: PayloadAction<{ key: string; value: unknown }>) => ({
      ...state,
      [payload.key]: payload.value,
    }),
    acknowledged: (state, { payload: key }: PayloadAction<string>) => {
      const { [key]: _gone, ...rest } = state;
      return rest;
    },
  },
});

export const { drafted, acknowledged } = draftsSlice.actions;

/** Keeps the drafts on this device. */
export function storeDrafts(drafts: DraftsState): void {
  try {
    localStorage.setItem(STORAGE_KEY, JSON.stringify(drafts));
  } catch {
    // A device without storage works on; it only forgets unsaved typing on reload.
  }
}
