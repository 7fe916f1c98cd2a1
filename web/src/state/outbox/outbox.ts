import type {
  ColdNoteStart,
  HandoverStart,
  PracticeStart,
  LoadChange,
  MarkChange,
  Problem,
  RecordStart,
} from '@calm/contract';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { isObject, isOneOf } from '../storage';

/** What was done here, as the house is to be told. */
export type OutboxCommand =
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
  | { readonly kind: 'practice'; readonly start: PracticeStart }
  | { readonly kind: 'cold'; readonly start: ColdNoteStart };

/** A command on its way to the house. */
export interface OutboxItem {
  /** Also the key under which the house does it once, however often it is sent. */
  readonly id: string;
  readonly house: string;
  /** Who did it; only they send it. */
  readonly personId: string;
  /** The signing in during which it was done; in a later one they are asked before it is sent. */
  readonly sessionId: string;
  /** When, ISO 8601, by the house's clock. */
  readonly at: string;
  /** What it was, in words, for whoever looks at what waits. */
  readonly words: string;
  readonly command: OutboxCommand;
  /** Why the house would not have it; null while it is on its way. */
  readonly refusal: Problem | null;
}

/** What was done on this device and is not in the house yet, oldest first. Survives a reload. */
export interface OutboxState {
  readonly items: readonly OutboxItem[];
  /** The house could not be reached the last time something was sent. */
  readonly isCutOff: boolean;
  /** Something could not be kept on this device: a reload would lose it. */
  readonly isUnkept: boolean;
}

const KINDS = [
  'mark',
  'load',
  'record',
  'handover',
  'practice',
  'cold',
] as const satisfies readonly OutboxCommand['kind'][];

/** An item as some version of this application wrote it; null when it is none. */
export function parseItem(stored: unknown): OutboxItem | null {
  if (!isObject(stored)) return null;
  const { deed, command = deed, ...item } = stored;
  const isWhole =
    isObject(command) &&
    isOneOf(KINDS, command['kind']) &&
    ['id', 'house', 'personId', 'at', 'words'].every((key) => typeof item[key] === 'string');
  return isWhole
    ? ({ refusal: null, sessionId: '', ...item, command } as unknown as OutboxItem)
    : null;
}

export const outboxSlice = createSlice({
  name: 'outbox',
  initialState: { items: [], isCutOff: false, isUnkept: false } as OutboxState,
  reducers: {
    /** Something was done here. */
    posted: (state, { payload }: PayloadAction<OutboxItem>) => ({
      ...state,
      items: [...state.items, payload],
    }),
    /** The house has it, or somebody let it go. */
    delivered: (state, { payload: id }: PayloadAction<string>) => ({
      ...state,
      isCutOff: false,
      items: state.items.filter((item) => item.id !== id),
    }),
    /** The house would not have it: it stays until somebody has looked at it. */
    refused: (state, { payload }: PayloadAction<{ id: string; refusal: Problem }>) => ({
      ...state,
      isCutOff: false,
      items: state.items.map((item) =>
        item.id === payload.id ? { ...item, refusal: payload.refusal } : item,
      ),
    }),
    /** To be sent anew, over what the house has now. */
    insisted: (state, { payload }: PayloadAction<{ id: string; item: OutboxItem }>) => ({
      ...state,
      items: state.items.map((item) => (item.id === payload.id ? payload.item : item)),
    }),
    /** The house could not be reached. */
    cutOff: (state) => (state.isCutOff ? state : { ...state, isCutOff: true }),
    /** Whoever did them has said, signed in anew, that they are theirs. */
    confirmed: (
      state,
      { payload }: PayloadAction<{ readonly ids: readonly string[]; readonly sessionId: string }>,
    ) => ({
      ...state,
      items: state.items.map((item) =>
        payload.ids.includes(item.id) ? { ...item, sessionId: payload.sessionId } : item,
      ),
    }),
    /** What is kept on this device, as it was read. */
    loaded: (state, { payload: items }: PayloadAction<readonly OutboxItem[]>) => ({
      ...state,
      items,
    }),
    /** The device has no room, or keeps nothing. */
    notKept: (state) => (state.isUnkept ? state : { ...state, isUnkept: true }),
    /** Everything is kept again. */
    allKept: (state) => ({ ...state, isUnkept: false }),
  },
});

export const { posted, delivered, refused, insisted, confirmed, cutOff, loaded, notKept, allKept } =
  outboxSlice.actions;
