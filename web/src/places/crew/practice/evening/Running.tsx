import { MOMENT_MIN, momentsOf } from '@calm/core';
import type { PracticeEvening } from '@calm/domain';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { useFormats } from '../../../../parts/format/useFormats';
import { Page } from '../../../../parts/layout/Page';
import { Waiting } from '../../../../parts/messages/Waiting';
import { DoughPanel } from './DoughPanel';
import styles from './Evening.module.css';
import { mayTakeBack } from './eveningRun';
import { timeOfEvening } from './eveningClock';
import { coachWanted } from './coachWanted';
import type { useEveningRun } from './useEveningRun';

/** An evening under way: what is seen of each dough, and what can be done. */
export function Running({
  house,
  title,
  about,
  evening,
  played: { run, seen, decide, takeBack, goOn, goOnToEvent },
}: {
  readonly house: string;
  readonly title: string;
  /** What is known of it as it begins. */
  readonly about: string;
  readonly evening: PracticeEvening;
  readonly played: ReturnType<typeof useEveningRun>;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const [isCoached, setCoached] = useState(() => coachWanted.read());
  const { really, coldShownC } = evening;
  const end = momentsOf(really);
  const clock = timeOfEvening(f, really, run.moment * MOMENT_MIN);
  const doors = timeOfEvening(f, really, really.doorsMin);
  const aside = (
    <Button variant="outlined" component={Link} to={`/${house}/crew/practice/evenings`}>
      {t('practice.evening.leave')}
    </Button>
  );
  return (
    <Page title={title} lead={about} aside={aside}>
      <div className={styles['clock']} role="status">
        <b>{clock}</b>
        <span className={styles['practice']}>{t('practice.title')}</span>
        <span>{t('practice.evening.doors', { at: doors })}</span>
        <span>{t('practice.evening.coldShows', { temp: f.temperature(coldShownC, 0) })}</span>
      </div>
      <progress
        className={styles['hours']}
        max={end}
        value={run.moment}
        aria-label={t('practice.evening.gone')}
      />
      {seen ? (
        evening.products.map((product, i) => (
          <DoughPanel
            key={product.id}
            at={i}
            product={product}
            evening={evening}
            run={run}
            seen={seen}
            isCoached={isCoached}
            onDecide={(deed) => decide(i, deed)}
          />
        ))
      ) : (
        <Waiting />
      )}
      <div className={styles['on']}>
        <Button variant="contained" size="large" onClick={goOn}>
          {t('practice.evening.goOn', { by: f.duration(MOMENT_MIN) })}
        </Button>
        <Button variant="outlined" size="large" onClick={() => void goOnToEvent()}>
          {t('practice.evening.goOnToEvent')}
        </Button>
        <Button size="large" disabled={!mayTakeBack(run)} onClick={takeBack}>
          {t('practice.evening.takeBack')}
        </Button>
        <FormControlLabel
          label={t('practice.evening.coachSpeaks')}
          control={
            <Switch
              checked={isCoached}
              onChange={(_event, to) => {
                coachWanted.write(to);
                setCoached(to);
              }}
            />
          }
        />
      </div>
    </Page>
  );
}
