import Button from '@mui/material/Button';
import Snackbar from '@mui/material/Snackbar';
import SnackbarContent from '@mui/material/SnackbarContent';
import { createContext, useCallback, useContext, useMemo, useState, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';

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
  readonly text: string;
  readonly undo: Undo;
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

/** Holds the notices and the undo stack. */
export function NoticesProvider({ children }: { readonly children: ReactNode }) {
  const { t } = useTranslation();
  const [notice, setNotice] = useState<{ text: string; canUndo: boolean } | null>(null);
  const [changes, setChanges] = useState<readonly Change[]>([]);

  const changed = useCallback((text: string, undo: Undo, how = { isQuiet: false }) => {
    setChanges((before) => [...before, { text, undo }]);
    if (!how.isQuiet) setNotice({ text, canUndo: true });
  }, []);
  const said = useCallback((text: string) => setNotice({ text, canUndo: false }), []);
  const failed = said;
  const undoLast = useCallback(() => {
    const last = changes.at(-1);
    if (!last) return failed(t('undo.nothing'));
    setChanges((before) => before.slice(0, -1));
    last.undo().then(
      () => setNotice({ text: t('undo.done', { what: last.text }), canUndo: false }),
      () => setNotice({ text: t('undo.tooLate', { what: last.text }), canUndo: false }),
    );
  }, [changes, failed, t]);

  const value = useMemo(
    () => ({ changed, said, failed, undoLast }),
    [changed, said, failed, undoLast],
  );
  return (
    <NoticesContext.Provider value={value}>
      {children}
      <Snackbar
        open={notice !== null}
        autoHideDuration={SHOWN_MS}
        onClose={(_event, reason) => reason !== 'clickaway' && setNotice(null)}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'center' }}
        sx={{ bottom: { xs: 84, sm: 24 } }}
      >
        <SnackbarContent
          message={notice?.text}
          action={
            notice?.canUndo && (
              <Button color="inherit" onClick={undoLast}>
                {t('undo.undo')}
              </Button>
            )
          }
        />
      </Snackbar>
    </NoticesContext.Provider>
  );
}
