import type { AdvisedChoice } from '@calm/contract';
import { HOUR_MS } from '@calm/core';
import type { WaitingLot } from '@calm/domain';
import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { formatOdds } from '../../../parts/format/odds';
import { actionWords } from '../../../parts/lots/actionWords';
import { useFormats } from '../../../parts/format/useFormats';
import { ballsPerService } from './ballsPerService';
import type { ChoiceWork } from './choiceWork';
import styles from './WhatNow.module.css';
import { WindowBar, type Span } from './WindowBar';

/** One way that a lot could take: what to do when, when it opens then, and how many balls that is. */
export function ChoiceItem({
  choice,
  mixedMs,
  nowMs,
  untilMs,
  services,
  before,
  work,
  isFirst,
  onChoose,
}: {
  readonly choice: AdvisedChoice;
  readonly mixedMs: number;
  readonly nowMs: number;
  /** When the last window of those beside it ends. */
  readonly untilMs?: number;
  readonly services: WaitingLot['services'];
  /** When it opens as it is. */
  readonly before: Span | null;
  /** Whose minutes it takes; null where nothing is done. */
  readonly work: ChoiceWork | null;
  readonly isFirst: boolean;
  /** Null where somebody only looks. */
  readonly onChoose: (() => void) | null;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { window, then, fromHour, balls, odds, stages, why } = choice;
  const at = (hour: number) => mixedMs + hour * HOUR_MS;
  const whenOf = (ms: number) => (ms - nowMs < SOON_MS ? t('whatNow.now') : f.moment(ms));
  const what = actionWords(t, choice);
  const steps = [
    { when: whenOf(at(fromHour)), what },
    ...(then
      ? [
          {
            when: f.moment(at(then.hour)),
            what: then.where ? t('whatNow.thenIn', { place: then.where }) : t('whatNow.thenOut'),
          },
        ]
      : []),
  ];
  const perService = ballsPerService(services, choice.perService);
  const wanted = perService.reduce((sum, each) => sum + each.wanted, 0);
  const opens = window && { startMs: at(window.earliestHour), endMs: at(window.latestHour) };
  return (
    <li className={styles['choice']} data-first={isFirst}>
      <div className={styles['what']}>
        <ol className={styles['steps']}>
          {steps.map((step) => (
            <li key={step.when + step.what}>
              <span className="quiet">{step.when}</span> <b>{step.what}</b>
            </li>
          ))}
        </ol>
        <p className="quiet">{t(`advice.${why}`)}</p>
        {work && (
          <p className="quiet">
            {t(work.who.length > 0 ? 'whatNow.work' : 'whatNow.workOfNobody', {
              work: f.duration(work.minutes),
              who: f.list(work.who),
            })}
          </p>
        )}
      </div>
      {stages ? (
        <div className={styles['comes']}>
          {wanted > 0 && (
            <p>
              <b>
                {t('whatNow.balls', { some: f.count(Math.round(balls)), all: f.count(wanted) })}
              </b>
            </p>
          )}
          {perService.length > 1 && (
            <p className="quiet">
              {f.list(
                perService.map((each) =>
                  t('whatNow.perService', {
                    at: f.time(each.startMs),
                    some: f.count(Math.round(each.well)),
                    all: f.count(each.wanted),
                  }),
                ),
              )}
            </p>
          )}
          <p className="quiet">
            {opens
              ? t('whatNow.opens', {
                  from: f.moment(opens.startMs),
                  to: f.time(opens.endMs),
                  odds: formatOdds(t, odds),
                })
              : t('whatNow.never')}
          </p>
          <WindowBar
            fromMs={nowMs}
            {...(untilMs && { untilMs })}
            services={services}
            before={before}
            after={opens}
          />
        </div>
      ) : (
        <p className={styles['comes']}>
          {wanted > 0 && t('whatNow.guestsLack', { all: f.count(wanted) })}
        </p>
      )}
      {onChoose && (
        <Button
          variant={isFirst ? 'contained' : 'outlined'}
          size="large"
          aria-label={t('whatNow.chooseOf', { what })}
          onClick={onChoose}
        >
          {t('whatNow.choose')}
        </Button>
      )}
    </li>
  );
}

/** What begins within so long is done now, ms. */
const SOON_MS = 8 * 60_000;
