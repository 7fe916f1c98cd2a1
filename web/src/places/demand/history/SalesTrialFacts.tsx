import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import type { SalesImport } from '@calm/contract';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import styles from './History.module.css';
import type { BringingIn } from './useImportSales';

/** Faulty lines that are told one by one. */
const TOLD = 12;

/** What a file would change; nothing has yet. */
export function SalesTrialFacts({
  state: { name, file, trial },
  onWrite,
  onBack,
  onLeave,
}: {
  readonly state: Extract<BringingIn, { kind: 'tried' }>;
  readonly onWrite: (over: SalesImport['over']) => void;
  readonly onBack: () => void;
  readonly onLeave: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const [over, setOver] = useState<SalesImport['over']>('keep');
  const dates = file.sales.map(({ date }) => date);
  const [first, last] = [least(dates), most(dates)];
  const wanted = trial.added + (over === 'replace' ? trial.different : 0);
  const says = (key: string, count: number) =>
    count > 0 && <li>{t(`demand.history.${key}`, { count })}</li>;
  return (
    <>
      <p>
        {first !== undefined && last !== undefined
          ? t('demand.history.read', {
              file: name,
              count: file.sales.length,
              from: f.fullDate(first),
              to: f.fullDate(last),
            })
          : t('demand.history.readNothing', { file: name })}
      </p>
      <ul className={styles['facts']}>
        {says('isNew', trial.added)}
        {says('isSame', trial.same)}
        {says('isDifferent', trial.different)}
        {says('isRepeated', file.repeated)}
        {says('isLeftOut', file.leftOut)}
        {says('isFaulty', file.faults)}
      </ul>
      {trial.different > 0 && (
        <RadioGroup
          row
          aria-label={t('demand.history.over')}
          value={over}
          onChange={(_event, to) => setOver(to as SalesImport['over'])}
        >
          {(['keep', 'replace'] as const).map((each) => (
            <FormControlLabel
              key={each}
              value={each}
              control={<Radio />}
              label={t(`demand.history.${each}`)}
            />
          ))}
        </RadioGroup>
      )}
      {file.faults > 0 && (
        <ol className={styles['faulty']}>
          {file.faulty.slice(0, TOLD).map(({ line, fault, text }) => (
            <li key={line}>
              <b>{t('demand.history.line', { line })}</b>{' '}
              {t(`demand.history.fault.${fault}`, { text })}
            </li>
          ))}
          {file.faults > TOLD && (
            <li>
              {t('demand.history.moreFaults', {
                count: file.faults - TOLD,
              })}
            </li>
          )}
        </ol>
      )}
      <div className={styles['choices']}>
        <Button onClick={onLeave}>{t('record.cancel')}</Button>
        <Button variant="outlined" onClick={onBack}>
          {t('demand.history.back')}
        </Button>
        <Button variant="contained" disabled={wanted === 0} onClick={() => onWrite(over)}>
          {wanted === 0
            ? t('demand.history.nothing')
            : t('demand.history.write', { count: wanted })}
        </Button>
      </div>
    </>
  );
}

const least = (dates: readonly string[]) =>
  dates.reduce<string | undefined>((a, b) => (a === undefined || b < a ? b : a), undefined);
const most = (dates: readonly string[]) =>
  dates.reduce<string | undefined>((a, b) => (a === undefined || b > a ? b : a), undefined);
