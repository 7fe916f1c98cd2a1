import type {
  ColdNoteStart,
  HandoverStart,
  LoadChange,
  MarkChange,
  Problem,
  RecordStart,
} from '@calm/contract';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** What was done here, as the house is to be told. */
export type Deed =
  | {
      readonly kind: 'mark';
      readonly lotId: string;
      readonly loadNumber: number;
      readonly stepKey: string;
      readonly change: MarkChange;
    }
  | {
      readonly kind: 'load';
      readonly lotId: string;
      readonly number: number;
      readonly change: LoadChange;
    }
  | { readonly kind: 'record'; readonly lotId: string; readonly start: RecordStart }
  | { readonly kind: 'handover'; readonly start: HandoverStart }
  | { readonly kind: 'cold'; readonly start: ColdNoteStart };

/** A deed on its way to the house. */
export interface Errand {
  /** Also the key under which the house does it once, however often it is sent. */
  readonly id: string;
  readonly house: string;
  /** Who did it; only they send it. */
  readonly personId: string;
  /** When, ISO 8601, by the house's clock. */
  readonly at: string;
  /** What it was, in words, for whoever looks at what waits. */
  readonly words: string;
  readonly deed: Deed;
  /** Why the house would not have it; null while it is on its way. */
  readonly refusal: Problem | null;
}

/** What was done on this device and is not in the house yet, oldest first. Survives a reload. */
export interface OutboxState {
  readonly errands: readonly Errand[];
  /** The house could not be reached the last time something was sent. */
  readonly isCutOff: boolean;
}

export const OUTBOX_KEY = 'calm-tray.outbox';

/** The errands that are kept on this device. */
export function storedErrands(): readonly Errand[] {
  try {
    return JSON.parse(localStorage.getItem(OUTBOX_KEY) ?? '[]') as Errand[];
  } catch {
    return [];
  }
}

/** Keeps the errands on this device. */
export function storeErrands({ errands }: OutboxState): void {
  try {
    const kept = JSON.stringify(errands);
    if (kept !== localStorage.getItem(OUTBOX_KEY)) localStorage.setItem(OUTBOX_KEY, kept);
  } catch {
    // A device without storage works on; it only forgets on reload what it could not send.
  }
}

export const outboxSlice = createSlice({
  name: 'outbox',
  initialState: (): OutboxState => ({ errands: storedErrands(), isCutOff: false }),
  reducers: {
    /** Something was done here. */
    posted: (state, { payload }: PayloadAction<Errand>) => ({
      ...state,
      errands: [...state.errands, payload],
    }),
    /** The house has it, or somebody let it go. */
    delivered: (state, { payload: id }: PayloadAction<string>) => ({
      isCutOff: false,
      errands: state.errands.filter((errand) => errand.id !== id),
    }),
    /** The house would not have it: it stays until somebody has looked at it. */
    refused: (state, { payload }: PayloadAction<{ id: string; refusal: Problem }>) => ({
      isCutOff: false,
      errands: state.errands.map((errand) =>
        errand.id === payload.id ? { ...errand, refusal: payload.refusal } : errand,
      ),
    }),
    /** To be sent anew, over what the house has now. */
    insisted: (state, { payload }: PayloadAction<{ id: string; errand: Errand }>) => ({
      ...state,
      errands: state.errands.map((errand) => (errand.id === payload.id ? payload.errand : errand)),
    }),
    /** The house could not be reached. */
    cutOff: (state) => (state.isCutOff ? state : { ...state, isCutOff: true }),
    /** Another page of this device has written. */
    readAnew: (state) => ({ ...state, errands: storedErrands() }),
  },
});

export const { posted, delivered, refused, insisted, cutOff, readAnew } = outboxSlice.actions;
