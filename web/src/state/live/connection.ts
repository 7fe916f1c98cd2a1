import { createSlice } from '@reduxjs/toolkit';

/** Whether the house is heard on its live line. Nothing of it is kept over a reload. */
export const connectionSlice = createSlice({
  name: 'connection',
  initialState: { isLost: false, isOutdated: false },
  reducers: {
    /** Nothing was heard for too long, or the device has no network. */
    connectionLost: (state) => {
      state.isLost = true;
    },
    /** The house was heard. */
    connectionFound: (state) => {
      state.isLost = false;
    },
    /** The house serves a newer version of this page. */
    versionFound: (state) => {
      state.isOutdated = true;
    },
  },
});

export const { connectionLost, connectionFound, versionFound } = connectionSlice.actions;
