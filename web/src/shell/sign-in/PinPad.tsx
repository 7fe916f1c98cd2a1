import BackspaceOutlined from '@mui/icons-material/BackspaceOutlined';
import Button from '@mui/material/Button';
import { PIN_LENGTH } from '@calm/contract';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import styles from './SignIn.module.css';

const DIGITS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0'] as const;

/** Large keys for floury fingers; a keyboard's digits do as well. */
export function PinPad({
  isBusy,
  onSubmit,
}: {
  readonly isBusy: boolean;
  readonly onSubmit: (pin: string) => void;
}) {
  const { t } = useTranslation();
  const [pin, setPin] = useState('');
  const isEnough = pin.length >= PIN_LENGTH.least;
  const typed = (digit: string) => setPin((before) => (before + digit).slice(0, PIN_LENGTH.most));
  useEffect(() => {
    const onKey = ({ key }: KeyboardEvent) => {
      if (/^\d$/.test(key)) typed(key);
      if (key === 'Backspace') setPin((before) => before.slice(0, -1));
      if (key === 'Enter' && isEnough && !isBusy) onSubmit(pin);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [pin, isEnough, isBusy, onSubmit]);
  return (
    <div className={styles['pad']}>
      <output aria-label={t('signIn.pin')} className={styles['dots']}>
        {pin.replace(/./g, '●') || ' '}
      </output>
      {DIGITS.map((digit) => (
        <button key={digit} type="button" data-digit={digit} onClick={() => typed(digit)}>
          {digit}
        </button>
      ))}
      <button
        type="button"
        data-digit="back"
        aria-label={t('signIn.delete')}
        onClick={() => setPin((before) => before.slice(0, -1))}
      >
        <BackspaceOutlined />
      </button>
      <Button
        variant="contained"
        size="large"
        className={styles['in'] ?? ''}
        disabled={!isEnough || isBusy}
        onClick={() => onSubmit(pin)}
      >
        {t('signIn.comeIn')}
      </Button>
    </div>
  );
}
