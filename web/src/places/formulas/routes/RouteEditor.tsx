import { HOUR_MS, STANDARD_TARGET, doughStagesOfRoute, type Route } from '@calm/core';
import type { FormulaRecord, HouseBook, Product, RouteContent } from '@calm/contract';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { TextCell } from '../../../parts/fields/TextCell';
import type { RecordDraft } from '../../../state/drafts/useRecordDraft';
import { useCursor } from '../../../state/time/useCursor';
import { useSimulation } from '../../../workers/engine/useSimulation';
import { formatProblemMessage } from '../formulaMessages';
import { SimulationPicture } from '../what-if/SimulationPicture';
import { usePlannedDough } from '../what-if/usePlannedDough';
import { asPlanned, documentOf, stageHours, type PlannedDough } from '../what-if/whatIf';
import styles from './RoutePage.module.css';
import { RouteStages } from './RouteStages';

/** A route as it is edited: drawn, named, stage by stage. */
export function RouteEditor({
  book,
  users,
  draft: { content, change },
}: {
  readonly book: HouseBook;
  /** Products that go this way. */
  readonly users: readonly Product[];
  readonly draft: RecordDraft<RouteContent>;
}) {
  const { t } = useTranslation();
  const places = [
    ...new Set(
      book.routes.flatMap(({ stages }) =>
        stages.flatMap((stage) => (stage.kind === 'rest' ? [stage.place] : [])),
      ),
    ),
  ];
  return (
    <>
      <AlongTheRoute stages={content.stages} book={book} users={users} />
      <div className={styles['name']}>
        <TextCell
          label={t('formulas.new.name')}
          value={content.name}
          most={120}
          width={320}
          onCommit={(name) => change({ name }, t('formulas.edit.renamed', { name }))}
        />
      </div>
      <RouteStages
        stages={content.stages}
        places={places}
        onChange={(stages, what) => change({ stages }, what)}
      />
    </>
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
