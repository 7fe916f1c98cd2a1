import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import type { BookImport, HouseBook } from '@calm/contract';
import type { FileProblem } from '@calm/domain/files';
import { useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { EditOnly } from '../../../parts/fields/editing';
import { useNotices } from '../../../parts/messages/Notices';
import { useRetirement } from '../../../state/api/useRetirement';
import { problemWords } from '../../../parts/messages/problemWords';
import {
  bookChanges,
  imports,
  routeChanges,
  type BookChange,
  type RouteChange,
} from './bookChanges';
import { contentOf, contentOfRoute } from '../formula/contents';
import styles from './BookFiles.module.css';
import { plainMethod } from '../method/plainMethod';
import { useImportBookMutation } from '../recordsApi';

type Imported =
  | { readonly kind: 'bad'; readonly file: string; readonly problems: readonly FileProblem[] }
  | {
      readonly kind: 'fine';
      readonly file: string;
      readonly changes: readonly BookChange[];
      readonly routes: readonly RouteChange[];
    };

/** Reading and writing files comes when somebody does it: the schemas are large. */
const files = () => import('@calm/domain/files');

/** The book out as a file, and a file into the book: shown before it changes anything. */
export function BookFiles({ house, book }: { readonly house: string; readonly book: HouseBook }) {
  const { t } = useTranslation();
  const [imported, setImported] = useState<Imported | null>(null);
  const input = useRef<HTMLInputElement>(null);

  const read = async (file: File) => {
    const [text, { readBookCsv, readBookFile }] = await Promise.all([file.text(), files()]);
    const isTable = /\.(csv|txt|tsv)$/i.test(file.name);
    const answer = isTable ? readBookCsv(text) : readBookFile(text);
    setImported(
      answer.ok
        ? {
            kind: 'fine',
            file: file.name,
            changes: bookChanges(answer.value.formulas, book, plainMethod(t)),
            routes: routeChanges(('routes' in answer.value && answer.value.routes) || [], book),
          }
        : { kind: 'bad', file: file.name, problems: answer.problems },
    );
  };
  const takeOut = (name: string, type: string, text: string) => {
    const address = URL.createObjectURL(new Blob([text], { type }));
    const link = document.createElement('a');
    link.href = address;
    link.download = name;
    link.click();
    URL.revokeObjectURL(address);
  };
  const takeOutJson = async () => {
    const { bookFileOf } = await files();
    const text = JSON.stringify(bookFileOf(book), null, 2);
    takeOut(`${house}-formulas.json`, 'application/json', `${text}\n`);
  };
  const takeOutCsv = async () => {
    const { bookFileOf, writeBookCsv } = await files();
    // Spreadsheets know by the mark in front that the text is UTF-8.
    takeOut(`${house}-formulas.csv`, 'text/csv', `\ufeff${writeBookCsv(bookFileOf(book))}`);
  };
  return (
    <div className={styles['files']}>
      <span className="quiet">{t('formulas.files.title')}</span>
      <Button size="small" variant="outlined" onClick={() => void takeOutJson()}>
        {t('formulas.files.json')}
      </Button>
      <Button size="small" variant="outlined" onClick={() => void takeOutCsv()}>
        {t('formulas.files.csv')}
      </Button>
      <EditOnly>
        <Button size="small" variant="outlined" onClick={() => input.current?.click()}>
          {t('formulas.files.bringIn')}
        </Button>
      </EditOnly>
      <input
        ref={input}
        type="file"
        hidden
        accept=".json,.csv,application/json,text/csv"
        aria-label={t('formulas.files.file')}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) void read(file);
          event.target.value = '';
        }}
      />
      {imported?.kind === 'bad' && (
        <BadFile
          file={imported.file}
          problems={imported.problems}
          onClose={() => setImported(null)}
        />
      )}
      {imported?.kind === 'fine' && (
        <Preview
          house={house}
          file={imported.file}
          changes={imported.changes}
          routes={imported.routes}
          onClose={() => setImported(null)}
        />
      )}
    </div>
  );
}

/** A file that is refused whole, with everything that is wrong with it. */
function BadFile({
  file,
  problems,
  onClose,
}: {
  readonly file: string;
  readonly problems: readonly FileProblem[];
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>{t('formulas.files.refused', { file })}</DialogTitle>
      <DialogContent>
        <p>{t('formulas.files.nothingChanged', { count: problems.length })}</p>
        <ol className={styles['problems']}>
          {problems.map((problem, i) => (
            <li key={String(i)}>
              <b>{t('formulas.files.line', { line: problem.line })}</b> {problem.message}
            </li>
          ))}
        </ol>
      </DialogContent>
      <DialogActions>
        <Button variant="contained" onClick={onClose}>
          {t('shell.close')}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** What the file would change; nothing has yet. */
function Preview({
  house,
  file,
  changes,
  routes,
  onClose,
}: {
  readonly house: string;
  readonly file: string;
  readonly changes: readonly BookChange[];
  readonly routes: readonly RouteChange[];
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const { changed, failed } = useNotices();
  const formulas = useRetirement('formulas');
  const ways = useRetirement('routes');
  const [bring] = useImportBookMutation();
  const [isBringing, setBringing] = useState(false);
  const wanted = [...changes, ...routes].filter(({ kind }) => kind !== 'same');
  const note = t('formulas.files.note', { file });

  const importBook = async () => {
    setBringing(true);
    try {
      const imported = imports(changes, routes, note);
      const now = await bring({ house, imported }).unwrap();
      changed(t('formulas.files.done', { count: wanted.length, file }), async () => {
        const back = wayBack(changes, routes, now, t('formulas.files.back', { file }));
        if (back.formulas.length + back.routes.length > 0)
          await bring({ house, imported: back }).unwrap();
        // What was not in the book before has no version to go back to: it is offered no more.
        const before = new Set([...changes, ...routes].map(({ present }) => present?.id));
        const isNew = ({ id }: { readonly id: string }) => !before.has(id);
        for (const { id } of now.formulas.filter(isNew)) await formulas.retire(id);
        for (const { id } of now.routes.filter(isNew)) await ways.retire(id);
      });
      onClose();
    } catch (error) {
      failed(problemWords(t, error));
      setBringing(false);
    }
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>{t('formulas.files.would', { file })}</DialogTitle>
      <DialogContent>
        <ul className={styles['changes']}>
          {changes.map(({ entry, kind, present }) => (
            <li key={entry.code} data-kind={kind}>
              <span className="mono">{entry.code}</span> {entry.name}
              <b>{t(`formulas.files.kind.${kind}`, { version: (present?.version ?? 0) + 1 })}</b>
            </li>
          ))}
          {routes.map(({ entry, kind }) => (
            <li key={entry.name} data-kind={kind}>
              {t('formulas.files.route', { name: entry.name })}
              <b>{t(`formulas.files.routeKind.${kind}`)}</b>
            </li>
          ))}
        </ul>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('formulas.new.cancel')}</Button>
        <Button
          variant="contained"
          disabled={isBringing || wanted.length === 0}
          onClick={() => void importBook()}
        >
          {wanted.length === 0
            ? t('formulas.files.nothing')
            : t('formulas.files.bring', { count: wanted.length })}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** The request that puts everything back as it was, over what the file has made of it. */
function wayBack(
  changes: readonly BookChange[],
  routes: readonly RouteChange[],
  now: {
    readonly formulas: readonly { readonly slug: string; readonly version: number }[];
    readonly routes: readonly { readonly id: string; readonly version: number }[];
  },
  note: string,
): BookImport {
  const versionOf = (slug: string) => now.formulas.find((f) => f.slug === slug)?.version ?? 0;
  const versionOfRoute = (id: string) => now.routes.find((route) => route.id === id)?.version ?? 0;
  const was = <T extends { readonly kind: string }>(list: readonly T[]) =>
    list.filter(({ kind }) => kind === 'changed');
  return {
    note,
    formulas: was(changes).flatMap(({ present }) =>
      present
        ? [{ slug: present.slug, version: versionOf(present.slug), content: contentOf(present) }]
        : [],
    ),
    routes: was(routes).flatMap(({ present }) =>
      present
        ? [
            {
              id: present.id,
              version: versionOfRoute(present.id),
              content: contentOfRoute(present),
            },
          ]
        : [],
    ),
  };
}
