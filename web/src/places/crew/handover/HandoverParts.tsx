import { HANDOVER_PARTS, type HandoverLine } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import styles from './Handover.module.css';

/** What a handover says, part by part. */
export function HandoverParts({ lines }: { readonly lines: readonly HandoverLine[] }) {
  const { t } = useTranslation();
  return (
    <div className={styles['parts']}>
      {HANDOVER_PARTS.map((part) => {
        const mine = lines.filter((line) => line.part === part);
        return (
          <div key={part}>
            <h2>{t(`crew.handover.${part}`)}</h2>
            {mine.length === 0 ? (
              <p className="quiet">{t('crew.handover.none')}</p>
            ) : (
              <ul>
                {mine.map(({ text }) => (
                  <li key={text}>{text}</li>
                ))}
              </ul>
            )}
          </div>
        );
      })}
    </div>
  );
}
