import { configureStore } from '@reduxjs/toolkit';
import { setupListeners } from '@reduxjs/toolkit/query';
import { useDispatch, useSelector } from 'react-redux';
import { api } from './api/api';
import { connectionSlice } from './live/connection';
import { displaySlice, storeDisplay } from './display';
import { cursorSlice } from './time/cursor';
import { draftsSlice, storeDrafts } from './drafts/drafts';
import { outboxSlice } from './outbox/outbox';
import { planDraftsSlice, storePlanDrafts } from './drafts/planDraft';
import { preferencesSlice, storePreferences } from './preferences';

/** Makes the store. Called once the clock is set. */
export function makeStore() {
  const store = configureStore({
    reducer: {
      [api.reducerPath]: api.reducer,
      connection: connectionSlice.reducer,
      cursor: cursorSlice.reducer,
      display: displaySlice.reducer,
      drafts: draftsSlice.reducer,
      outbox: outboxSlice.reducer,
      planDrafts: planDraftsSlice.reducer,
      preferences: preferencesSlice.reducer,
    },
    middleware: (standard) => standard().concat(api.middleware),
    // Answers are shown in the same turn: waiting for the next frame adds up over those that follow each other.
    enhancers: (standard) => standard({ autoBatch: { type: 'tick' } }),
  });
  setupListeners(store.dispatch);
  let { display, drafts, planDrafts, preferences } = store.getState();
  store.subscribe(() => {
    const state = store.getState();
    if (state.display !== display) storeDisplay((display = state.display));
    if (state.drafts !== drafts) storeDrafts((drafts = state.drafts));
    if (state.planDrafts !== planDrafts) storePlanDrafts((planDrafts = state.planDrafts));
    if (state.preferences !== preferences) storePreferences((preferences = state.preferences));
  });
  return store;
}

export type Store = ReturnType<typeof makeStore>;
export type RootState = ReturnType<Store['getState']>;
export const useAppDispatch = useDispatch.withTypes<Store['dispatch']>();
export const useAppSelector = useSelector.withTypes<RootState>();
