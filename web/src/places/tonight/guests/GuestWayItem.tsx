import type { AdvisedChoice, Service } from '@calm/contract';
import { HOUR_MS } from '@calm/core';
import { serviceIdOf, type Formats } from '@calm/domain';
import type { TFunction } from 'i18next';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { useFormats } from '../../../parts/format/useFormats';
import { usePermission } from '../../../state/api/usePermission';
import type { Board } from '../../../state/board/useBoard';
import { useRecordOutcome } from '../../../state/outbox/useRecordOutcome';
import type { WhatNowAnswer } from '../../../workers/engine/engineAnswers';
import { ChoiceItem } from '../what-now/ChoiceItem';
import { BackWords } from '../../../parts/lots/BackWords';
import { choiceWork } from '../what-now/choiceWork';
import styles from './Guests.module.css';
import type { Guests, GuestWay } from './guestWays';

/** Balls of one lot, whose they were, and the best that can be done with them. */
export function GuestWayItem({
  board,
  guests,
  way: { taken, service, waiting },
  answer,
  isFirst,
}: {
  readonly board: Board;
  readonly guests: Guests;
  readonly way: GuestWay;
  readonly answer: WhatNowAnswer | undefined;
  readonly isFirst: boolean;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const [best] = answer?.ok ? answer.value.choices.filter(({ stages }) => stages !== null) : [];
  const pull = usePullFor(board, guests, taken);
  const { code } = taken.lot;
  const isMore = guests.more > 0;
  const { mixedMs } = waiting.way;
  const asIs = answer?.ok && answer.value.choices.find((choice) => choice.do === 'keep')?.window;
  return (
    <section className={styles['way']}>
      <p>
        <b>
          <Link to={`/${board.house}/tonight/what-now/${code}`}>{code}</Link>{' '}
          {whoseBalls(t, f, guests, taken, service)}
        </b>{' '}
        {taken.lacks.map(({ service: other, balls }) => (
          <span key={serviceIdOf(other)}>
            {t('guests.lacks', {
              service: `${other.name}, ${f.date(other.date)}`,
              count: balls,
            })}{' '}
          </span>
        ))}
      </p>
      {answer?.ok && !isMore && <BackWords back={answer.value.back} mixedMs={mixedMs} />}
      {best ? (
        <ol className={styles['best']}>
          <ChoiceItem
            choice={best}
            mixedMs={mixedMs}
            nowMs={waiting.nowMs}
            services={waiting.services}
            work={choiceWork(board, taken.lot, best, taken.balls, mixedMs)}
            before={
              asIs
                ? {
                    startMs: mixedMs + asIs.earliestHour * HOUR_MS,
                    endMs: mixedMs + asIs.latestHour * HOUR_MS,
                  }
                : null
            }
            isFirst={isFirst}
            onChoose={isMore && isPullSoon(best, (waiting.nowMs - mixedMs) / HOUR_MS) ? pull : null}
          />
        </ol>
      ) : (
        <p>{t('guests.pastUse')}</p>
      )}
    </section>
  );
}

/** Whose balls they are, in a sentence. */
function whoseBalls(
  t: TFunction,
  f: Formats,
  { more }: Guests,
  { balls: count, lacks, lot }: GuestWay['taken'],
  to: Service | null,
): string {
  if (more > 0)
    return t(lacks.length > 0 ? 'guests.lent' : 'guests.spare', {
      count,
      date: f.date(lot.date),
    });
  if (!to) return t('guests.nobodyWants', { count });
  return t('guests.keptFor', { count, service: `${to.name}, ${f.date(to.date)}` });
}

/** What is to come out within so long is pulled by whoever stands there now, h. */
const SOON_H = 0.5;

const isPullSoon = (choice: AdvisedChoice, nowHour: number): boolean =>
  choice.do === 'pull-now' || (choice.do === 'pull-later' && choice.fromHour - nowHour <= SOON_H);

/** Puts it on record that the balls were pulled for the service; null where somebody only looks. */
function usePullFor(board: Board, { product, service }: Guests, taken: GuestWay['taken']) {
  const { t } = useTranslation();
  const mayMark = usePermission('mark');
  const { lot } = taken.lot;
  const put = useRecordOutcome(board.house, lot as NonNullable<typeof lot>);
  if (!mayMark || !lot) return null;
  const trays = Math.ceil(taken.balls / product.ballsPerTray);
  return () =>
    put(
      {
        kind: 'pulled',
        productId: product.id,
        serviceId: serviceIdOf(service),
        trays,
        balls: taken.balls,
      },
      t('tonight.pulled', { count: trays, product: product.name }),
    );
}
