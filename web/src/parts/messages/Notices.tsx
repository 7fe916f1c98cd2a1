import CloseOutlined from '@mui/icons-material/CloseOutlined';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import SnackbarContent from '@mui/material/SnackbarContent';
import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
  type ReactNode,
} from 'react';
import { useTranslation } from 'react-i18next';
import styles from './Notices.module.css';

/** Takes a change back. Resolves when the house has acknowledged it. */
export type Undo = () => Promise<unknown>;

interface Notices {
  /** Says that something was done, with a way back. A quiet change is not said, only kept for undo. */
  readonly changed: (text: string, undo: Undo, how?: { readonly isQuiet: boolean }) => void;
  /** Says that something was done that has no way back. */
  readonly said: (text: string) => void;
  /** Says that something could not be done. */
  readonly failed: (text: string) => void;
  /** Takes the latest change back that has not been taken back yet. */
  readonly undoLast: () => void;
}

interface Change {
  readonly id: number;
  readonly text: string;
  readonly undo: Undo;
}

interface Notice {
  readonly id: number;
  readonly text: string;
  readonly isFailure?: boolean;
}

const NoticesContext = createContext<Notices>({
  changed: () => undefined,
  said: () => undefined,
  failed: () => undefined,
  undoLast: () => undefined,
});

/** Short notices at the foot of the page, and the stack of what can be undone. */
export const useNotices = (): Notices => useContext(NoticesContext);

const SHOWN_MS = 8000;
/** What could not be done stays longer: somebody has to do something. */
const FAILURE_SHOWN_MS = 20_000;
/** More than these would hide the page; the oldest gives way, its change can still be undone by key. */
const MOST_SHOWN = 3;

/** Holds the notices, each with its own way back, and the undo stack. */
export function NoticesProvider({ children }: { readonly children: ReactNode }) {
  const { t } = useTranslation();
  const [notices, setNotices] = useState<readonly Notice[]>([]);
  const [changes, setChanges] = useState<readonly Change[]>([]);
  const nextId = useRef(0);

  const show = useCallback((notice: Omit<Notice, 'id'>, id = (nextId.current += 1)) => {
    setNotices((before) => {
      // What fails again is not told twice at once.
      const others = before.filter((each) => !each.isFailure || each.text !== notice.text);
      return [...others.slice(1 - MOST_SHOWN), { ...notice, id }];
    });
  }, []);
  const close = useCallback((id: number) => {
    setNotices((before) => before.filter((notice) => notice.id !== id));
  }, []);
  const changed = useCallback(
    (text: string, undo: Undo, how = { isQuiet: false }) => {
      const id = (nextId.current += 1);
      setChanges((before) => [...before, { id, text, undo }]);
      if (!how.isQuiet) show({ text }, id);
    },
    [show],
  );
  const said = useCallback((text: string) => show({ text }), [show]);
  const failed = useCallback((text: string) => show({ text, isFailure: true }), [show]);
  const takeBack = useCallback(
    ({ id, text, undo }: Change) => {
      setChanges((before) => before.filter((change) => change.id !== id));
      close(id);
      undo().then(
        () => show({ text: t('undo.done', { what: text }) }),
        () => show({ text: t('undo.tooLate', { what: text }), isFailure: true }),
      );
    },
    [close, show, t],
  );
  const undoLast = useCallback(() => {
    const last = changes.at(-1);
    if (last) takeBack(last);
    else said(t('undo.nothing'));
  }, [changes, takeBack, said, t]);

  const value = useMemo(
    () => ({ changed, said, failed, undoLast }),
    [changed, said, failed, undoLast],
  );
  return (
    <NoticesContext.Provider value={value}>
      {children}
      <div
        role="log"
        aria-live="polite"
        aria-label={t('shell.notices')}
        className={styles['notices']}
      >
        {notices.map((notice) => {
          const change = changes.find(({ id }) => id === notice.id);
          return (
            <NoticeLine
              key={notice.id}
              notice={notice}
              onClose={close}
              {...(change && { onUndo: () => takeBack(change) })}
            />
          );
        })}
      </div>
    </NoticesContext.Provider>
  );
}

/** One notice; it goes by itself unless somebody is on it. */
function NoticeLine({
  notice: { id, text, isFailure = false },
  onUndo,
  onClose,
}: {
  readonly notice: Notice;
  readonly onUndo?: () => void;
  readonly onClose: (id: number) => void;
}) {
  const { t } = useTranslation();
  const [isHeld, setHeld] = useState(false);
  useEffect(() => {
    if (isHeld) return;
    const timer = setTimeout(() => onClose(id), isFailure ? FAILURE_SHOWN_MS : SHOWN_MS);
    return () => clearTimeout(timer);
  }, [id, isHeld, isFailure, onClose]);
  const hold = { onPointerEnter: () => setHeld(true), onPointerLeave: () => setHeld(false) };
  return (
    <SnackbarContent
      {...hold}
      onFocus={() => setHeld(true)}
      onBlur={() => setHeld(false)}
      role={isFailure ? 'alert' : 'none'}
      message={text}
      action={
        <>
          {onUndo && (
            <Button color="inherit" onClick={onUndo}>
              {t('undo.undo')}
            </Button>
          )}
          <IconButton color="inherit" aria-label={t('shell.close')} onClick={() => onClose(id)}>
            <CloseOutlined fontSize="small" />
          </IconButton>
        </>
      }
    />
  );
}
