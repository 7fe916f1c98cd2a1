import Button from '@mui/material/Button';
import { wayOfRoute } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { Failed } from '../../parts/Failed';
import { useFormats } from '../../parts/format';
import { Page } from '../../parts/Page';
import { Waiting } from '../../parts/Waiting';
import { useBookQuery } from '../../state/api';
import { useHouse } from '../../state/useBoard';
import styles from './Formulas.module.css';

/** What the house makes, of which dough, by which way; each of them to play with. */
export function Formulas() {
  const { t } = useTranslation();
  const f = useFormats();
  const house = useHouse();
  const { data: book, error, refetch } = useBookQuery(house);
  if (error && !book) return <Failed error={error} onRetry={() => void refetch()} />;
  if (!book) return <Waiting />;
  return (
    <Page title={t('stops.formulas')} lead={t('formulas.lead')}>
      {book.products.length === 0 && <p className="quiet">{t('formulas.none')}</p>}
      <ul className={styles['products']}>
        {book.products.map((product) => {
          const record = book.formulas.find(({ id }) => id === product.formulaId);
          const route = book.routes.find(({ id }) => id === product.routeId);
          if (!record || !route) return null;
          const { formula } = record;
          const { ahead, stages } = wayOfRoute(route.stages, { loads: 1, balls: 100 });
          return (
            <li key={product.id} className={styles['product']}>
              <div>
                <h2>
                  {product.name} <span className="quiet">{f.grams(product.ballWeightG)}</span>
                </h2>
                <p>
                  {t('formulas.summary', {
                    name: record.name,
                    version: record.version,
                    water: f.percent(formula.waterPercent),
                    salt: f.percent(formula.saltPercent),
                    yeast: f.percent(formula.yeast.percent, 3),
                    form: t(`mix.ingredient.${formula.yeast.form} yeast`).toLowerCase(),
                  })}
                </p>
                <p className="quiet">
                  {[...ahead, ...stages]
                    .map(({ rest }) =>
                      t('formulas.stage', {
                        name: t(`rest.${rest.key}`),
                        hours: f.duration(rest.hours.preferred * 60),
                        temp: f.temperature(rest.airTempC),
                      }),
                    )
                    .join(' · ')}
                </p>
              </div>
              <Button
                variant="outlined"
                component={Link}
                to={`${product.slug}/what-if`}
                aria-label={t('formulas.whatIf.title', { product: product.name })}
              >
                {t('formulas.whatIf.open')}
              </Button>
            </li>
          );
        })}
      </ul>
      <p className="quiet">{t('coming.formulas_today')}</p>
    </Page>
  );
}
