import { useId, useState, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import styles from './WhyThis.module.css';

/** "Why this?" under a number opens its working: formula, inputs, source. */
export function WhyThis({
  about,
  children,
}: {
  readonly about: string;
  readonly children: ReactNode;
}) {
  const { t } = useTranslation();
  const id = useId();
  const [isOpen, setOpen] = useState(false);
  return (
    <div className={styles['why']}>
      <button
        type="button"
        aria-expanded={isOpen}
        aria-controls={id}
        aria-label={t('why.about', { about })}
        onClick={() => setOpen(!isOpen)}
      >
        {isOpen ? t('why.close') : t('why.open')}
      </button>
      <div id={id} hidden={!isOpen} className={styles['working']}>
        {isOpen && children}
      </div>
    </div>
  );
}
