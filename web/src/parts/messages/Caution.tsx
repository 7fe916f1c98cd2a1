import type { CautionKey } from '@calm/contract';
import WarningAmberOutlined from '@mui/icons-material/WarningAmberOutlined';
import { useTranslation } from 'react-i18next';
import styles from './Caution.module.css';

/** A short safety note where the work is done. */
export function Caution({ about }: { readonly about: CautionKey }) {
  const { t } = useTranslation();
  return (
    <p className={styles['caution']}>
      <WarningAmberOutlined fontSize="small" aria-hidden="true" />
      <span>{t(`cautions.${about}`)}</span>
    </p>
  );
}
