import { HOUR_MS, STANDARD_TARGET, doughStagesOfRoute, type Route } from '@calm/core';
import Button from '@mui/material/Button';
import type { FormulaRecord, HouseBook, Product, RouteContent, RouteRecord } from '@calm/contract';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { EditOnly } from '../../../parts/fields/editing';
import { useFormats } from '../../../parts/format/useFormats';
import { useNavigate, useParams } from 'react-router';
import { Failed } from '../../../parts/messages/Failed';
import { Message } from '../../../parts/messages/Message';
import { useNotices } from '../../../parts/messages/Notices';
import { Page } from '../../../parts/layout/Page';
import { TextCell } from '../../../parts/fields/TextCell';
import { WaitingPage } from '../../../parts/layout/WaitingPage';
import { useBookQuery } from '../../../state/api/api';
import { problemOf } from '../../../parts/messages/problemOf';
import { problemWords } from '../../../parts/messages/problemWords';
import { useHouse } from '../../../state/board/useBoard';
import { useRecordDraft, type RecordDraft } from '../../../state/drafts/useRecordDraft';
import { useWrite } from '../../../state/api/useWrite';
import { useCursor } from '../../../state/time/useCursor';
import { useSimulation } from '../../../workers/engine/useSimulation';
import { contentOfRoute } from '../formula/contents';
import styles from './RoutePage.module.css';
import { RouteStages } from './RouteStages';
import { useAddRouteMutation, useChangeRouteMutation, useRemoveRouteMutation } from '../recordsApi';
import { SaveBar } from '../formula/SaveBar';
import { formatProblemMessage } from '../formulaMessages';
import { usePlannedDough } from '../what-if/usePlannedDough';
import { asPlanned, documentOf, stageHours, type PlannedDough } from '../what-if/whatIf';
import { SimulationPicture } from '../what-if/SimulationPicture';

/** One route: its stages in order, drawn as the dough goes along them. */
export function RoutePage() {
  const { t } = useTranslation();
  const house = useHouse();
  const id = useParams()['route'] ?? '';
  const { data: book, error, refetch } = useBookQuery(house);
  if (error && !book) return <Failed error={error} onRetry={() => void refetch()} />;
  if (!book) return <WaitingPage />;
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
  const { content } = draft;
  const users = book.products.filter(({ routeId }) => routeId === record.id);
  const places = [
    ...new Set(
      book.routes.flatMap(({ stages }) =>
        stages.flatMap((stage) => (stage.kind === 'rest' ? [stage.place] : [])),
      ),
    ),
  ];
  return (
    <Page
      title={content.name}
      lead={
        users.length > 0
          ? t('formulas.routes.usedBy', { products: f.list(users.map(({ name }) => name)) })
          : t('formulas.routes.unused')
      }
      aside={<Away house={house} record={record} isUsed={users.length > 0} />}
    >
      <AlongTheRoute stages={content.stages} book={book} users={users} />
      <div className={styles['name']}>
        <TextCell
          label={t('formulas.new.name')}
          value={content.name}
          most={120}
          width={320}
          onCommit={(name) => draft.change({ name }, t('formulas.edit.renamed', { name }))}
        />
      </div>
      <RouteStages
        stages={content.stages}
        places={places}
        onChange={(stages, what) => draft.change({ stages }, what)}
      />
      {draft.isChanged && <Save house={house} record={record} draft={draft} />}
    </Page>
  );
}

/** The dough of a product that goes this way, or of a plain one, drawn by the engine. */
function AlongTheRoute({
  stages,
  book,
  users,
}: {
  readonly stages: Route;
  readonly book: HouseBook;
  readonly users: readonly Product[];
}) {
  const { t } = useTranslation();
  const { atMs } = useCursor();
  const { dough: planned } = usePlannedDough(users[0]?.slug ?? '');
  const dough = useMemo<PlannedDough>(() => {
    const way = doughStagesOfRoute(stages, planned?.size ?? { loads: 1, balls: 100 });
    return planned ? { ...planned, way } : plainDough(way, book, atMs, t('formulas.routes.plain'));
  }, [stages, planned, book, atMs, t]);
  const whatIf = useMemo(() => asPlanned(dough), [dough]);
  const document = useMemo(() => documentOf(dough, whatIf), [dough, whatIf]);
  const answer = useSimulation(document);
  const hours = stageHours(dough, whatIf).at(-1) ?? 0;
  const range = useMemo(() => ({ from: 0, to: Math.max(6, hours + 5) }), [hours]);
  return (
    <div className={styles['picture']}>
      {answer?.ok && (
        <SimulationPicture
          dough={dough}
          whatIf={whatIf}
          way={answer.value}
          planned={null}
          range={range}
          isRibbonOnly
        />
      )}
      {answer && !answer.ok && (
        <p role="alert" className={styles['cannot']}>
          {answer.reasons.map((reason) => formatProblemMessage(t, reason, dough)).join(' ')}
        </p>
      )}
      <p className="quiet small">
        {t('formulas.routes.drawnWith', { product: dough.product.name })}
      </p>
    </div>
  );
}

/** A lean dough of everyday strength, for a route that nothing uses yet. */
function plainDough(
  way: PlannedDough['way'],
  { house, mixers }: HouseBook,
  atMs: number,
  name: string,
): PlannedDough {
  const product: Product = {
    id: '',
    slug: '',
    version: 0,
    name,
    formulaId: '',
    routeId: '',
    ballWeightG: 270,
    trimPercent: 0,
    ballsPerTray: 12,
    isFromRemainders: false,
    target: STANDARD_TARGET,
  };
  const record: FormulaRecord = {
    id: '',
    slug: '',
    code: '',
    version: 0,
    allergens: [],
    name,
    doughTempC: 24,
    mixerId: mixers[0]?.id ?? '',
    method: { name, why: '', steps: [] },
    formula: {
      flours: [{ name, percent: 100, strengthW: 300 }],
      waterPercent: 62,
      saltPercent: 2.5,
      yeast: { form: 'fresh', percent: 0.3 },
    },
  };
  const hours = way.stages.reduce(
    (sum, { rest, handsMin }) => sum + rest.hours.preferred + handsMin / 60,
    0,
  );
  const doorsMs = atMs + hours * HOUR_MS;
  return {
    product,
    record,
    way,
    size: { loads: 1, balls: 100 },
    prefermentTempC: house.settings.usualTempsC.preferment,
    mixedMs: atMs,
    doorsMs,
    closeMs: doorsMs + 4 * HOUR_MS,
  };
}

/** A copy to change, or out of the book where nothing uses it. */
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
  const tried = async (work: () => Promise<void>) => {
    try {
      await work();
    } catch (error) {
      const problem = problemOf(error);
      failed(
        problem?.type === '/problems/in-use' ? t('formulas.routes.inUse') : problemWords(t, error),
      );
    }
  };
  const copy = () =>
    tried(async () => {
      const name = t('formulas.routes.copyOf', { name: record.name });
      const content = { ...contentOfRoute(record), name };
      const added = await add({ house, content }).unwrap();
      changed(t('formulas.routes.added', { name }), () => drop({ house, id: added.id }).unwrap());
      void navigate(`/${house}/formulas/routes/${added.id}`);
    });
  const remove = () =>
    tried(async () => {
      await drop({ house, id: record.id }).unwrap();
      changed(t('formulas.routes.removed', { name: record.name }), () =>
        add({ house, content: contentOfRoute(record) }).unwrap(),
      );
      void navigate(`/${house}/formulas/routes`);
    });
  return (
    <>
      <EditOnly>
        <Button variant="outlined" onClick={() => void copy()}>
          {t('formulas.routes.copy')}
        </Button>
      </EditOnly>
      {!isUsed && (
        <EditOnly>
          <Button variant="outlined" color="error" onClick={() => void remove()}>
            {t('formulas.routes.remove')}
          </Button>
        </EditOnly>
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
      what={record.name}
      save={t('formulas.routes.save')}
      isSending={isSending}
      stale={stale}
      onSave={() => void keep(draft.from)}
      onDiscard={draft.drop}
      onKeepTheirs={() => {
        settle();
        draft.drop();
      }}
      onUseMine={(version) => void keep(version)}
    >
      <span className="quiet small">{t('formulas.routes.lotsKeep')}</span>
    </SaveBar>
  );
}
