import { HOUR_MS } from '@calm/core';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { nowMs } from './clock';

/** Hours that the time rail shows. */
export const RAIL_HOURS = 36;
/** Of these, hours before the cursor when the rail is laid around it. */
const HOURS_BEFORE = 12;
/** The rail is laid again when the cursor comes this near to its end, hours. */
const MARGIN_HOURS = 2;

/** What the person is looking at: a moment, and the stretch of time around it. */
interface CursorState {
  /** Null follows the present. */
  readonly atMs: number | null;
  readonly nowMs: number;
  /** Left end of the time rail. */
  readonly railStartMs: number;
}

const railAround = (atMs: number) => Math.floor(atMs / HOUR_MS) * HOUR_MS - HOURS_BEFORE * HOUR_MS;

const start = (): CursorState => {
  const now = nowMs();
  return { atMs: null, nowMs: now, railStartMs: railAround(now) };
};

/** The time cursor, shared by the rail and every page. */
export const cursorSlice = createSlice({
  name: 'cursor',
  initialState: start,
  reducers: {
    /** Moves the cursor; the rail stays where it is, so that dragging is steady. */
    moved: (state, { payload }: PayloadAction<number>) => {
      state.atMs = payload;
    },
    /** The hand is off: lay the rail around the cursor if it is near an end. */
    released: (state) => {
      const at = state.atMs ?? state.nowMs;
      const into = (at - state.railStartMs) / HOUR_MS;
      if (into < MARGIN_HOURS || into > RAIL_HOURS - MARGIN_HOURS)
        state.railStartMs = railAround(at);
    },
    /** Back to the present. */
    snappedToNow: (state) => {
      state.atMs = null;
      state.railStartMs = railAround(state.nowMs);
    },
    /** The clock has gone on. */
    ticked: (state, { payload }: PayloadAction<number>) => {
      state.nowMs = payload;
      const into = (payload - state.railStartMs) / HOUR_MS;
      if (state.atMs === null && into > RAIL_HOURS / 2) state.railStartMs = railAround(payload);
    },
  },
});

export const { moved, released, snappedToNow, ticked } = cursorSlice.actions;
