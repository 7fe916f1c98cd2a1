import type { HouseBook, PracticeWeek } from '@calm/contract';
import type { Decision } from '@calm/core';
import { eveningsAhead, nextEveningOf, practiceEvening, type PracticeEvening } from '@calm/domain';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../../parts/format/useFormats';
import { HowMany } from '../HowMany';
import styles from './Week.module.css';
import { withMade, type WeekRun } from './weekRun';

/** More trays of a dough are made for no evening. */
const MOST_TRAYS = 12;

/** What is left in the cold after an evening, and how many trays are made of each dough for the evening that it is made for now. */
export function NextTrays({
  book,
  week,
  at,
  evening,
  run,
  decisions,
  onChange,
}: {
  readonly book: HouseBook;
  readonly week: PracticeWeek;
  /** Which evening is over, from 0. */
  readonly at: number;
  readonly evening: PracticeEvening;
  readonly run: WeekRun;
  /** What was decided on it. */
  readonly decisions: readonly Decision[];
  readonly onChange: (next: WeekRun) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { made, decisions: before } = run;
  const next = useMemo(
    () => nextEveningOf(book, week, { decisions: [...before, decisions], made }),
    [book, week, before, decisions, made],
  );
  const ahead = eveningsAhead(evening);
  if (!next) return null;
  return (
    <>
      <h2>{t('practice.week.left')}</h2>
      <ul>
        {evening.products.map(({ id, name }, i) => {
          const kept = (next.really.doughs[i]?.trays ?? []).filter(({ nights }) => nights > 0);
          const balls = kept.reduce((sum, tray) => sum + tray.balls, 0);
          return (
            <li key={id}>
              <bdi>{name}</bdi>:{' '}
              {t('practice.week.kept', { count: kept.length, balls: f.count(Math.round(balls)) })}
            </li>
          );
        })}
      </ul>
      <h2>{t('practice.week.make')}</h2>
      <ul className={styles['make']}>
        {evening.products.map(({ id, name }, i) => {
          const forEvening = at + (ahead[i] ?? 1);
          const situation = week.evenings[forEvening];
          const planned = situation?.trays[i];
          if (!situation || planned === undefined) return null;
          const dough = practiceEvening(book, situation)?.believed.doughs[i];
          const guests = (dough?.perQuarter ?? []).reduce((sum, each) => sum + each, 0);
          return (
            <li key={id}>
              <span>
                <b>
                  <bdi>{name}</bdi>
                </b>{' '}
                {t('practice.week.forEvening', {
                  number: f.count(forEvening + 1),
                  guests: f.count(Math.round(guests)),
                  balls: f.count(dough?.ballsPerTray ?? 0),
                })}
              </span>
              <span className={styles['count']}>
                <HowMany
                  of={name}
                  many={made[forEvening]?.[i] ?? planned}
                  least={0}
                  most={MOST_TRAYS}
                  onChange={(many) => onChange(withMade(run, forEvening, i, many))}
                />
              </span>
            </li>
          );
        })}
      </ul>
    </>
  );
}
