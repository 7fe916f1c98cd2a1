import type { HouseBook, RouteContent } from '@calm/contract';
import { routeForHouse } from '@calm/domain/houses';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { useNavigate, useSearchParams } from 'react-router';
import { Page } from '../../../parts/layout/Page';
import { WaitingPage } from '../../../parts/layout/WaitingPage';
import { useNotices } from '../../../parts/messages/Notices';
import { problemWords } from '../../../parts/messages/problemWords';
import { useRecordDraft } from '../../../state/drafts/useRecordDraft';
import { useLibrary } from '../files/library';
import { SaveBar } from '../formula/SaveBar';
import { useAddRouteMutation, useRemoveRouteMutation } from '../../../state/api/routesApi';
import { RouteEditor } from './RouteEditor';

/** A route that begins as one of the ways of the trade; nothing of it is the house's before it is saved. */
export function NewRoutePage({
  house,
  book,
}: {
  readonly house: string;
  readonly book: HouseBook;
}) {
  const library = useLibrary();
  const [search] = useSearchParams();
  if (!library) return <WaitingPage />;
  const way = library.routes.find(({ name }) => name === search.get('way')) ?? library.routes[0];
  return way ? <Editor key={way.name} house={house} book={book} way={way} /> : null;
}

function Editor({
  house,
  book,
  way,
}: {
  readonly house: string;
  readonly book: HouseBook;
  readonly way: RouteContent;
}) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const { changed, failed } = useNotices();
  const [add, { isLoading }] = useAddRouteMutation();
  const [drop] = useRemoveRouteMutation();
  const begun = useMemo(
    () => ({ version: 0, content: { ...way, stages: routeForHouse(way.stages, book) } }),
    [way, book],
  );
  const draft = useRecordDraft<RouteContent>(`route/${house}/new/${way.name}`, begun);
  const leave = () => {
    draft.drop();
    void navigate(`/${house}/formulas/routes`);
  };
  const save = async () => {
    try {
      const added = await add({ house, content: draft.content }).unwrap();
      draft.drop();
      changed(t('formulas.routes.added', { name: added.name }), () =>
        drop({ house, id: added.id }).unwrap(),
      );
      void navigate(`/${house}/formulas/routes/${added.id}`, { replace: true });
    } catch (error) {
      failed(problemWords(t, error));
    }
  };
  return (
    <Page title={draft.content.name} lead={t('formulas.routes.notSaved')}>
      <RouteEditor book={book} users={[]} draft={draft} />
      <SaveBar
        save={t('formulas.routes.save')}
        isSending={isLoading}
        onSave={() => void save()}
        onDiscard={leave}
      />
    </Page>
  );
}
