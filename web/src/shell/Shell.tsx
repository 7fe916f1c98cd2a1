import { lazy, useEffect, useState, Suspense } from 'react';
import { useTranslation } from 'react-i18next';
import { Outlet, useLocation, useNavigate, useSearchParams } from 'react-router';
import { Failed } from '../parts/messages/Failed';
import { NoticesProvider } from '../parts/messages/Notices';
import { WaitingPage } from '../parts/layout/WaitingPage';
import { useBookQuery } from '../state/api/api';
import { clockSpeed, nowMs as readNow } from '../state/time/clock';
import { moved, released, ticked } from '../state/time/cursor';
import { useAppDispatch, useAppSelector } from '../state/store';
import { useHouse } from '../state/board/useBoard';
import { rememberHouse } from '../state/lastHouse';
import { useLive } from '../state/live/useLive';
import { HouseFormats, useDisplayOfPerson } from './Display';
import { ColdAlarms } from './rail/ColdAlarms';
import { NotNowBanner } from './rail/NotNowBanner';
import { HouseEndBar } from './rail/HouseEndBar';
import { NewVersionBar } from './rail/NewVersionBar';
import { OutboxBar } from './rail/OutboxBar';
import styles from './Shell.module.css';
import { Spine } from './spine/Spine';
import { TimeRail } from './rail/TimeRail';
import { Timers } from './rail/Timers';
import { HelpContext } from '../parts/layout/HelpContext';
import { useHelp } from './help/useHelp';
import { useFocusKept } from './useFocusKept';
import { useKeys } from './useKeys';

const KeysDialog = lazy(async () => ({ default: (await import('./KeysDialog')).KeysDialog }));
const SearchDialog = lazy(async () => ({
  default: (await import('./search/SearchDialog')).SearchDialog,
}));
const Help = lazy(async () => ({ default: (await import('./help/Help')).Help }));
const PreferencesDialog = lazy(async () => ({
  default: (await import('./PreferencesDialog')).PreferencesDialog,
}));

/** The clock is looked at this often, ms. */
const TICK_MS = 15_000;

/** Spine, time rail and the page between them. */
export function Shell() {
  const house = useHouse();
  const { data: book, error, refetch } = useBookQuery(house);
  const [open, setOpen] = useState<'keys' | 'reading' | 'search' | null>(null);
  const close = () => setOpen(null);
  useTicking();
  useLive(house);
  useCursorInAddress();
  useDisplayOfPerson();
  useFocusKept();
  const { manualPage, askForHelp, closeHelp } = useHelp();
  const isOpen = book !== undefined;
  useEffect(() => {
    if (isOpen) rememberHouse(house);
  }, [isOpen, house]);

  return (
    <HouseFormats>
      <NoticesProvider>
        <Keys onHelp={() => setOpen('keys')} onSearch={() => setOpen('search')} />
        <SkipLink />
        <div className={styles['shell']}>
          <Spine
            houseName={book?.house.name ?? ''}
            onKeys={() => setOpen('keys')}
            onReading={() => setOpen('reading')}
            onSearch={() => setOpen('search')}
          />
          <TimeRail />
          <main id="content" className={styles['page']} tabIndex={-1}>
            <OutboxBar />
            <NewVersionBar />
            {book && <HouseEndBar house={book.house} />}
            <Timers />
            <ColdAlarms />
            <NotNowBanner />
            {error && !book ? (
              <Failed error={error} onRetry={() => void refetch()} />
            ) : (
              <Suspense fallback={<WaitingPage />}>
                <HelpContext value={askForHelp}>
                  <Outlet />
                </HelpContext>
              </Suspense>
            )}
          </main>
          {manualPage !== null && (
            <Suspense>
              <Help page={manualPage} onClose={closeHelp} />
            </Suspense>
          )}
        </div>
        <Suspense>
          {open === 'keys' && <KeysDialog onClose={close} />}
          {open === 'search' && <SearchDialog onClose={close} />}
          {open === 'reading' && <PreferencesDialog onClose={close} />}
        </Suspense>
      </NoticesProvider>
    </HouseFormats>
  );
}

/** The first stop of the keyboard: past the menu and the time rail. */
function SkipLink() {
  const { t } = useTranslation();
  return (
    <a
      className={styles['skip']}
      href="#content"
      onClick={(event) => {
        event.preventDefault();
        document.querySelector('main')?.focus();
      }}
    >
      {t('shell.skip')}
    </a>
  );
}

/** Listens for keys; a piece of its own so that it stands inside the notices it uses. */
function Keys({
  onHelp,
  onSearch,
}: {
  readonly onHelp: () => void;
  readonly onSearch: () => void;
}) {
  useKeys(onHelp, onSearch);
  return null;
}

function useTicking() {
  const dispatch = useAppDispatch();
  useEffect(() => {
    // A clock for practice goes faster: so does the page.
    const everyMs = Math.max(500, TICK_MS / Math.max(1, clockSpeed()));
    const timer = setInterval(() => dispatch(ticked(readNow())), everyMs);
    return () => clearInterval(timer);
  }, [dispatch]);
}

/** Deep links: the cursor is in the address as `at`, and is read from it at the start. */
function useCursorInAddress() {
  const dispatch = useAppDispatch();
  const atMs = useAppSelector((state) => state.cursor.atMs);
  const [params] = useSearchParams();
  const { pathname } = useLocation();
  const navigate = useNavigate();
  const inAddress = params.get('at');
  const [atFirst] = useState(inAddress);

  useEffect(() => {
    const ms = Date.parse(atFirst ?? '');
    if (Number.isNaN(ms)) return;
    dispatch(moved(ms));
    dispatch(released());
  }, [dispatch, atFirst]);

  useEffect(() => {
    const wanted = atMs === null ? null : new Date(atMs).toISOString();
    if (wanted === inAddress) return;
    const timer = setTimeout(() => {
      const search = new URLSearchParams(params);
      if (wanted) search.set('at', wanted);
      else search.delete('at');
      void navigate({ pathname, search: search.toString() }, { replace: true });
    }, 250);
    return () => clearTimeout(timer);
  }, [atMs, inAddress, params, navigate, pathname]);
}
