import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { deviceStorage, isObject } from '../storage';

/** What was typed and is not yet acknowledged by the house, by field. Survives a reload. */
export type DraftsState = Readonly<Record<string, unknown>>;

/** Fields check their own drafts as they check what is typed: here any object will do. */
const storage = deviceStorage<DraftsState>('calm-tray.drafts', {}, (stored) =>
  isObject(stored) ? stored : null,
);

export const draftsSlice = createSlice({
  name: 'drafts',
  initialState: storage.read,
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
export const storeDrafts = (drafts: DraftsState): void => storage.write(drafts);
