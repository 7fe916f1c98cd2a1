import { scaleRecipe, type BoardLot } from '@calm/domain';
import { useTranslation } from 'react-i18next';
import { Link, useSearchParams } from 'react-router';
import { Choice } from '../../../parts/fields/Choice';
import { formatDilutionMessage } from '../../../parts/format/dilutionMessage';
import { useFormats } from '../../../parts/format/useFormats';
import { Page } from '../../../parts/layout/Page';
import type { Board } from '../../../state/board/useBoard';
import { WithBoard } from '../WithBoard';
import styles from './Missing.module.css';

/** What scales on a bench show, g. */
const STEPS_G = [0.1, 1, 5, 10] as const;

/** Only a coarse scale is left: which doughs that are still to be begun need their yeast by dilution, or another scale. */
export function CoarseScale() {
  return <WithBoard>{(board) => <OfHouse board={board} />}</WithBoard>;
}

function OfHouse({ board }: { readonly board: Board }) {
  const { t } = useTranslation();
  const f = useFormats();
  const [params, setParams] = useSearchParams();
  const stepG = STEPS_G.find((each) => String(each) === params.get('shows')) ?? 1;
  const lots = board.lots.filter(({ lot, scaled }) => !lot && scaled.ok);
  return (
    <Page title={t('missing.scale')} lead={t('missing.scaleLead')}>
      <div className={styles['fields']}>
        <Choice
          label={t('missing.scaleShows')}
          value={stepG}
          values={STEPS_G}
          width={220}
          say={(each) => f.grams(each, each < 1 ? 1 : 0)}
          onChange={(each) => setParams({ shows: String(each) }, { replace: true })}
        />
      </div>
      {lots.length === 0 && <p className="quiet">{t('missing.nothingToBegin')}</p>}
      {lots.map((lot) => (
        <section key={lot.date + lot.product.id} className={styles['service']}>
          <h2>
            <Link to={`/${board.house}/mix/${lot.date}/${lot.product.slug}`}>
              {f.joined(lot.recipe.formulaName, f.date(lot.date))}
            </Link>
          </h2>
          <Dose lot={lot} stepG={stepG} />
        </section>
      ))}
    </Page>
  );
}

/** How the yeast of a lot is weighed on a scale that shows no less. */
function Dose({ lot, stepG }: { readonly lot: BoardLot; readonly stepG: number }) {
  const { t } = useTranslation();
  const f = useFormats();
  const { recipe, items } = lot;
  const { settings } = recipe;
  const scaleReadabilityG = {
    default: Math.max(stepG, settings.scaleReadabilityG.default),
    yeast: stepG,
  };
  const scaled = scaleRecipe({ ...recipe, settings: { ...settings, scaleReadabilityG } }, items);
  if (!scaled.ok) return null;
  const { dilution, finerScaleG, loads } = scaled.value;
  const yeast = loads[0]?.ingredients.find(({ kind }) => kind === 'yeast');
  if (dilution) {
    return <p>{formatDilutionMessage(t, f, dilution)}</p>;
  }
  if (finerScaleG !== null) {
    return <p role="note">{t('mix.weigh.finerScale', { scale: f.grams(finerScaleG, 3) })}</p>;
  }
  return (
    <p>
      {yeast
        ? t('missing.straight', {
            grams: f.grams(yeast.grams, 1),
            wanted: f.grams(yeast.exactG, 2),
          })
        : t('missing.noYeast')}
    </p>
  );
}
