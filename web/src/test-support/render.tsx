import { render, renderHook } from '@testing-library/react';
import type { ReactElement, ReactNode } from 'react';
import { Provider } from 'react-redux';
import { MemoryRouter, Route, Routes } from 'react-router';
import { makeFormats, type FormatPreferences } from '@calm/domain';
import { FormatsContext } from '../parts/format/useFormats';
import { NoticesProvider } from '../parts/messages/Notices';
import { reading } from './words';
import { makeStore, type Store } from '../state/store';

interface Around {
  readonly store?: Store;
  readonly preferences?: Partial<FormatPreferences>;
  /** Where the page is; below a house as in the application. */
  readonly at?: string;
}

function wrapperOf({ store = makeStore(), preferences = {}, at = '/yard' }: Around) {
  const formats = makeFormats(reading(preferences));
  return ({ children }: { readonly children: ReactNode }) => (
    <Provider store={store}>
      <FormatsContext.Provider value={formats}>
        <NoticesProvider>
          <MemoryRouter initialEntries={[at]}>
            <Routes>
              <Route path="/:house/*" element={children} />
              <Route path="*" element={children} />
            </Routes>
          </MemoryRouter>
        </NoticesProvider>
      </FormatsContext.Provider>
    </Provider>
  );
}

/** Renders a component with everything that the application puts around it. */
export const renderInApp = (element: ReactElement, around: Around = {}) =>
  render(element, { wrapper: wrapperOf(around) });

/** Runs a hook with everything that the application puts around it. */
export const renderHookInApp = <Result, Props>(
  hook: (props: Props) => Result,
  around: Around = {},
) => renderHook(hook, { wrapper: wrapperOf(around) });
