import Button from '@mui/material/Button';
import type { HouseBook, RouteContent, RouteRecord } from '@calm/contract';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { EditOnly } from '../../../parts/fields/editing';
import { useFormats } from '../../../parts/format/useFormats';
import { useNavigate, useParams } from 'react-router';
import { Failed } from '../../../parts/messages/Failed';
import { Message } from '../../../parts/messages/Message';
import { useNotices } from '../../../parts/messages/Notices';
import { Page } from '../../../parts/layout/Page';
import { WaitingPage } from '../../../parts/layout/WaitingPage';
import { RetireButton } from '../../../parts/retired/RetireButton';
import { useRetirement } from '../../../state/api/useRetirement';
import { useBookQuery } from '../../../state/api/api';
import { problemWords } from '../../../parts/messages/problemWords';
import { useHouse } from '../../../state/board/useBoard';
import { useRecordDraft, type RecordDraft } from '../../../state/drafts/useRecordDraft';
import { useWrite } from '../../../state/api/useWrite';
import { contentOfRoute } from '../formula/contents';
import { NewRoutePage } from './NewRoutePage';
import { RouteEditor } from './RouteEditor';
import {
  useAddRouteMutation,
  useChangeRouteMutation,
  useRemoveRouteMutation,
} from '../../../state/api/routesApi';
import { SaveBar } from '../formula/SaveBar';

/** Stands in the address of a route that is not saved yet. */
const NEW_ROUTE = 'new';

/** One route: its stages in order, drawn as the dough goes along them. */
export function RoutePage() {
  const { t } = useTranslation();
  const house = useHouse();
  const id = useParams()['route'] ?? '';
  const { data: book, error, refetch } = useBookQuery(house);
  if (error && !book) return <Failed error={error} onRetry={() => void refetch()} />;
  if (!book) return <WaitingPage />;
  if (id === NEW_ROUTE) return <NewRoutePage house={house} book={book} />;
  const record = book.routes.find((route) => route.id === id);
  if (!record) {
    return (
      <Message
        title={t('formulas.routes.unknown')}
        text={t('formulas.routes.unknownHow')}
        link={{ label: t('formulas.routes.title'), to: `/${house}/formulas/routes` }}
      />
    );
  }
  return <Editor key={record.id} house={house} book={book} record={record} />;
}

function Editor({
  house,
  book,
  record,
}: {
  readonly house: string;
  readonly book: HouseBook;
  readonly record: RouteRecord;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const saved = useMemo(
    () => ({ version: record.version, content: contentOfRoute(record) }),
    [record],
  );
  const draft = useRecordDraft<RouteContent>(`route/${house}/${record.id}`, saved);
  const users = book.products.filter(({ routeId }) => routeId === record.id);
  return (
    <Page
      title={draft.content.name}
      lead={
        users.length > 0
          ? t('formulas.routes.usedBy', { products: f.list(users.map(({ name }) => name)) })
          : t('formulas.routes.unused')
      }
      aside={<Away house={house} record={record} isUsed={users.length > 0} />}
    >
      <RouteEditor book={book} users={users} draft={draft} />
      {draft.isChanged && <Save house={house} record={record} draft={draft} />}
    </Page>
  );
}

/** A copy to change, or offered no more where nothing uses it. */
function Away({
  house,
  record,
  isUsed,
}: {
  readonly house: string;
  readonly record: RouteRecord;
  readonly isUsed: boolean;
}) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const { changed, failed } = useNotices();
  const [add] = useAddRouteMutation();
  const [drop] = useRemoveRouteMutation();
  const retirement = useRetirement('routes');
  const copy = async () => {
    const name = t('formulas.routes.copyOf', { name: record.name });
    const content = { ...contentOfRoute(record), name };
    try {
      const added = await add({ house, content }).unwrap();
      changed(t('formulas.routes.added', { name }), () => drop({ house, id: added.id }).unwrap());
      void navigate(`/${house}/formulas/routes/${added.id}`);
    } catch (error) {
      failed(problemWords(t, error));
    }
  };
  return (
    <>
      <EditOnly>
        <Button variant="outlined" onClick={() => void copy()}>
          {t('formulas.routes.copy')}
        </Button>
      </EditOnly>
      {!isUsed && (
        <RetireButton
          record={record}
          retirement={retirement}
          onRetired={() => void navigate(`/${house}/formulas/routes`)}
        />
      )}
    </>
  );
}

function Save({
  house,
  record,
  draft,
}: {
  readonly house: string;
  readonly record: RouteRecord;
  readonly draft: RecordDraft<RouteContent>;
}) {
  const { t } = useTranslation();
  const { changed } = useNotices();
  const [change] = useChangeRouteMutation();
  const { write, stale, settle, isSending } = useWrite((version: number) =>
    change({ house, id: record.id, change: { version, content: draft.content } }).unwrap(),
  );
  const keep = async (version: number) => {
    const saved = await write(version);
    if (!saved) return;
    draft.drop();
    const before = { version: saved.version, content: contentOfRoute(record) };
    changed(t('formulas.routes.saved', { name: saved.name }), () =>
      change({ house, id: record.id, change: before }).unwrap(),
    );
  };
  return (
    <SaveBar
      save={t('formulas.routes.save')}
      isSending={isSending}
      disagreement={
        stale && {
          what: record.name,
          stale,
          onKeepTheirs: () => {
            settle();
            draft.drop();
          },
          onUseMine: (version) => void keep(version),
        }
      }
      onSave={() => void keep(draft.from)}
      onDiscard={draft.drop}
    >
      <span className="quiet small">{t('formulas.routes.lotsKeep')}</span>
    </SaveBar>
  );
}
