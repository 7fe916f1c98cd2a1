import type { PlanContent } from '@calm/contract';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { deviceStorage, isObject } from '../storage';

/** A plan that is being edited, with what it was before: the last steps of it. */
interface PlanDraft {
  readonly past: readonly PlanContent[];
  readonly present: PlanContent;
  readonly future: readonly PlanContent[];
}

/** Drafts by house. */
export type PlanDraftsState = Readonly<Record<string, PlanDraft>>;

/** Steps that can be undone. */
const MOST_UNDO_STEPS = 100;

/** A plan as some version of this application wrote it; null when it is none. */
function parseContent(stored: unknown): PlanContent | null {
  if (!isObject(stored)) return null;
  const { lots, pins, asIfs, assumptions = asIfs } = stored;
  if (![lots, pins, assumptions].every(Array.isArray)) return null;
  const current = (assumptions as readonly unknown[]).map((each) =>
    isObject(each) && each['kind'] === 'way-out'
      ? { kind: 'relaxation', relaxation: each['way'] }
      : each,
  );
  return { lots, pins, assumptions: current } as PlanContent;
}

function parseDraft(stored: unknown): PlanDraft | null {
  if (!isObject(stored) || !Array.isArray(stored['past'])) return null;
  const present = parseContent(stored['present']);
  const past = stored['past'].map(parseContent).filter((content) => content !== null);
  return present && { past, present, future: [] };
}

const storage = deviceStorage<PlanDraftsState>('calm-tray.plan-drafts', {}, (stored) =>
  isObject(stored)
    ? Object.fromEntries(
        Object.entries(stored).flatMap(([house, value]) => {
          const draft = parseDraft(value);
          return draft ? [[house, draft]] : [];
        }),
      )
    : null,
);

interface EditedLots {
  readonly house: string;
  readonly content: PlanContent;
  /** What is edited when there is no draft yet. */
  readonly base: PlanContent;
}

export const planDraftsSlice = createSlice({
  name: 'planDrafts',
  initialState: storage.read,
  reducers: {
    /** A change that can be taken back. */
    edited: (state, { payload: { house, content, base } }: PayloadAction<EditedLots>) => {
      const draft = state[house];
      const before = draft?.present ?? base;
      return {
        ...state,
        [house]: {
          past: [...(draft?.past ?? []), before].slice(-MOST_UNDO_STEPS),
          present: content,
          future: [],
        },
      };
    },
    /** The same change, come out better: the way back stays where it was. */
    improved: (
      state,
      { payload: { house, content } }: PayloadAction<Pick<EditedLots, 'house' | 'content'>>,
    ) => {
      const draft = state[house];
      return draft ? { ...state, [house]: { ...draft, present: content } } : state;
    },
    undone: (state, { payload: house }: PayloadAction<string>) => {
      const draft = state[house];
      const before = draft?.past.at(-1);
      if (!draft || !before) return state;
      const { past, present, future } = draft;
      return {
        ...state,
        [house]: {
          ...draft,
          past: past.slice(0, -1),
          present: before,
          future: [present, ...future],
        },
      };
    },
    redone: (state, { payload: house }: PayloadAction<string>) => {
      const draft = state[house];
      const [next, ...future] = draft?.future ?? [];
      if (!draft || !next) return state;
      return {
        ...state,
        [house]: { ...draft, past: [...draft.past, draft.present], present: next, future },
      };
    },
    /** Published, or let go. */
    dropped: (state, { payload: house }: PayloadAction<string>) => {
      const { [house]: _gone, ...rest } = state;
      return rest;
    },
  },
});

export const { edited, improved, undone, redone, dropped } = planDraftsSlice.actions;

/** Steps back that are kept across a reload. */
const STEPS_STORED = 3;
/** Drafts are written down once a hand has been still this long, ms; and always before the page goes. */
const STILL_MS = 400;

let waiting: PlanDraftsState | null = null;
let timer: ReturnType<typeof setTimeout> | undefined;

/** Keeps the drafts on this device, in a moment. */
export function storePlanDrafts(drafts: PlanDraftsState): void {
  if (waiting === null) window.addEventListener('pagehide', writeDown, { once: true });
  waiting = drafts;
  clearTimeout(timer);
  timer = setTimeout(writeDown, STILL_MS);
}

function writeDown(): void {
  if (waiting === null) return;
  const drafts = waiting;
  waiting = null;
  window.removeEventListener('pagehide', writeDown);
  const short = Object.fromEntries(
    Object.entries(drafts).map(([house, draft]) => [
      house,
      { ...draft, past: draft.past.slice(-STEPS_STORED), future: [] },
    ]),
  );
  storage.write(short);
}
