import { LOOKS, type DoughForm, type Look, type ReadingAnswer } from '@calm/core';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ChoiceButtons } from '../../../../parts/fields/ChoiceButtons';
import { useFormats } from '../../../../parts/format/useFormats';
import styles from './Reading.module.css';

/** What can be said of how long it is still good, min. */
const LEFT_MIN: readonly number[] = [30, 60, 120, 180, 300];

/** Early, right or late; and until when. */
export function Answer({
  form,
  onSay,
}: {
  readonly form: DoughForm;
  readonly onSay: (answer: ReadingAnswer) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const [found, setFound] = useState<Look | null>(null);
  const [minutesLeft, setMinutesLeft] = useState<number | null>(null);
  const isWhole = found !== null && (found === 'late' || minutesLeft !== null);
  return (
    <section className={styles['ask']} aria-label={t(`practice.reading.ask.${form}`)}>
      <h2 id="reading-found">{t(`practice.reading.ask.${form}`)}</h2>
      <ChoiceButtons
        labelledBy="reading-found"
        value={found}
        values={LOOKS}
        say={(each) => t(`practice.found.${each}`)}
        onChange={setFound}
      />
      {found !== 'late' && (
        <>
          <h2 id="reading-left">{t(`practice.reading.howLong.${form}`)}</h2>
          <ChoiceButtons
            labelledBy="reading-left"
            value={minutesLeft}
            values={LEFT_MIN}
            say={(each) => f.duration(each)}
            onChange={setMinutesLeft}
          />
        </>
      )}
      <Button
        variant="contained"
        size="large"
        disabled={!isWhole}
        onClick={() => {
          if (found) onSay({ found, minutesLeft: found === 'late' ? null : minutesLeft });
        }}
      >
        {t('practice.reading.say')}
      </Button>
    </section>
  );
}
