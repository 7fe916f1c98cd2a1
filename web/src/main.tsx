import '@fontsource-variable/atkinson-hyperlegible-next/index.css';
import '@fontsource-variable/atkinson-hyperlegible-mono/index.css';
import '@fontsource-variable/noto-sans-arabic/wght.css';
import { paths, type ClockReading } from '@calm/contract';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { BrowserRouter } from 'react-router';
import { App } from './shell/App';
import { Themed } from './shell/theme/Themed';
import './shell/theme/base.css';
import { workOffline } from './offline';
import { askOnce } from './state/api/earlyAnswers';
import { setClock, setClockFromLastTime } from './state/time/clock';
import { keepOutbox } from './state/outbox/outboxStorage';
import { makeStore } from './state/store';
import { setLanguage } from './words';

// A page from before an update asks for code that is gone: fetch the page again.
window.addEventListener('vite:preloadError', () => window.location.reload());

if (import.meta.env.PROD && 'serviceWorker' in navigator) void workOffline();

async function readClock(): Promise<void> {
  try {
    const answer = await askOnce(paths.clock());
    setClock((await answer.json()) as ClockReading);
  } catch {
    // Every page will say what is missing.
    setClockFromLastTime();
  }
}

/** The clock of the house and the words of the page; without words nothing could be said at all. */
async function start(): Promise<void> {
  await readClock();
  const store = makeStore();
  await keepOutbox(store);
  await setLanguage(store.getState().display.language);
  createRoot(document.getElementById('root') as HTMLElement).render(
    <StrictMode>
      <Provider store={store}>
        <BrowserRouter>
          <Themed>
            <App />
          </Themed>
        </BrowserRouter>
      </Provider>
    </StrictMode>,
  );
}

void start();
