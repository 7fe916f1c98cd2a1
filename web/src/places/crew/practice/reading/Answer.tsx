import { LOOKS, type Look, type ReadingAnswer } from '@calm/core';
import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../../parts/format/useFormats';
import styles from './Reading.module.css';

/** What can be said of how long it is still good, min. */
const LEFT_MIN = [30, 60, 120, 180, 300] as const;

/** Early, right or late; and until when. */
export function Answer({ onSay }: { readonly onSay: (answer: ReadingAnswer) => void }) {
  const { t } = useTranslation();
  const f = useFormats();
  const [found, setFound] = useState<Look | null>(null);
  const [minutesLeft, setMinutesLeft] = useState<number | null>(null);
  const isWhole = found !== null && (found === 'late' || minutesLeft !== null);
  return (
    <section className={styles['ask']} aria-label={t('practice.reading.ask')}>
      <h2 id="reading-found">{t('practice.reading.ask')}</h2>
      <ToggleButtonGroup
        exclusive
        value={found}
        aria-labelledby="reading-found"
        sx={BUTTONS}
        onChange={(_event, to: Look | null) => setFound(to)}
      >
        {LOOKS.map((each) => (
          <ToggleButton key={each} value={each}>
            {t(`practice.found.${each}`)}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      {found !== 'late' && (
        <>
          <h2 id="reading-left">{t('practice.reading.howLong')}</h2>
          <ToggleButtonGroup
            exclusive
            value={minutesLeft}
            aria-labelledby="reading-left"
            sx={BUTTONS}
            onChange={(_event, to: number | null) => setMinutesLeft(to)}
          >
            {LEFT_MIN.map((each) => (
              <ToggleButton key={each} value={each}>
                {f.duration(each)}
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
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

const BUTTONS = { flexWrap: 'wrap', '& button': { minHeight: 48, minWidth: 48, px: 2 } } as const;
