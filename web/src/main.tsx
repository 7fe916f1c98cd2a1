import '@fontsource-variable/atkinson-hyperlegible-next/index.css';
import '@fontsource-variable/atkinson-hyperlegible-mono/index.css';
import createCache from '@emotion/cache';
import { CacheProvider } from '@emotion/react';
import { paths, type ClockReading } from '@calm/contract';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { BrowserRouter } from 'react-router';
import { App } from './shell/App';
import { Themed } from './shell/theme/Themed';
import './shell/theme/base.css';
import { setClock, setClockFromLastTime } from './state/time/clock';
import { makeStore } from './state/store';
import './words';

/** The page's own nonce, which the Content-Security-Policy asks of every style. */
const nonce = document.querySelector<HTMLMetaElement>('meta[property=csp-nonce]')?.nonce;
const cache = createCache({ key: 'ct', ...(nonce && { nonce }) });

// A page from before an update asks for code that is gone: fetch the page again.
window.addEventListener('vite:preloadError', () => window.location.reload());

// Without a network a tablet keeps its pages, its board, and what is done on it.
if (import.meta.env.PROD && 'serviceWorker' in navigator) {
  void navigator.serviceWorker.register('/offline.js');
}

async function readClock(): Promise<void> {
  try {
    const answer = await fetch(paths.clock());
    setClock((await answer.json()) as ClockReading);
  } catch {
    // Every page will say what is missing.
    setClockFromLastTime();
  }
}

void readClock().then(() => {
  createRoot(document.getElementById('root') as HTMLElement).render(
    <StrictMode>
      <CacheProvider value={cache}>
        <Provider store={makeStore()}>
          <BrowserRouter>
            <Themed>
              <App />
            </Themed>
          </BrowserRouter>
        </Provider>
      </CacheProvider>
    </StrictMode>,
  );
});
