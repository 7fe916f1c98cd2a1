import type { CheckAnswer, CheckKind, LotRecord } from '@calm/contract';
import { CHECKS } from '@calm/contract';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../format/useFormats';
import { CoreDialog } from './CoreDialog';
import styles from './Measures.module.css';
import type { PutMeasure } from './putMeasure';
import { RisenDialog } from './RisenDialog';

const KINDS = ['risen', 'core', ...(Object.keys(CHECKS) as CheckKind[])] as const;
type Kind = (typeof KINDS)[number];

/** What hands can measure of a dough: one press asks, one more answers. */
export function MeasureDough({
  records,
  onPut,
  onPhoto,
}: {
  /** Of the lot: what a rise was measured from is asked for once. */
  readonly records: readonly LotRecord[];
  readonly onPut: PutMeasure;
  /** Keeps the photo that a rise was read off. */
  readonly onPhoto: (photo: File) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const [asked, setAsked] = useState<Kind | null>(null);
  const close = () => setAsked(null);
  const put: PutMeasure = (content, words) => {
    onPut(content, words);
    close();
  };
  const answer = (given: CheckAnswer) =>
    put(
      { kind: 'checked', ...given, note: '' },
      t('measure.say.checked', {
        check: t(`measure.kind.${given.check}`),
        answer: t(`measure.answer.${given.answer}`),
      }),
    );
  return (
    <section aria-label={t('measure.title')} className={`${styles['measure'] ?? ''} no-print`}>
      <h2>{t('measure.title')}</h2>
      <p className="quiet small">{t('measure.lead')}</p>
      <div className={styles['kinds']}>
        {KINDS.map((kind) => (
          <Button
            key={kind}
            variant="outlined"
            aria-haspopup="dialog"
            onClick={() => setAsked(kind)}
          >
            {t(`measure.kind.${kind}`)}
          </Button>
        ))}
      </div>
      {asked === 'core' && (
        <CoreDialog
          onClose={close}
          onPut={(coreTempC) =>
            put(
              { kind: 'core', coreTempC, note: '' },
              `${t('measure.kind.core')}: ${f.temperature(coreTempC)}`,
            )
          }
        />
      )}
      {asked === 'risen' && (
        <RisenDialog records={records} onClose={close} onPut={put} onPhoto={onPhoto} />
      )}
      {asked !== null && asked !== 'core' && asked !== 'risen' && (
        <CheckDialog check={asked} onClose={close} onAnswer={answer} />
      )}
    </section>
  );
}

/** One thing that hands, eyes or noses tell, with its answers as large buttons. */
function CheckDialog({
  check,
  onAnswer,
  onClose,
}: {
  readonly check: CheckKind;
  readonly onAnswer: (given: CheckAnswer) => void;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <DialogTitle>{t(`measure.kind.${check}`)}</DialogTitle>
      <DialogContent className={styles['answers'] ?? ''}>
        <p>{t(`measure.ask.${check}`)}</p>
        {CHECKS[check].map((answer) => (
          <Button
            key={answer}
            variant="outlined"
            size="large"
            onClick={() => onAnswer({ check, answer } as CheckAnswer)}
          >
            {t(`measure.answer.${answer}`)}
          </Button>
        ))}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('record.cancel')}</Button>
      </DialogActions>
    </Dialog>
  );
}
