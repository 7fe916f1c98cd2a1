import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import styles from '../House.module.css';

/** Some facts of a house under their name, with the way to change them. */
export function Facts({
  title,
  why,
  facts,
  onChange,
}: {
  readonly title: string;
  /** What hangs on them, in a sentence. */
  readonly why?: string;
  readonly facts: readonly (readonly [name: string, value: string])[];
  /** Null where nothing may be changed. */
  readonly onChange: (() => void) | null;
}) {
  const { t } = useTranslation();
  return (
    <section className={styles['section']} aria-label={title}>
      <div className={styles['head']}>
        <h2>{title}</h2>
        {onChange && (
          <Button
            size="small"
            aria-haspopup="dialog"
            aria-label={t('house.changeOf', { name: title })}
            onClick={onChange}
          >
            {t('house.change')}
          </Button>
        )}
      </div>
      {why && <p className="quiet small">{why}</p>}
      <dl className={styles['facts']}>
        {facts.map(([name, value]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
