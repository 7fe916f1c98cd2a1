import { SET_UP_STEPS, type SetUpStep } from '@calm/domain/houses';
import CheckIcon from '@mui/icons-material/Check';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import styles from './SetUpList.module.css';

/** Where each step is done. */
const PAGE: Readonly<Record<SetUpStep, string>> = {
  mixer: 'house',
  places: 'walk-in/places',
  pantry: 'formulas/pantry',
  formula: 'formulas',
  route: 'formulas/routes',
  product: 'formulas',
  services: 'demand/services',
  counts: 'demand/services',
  shifts: 'crew',
  plan: 'plan',
  batch: 'mix',
};

/** What a new house still needs before its first dough, in order, each with the page where it is done. */
export function SetUpList({
  house,
  left,
}: {
  readonly house: string;
  /** None shows nothing. */
  readonly left: readonly SetUpStep[];
}) {
  const { t } = useTranslation();
  if (left.length === 0) return null;
  const done = SET_UP_STEPS.length - left.length;
  return (
    <section className={styles['setUp']} aria-label={t('setUp.title')}>
      <h2>{t('setUp.title')}</h2>
      <p className="quiet small">{t('setUp.done', { done, of: SET_UP_STEPS.length })}</p>
      <ol>
        {SET_UP_STEPS.map((step) => {
          const isLeft = left.includes(step);
          return (
            <li key={step} data-is={isLeft ? (step === left[0] ? 'next' : 'left') : 'done'}>
              {isLeft ? (
                <Link to={`/${house}/${PAGE[step]}`}>{t(`setUp.step.${step}`)}</Link>
              ) : (
                <span>
                  <CheckIcon fontSize="small" titleAccess={t('setUp.isDone')} />{' '}
                  {t(`setUp.step.${step}`)}
                </span>
              )}
              {step === left[0] && <p className="small">{t(`setUp.how.${step}`)}</p>}
            </li>
          );
        })}
      </ol>
    </section>
  );
}
