import { MINUTE_MS, changesBetween, type PlannedLot } from '@calm/core';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import LinearProgress from '@mui/material/LinearProgress';
import { serviceIdOf } from '@calm/domain';
import type { Assumption } from '@calm/contract';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../../parts/fields/Choice';
import { midnightOf } from '../../../state/time/localDate';
import styles from '../Plan.module.css';
import { changeText } from './PublishDialog';
import type { PlanWords } from '../planWords';
import type { PlanMessages } from '../conflicts/conflictMessages';
import type { PlanEditing } from '../editing/usePlanEditing';
import type { PlanWeek } from '../editing/usePlanWeek';
import { useWhatIf } from './useWhatIf';

const KINDS = ['away', 'more-balls', 'warmer', 'room-down', 'warm-tap'] as const;
type Kind = (typeof KINDS)[number];

/** What would break if something were otherwise, and what settles it. */
export function WhatIfDialog({
  week,
  words,
  messages,
  editing,
  onClose,
}: {
  readonly week: PlanWeek;
  readonly words: PlanWords;
  readonly messages: PlanMessages;
  readonly editing: PlanEditing;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const [kind, setKind] = useState<Kind>('away');
  const ahead = week.dates.filter((date) => dayOf(week, date).endMin > week.nowMin);
  const [date, setDate] = useState(ahead[1] ?? ahead[0] ?? '');
  const [personId, setPersonId] = useState(week.book.people[0]?.id ?? '');
  const services = week.services.filter(
    ({ startsAt }) => Date.parse(startsAt) / MINUTE_MS > week.nowMin,
  );
  const [serviceId, setServiceId] = useState(services[0] ? serviceIdOf(services[0]) : '');
  const cooled = week.book.places.filter(({ room }) => room).map(({ name }) => name);
  const [place, setPlace] = useState(cooled[0] ?? '');
  const assumption = assumptionOf(week, { kind, date, personId, serviceId, place });
  const { answer, ask, isAsking } = useWhatIf(week);
  const isAnswered = answer?.assumption === JSON.stringify(assumption);
  const solvedLots = isAnswered ? answer.solved : null;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>{t('plan.whatIf')}</DialogTitle>
      <DialogContent className={styles['dialog'] ?? ''} tabIndex={0}>
        <div className={styles['dialogRow']}>
          <Choice
            label={t('plan.whatHappens')}
            value={kind}
            values={KINDS}
            width={220}
            say={(each) => t(`plan.ifKind.${each}`)}
            onChange={setKind}
          />
          {kind === 'away' && (
            <Choice
              label={t('plan.who')}
              value={personId}
              values={week.book.people.map(({ id }) => id)}
              say={words.person}
              onChange={setPersonId}
            />
          )}
          {kind === 'room-down' && (
            <Choice
              label={t('plan.place')}
              value={place}
              values={cooled}
              say={(name) => name}
              onChange={setPlace}
            />
          )}
          {kind === 'more-balls' && (
            <Choice
              label={t('plan.service')}
              value={serviceId}
              values={services.map(serviceIdOf)}
              width={200}
              say={words.service}
              onChange={setServiceId}
            />
          )}
          {(kind === 'away' || kind === 'warmer' || kind === 'room-down') && (
            <Choice
              label={t('plan.day')}
              value={date}
              values={ahead}
              say={words.f.date}
              onChange={setDate}
            />
          )}
        </div>
        <p>{messages.assumption(assumption)}</p>
        <Button variant="contained" disabled={isAsking} onClick={() => ask(assumption)}>
          {t('plan.seeWhat')}
        </Button>
        {isAsking && <LinearProgress aria-label={t('plan.looking')} />}
        {isAnswered && (
          <Answer week={week} breaks={answer.breaks} solvedLots={solvedLots} words={words} />
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('plan.close')}</Button>
        <Button
          variant="contained"
          disabled={!isAnswered}
          onClick={() => {
            editing.take({
              ...week.content,
              lots: solvedLots ?? week.lots,
              assumptions: [...week.content.assumptions, assumption],
            });
            onClose();
          }}
        >
          {t('plan.takeIntoDraft')}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** What would break, and who would do what at other times. */
function Answer({
  week,
  breaks,
  solvedLots,
  words,
}: {
  readonly week: PlanWeek;
  readonly breaks: readonly string[];
  readonly solvedLots: readonly PlannedLot[] | null;
  readonly words: PlanWords;
}) {
  const { t } = useTranslation();
  const changes = solvedLots
    ? changesBetween(week.lots, solvedLots, week.nowMin).filter(({ kind: what }) => what !== 'same')
    : [];
  return (
    <div role="status">
      <h3>{t('plan.breaks', { count: breaks.length })}</h3>
      <ul>
        {breaks.map((each) => (
          <li key={each}>{each}</li>
        ))}
      </ul>
      {solvedLots && (
        <>
          <h3>
            {changes.length > 0
              ? t('plan.settlesIt', { count: changes.length })
              : t('plan.nothingMoves')}
          </h3>
          <ul>
            {changes.map((change) => (
              <li
                key={`${change.personId}${change.lot.id}${change.step.stage}${change.step.serviceId ?? ''}${change.kind}`}
              >
                {words.person(change.personId)}: {changeText(change, words)}
              </li>
            ))}
          </ul>
        </>
      )}
      {!solvedLots && breaks.length > 0 && <p>{t('plan.notSettled')}</p>}
    </div>
  );
}

/** A local day, minutes since 1970. */
function dayOf({ book }: PlanWeek, date: string) {
  const startMin = midnightOf(date, book.house.timeZone) / MINUTE_MS;
  return { startMin, endMin: startMin + 24 * 60 };
}

/** How much of each: forty covers more on some three hundred is about this, percent. */
const MORE_PERCENT = 20;
const WARMER_C = 8;
const TAP_WARMER_C = 6;
/** A cold room fails for this long from mid-morning, minutes. */
const DOWN_MIN = 180;
const DOWN_FROM_MIN = 11 * 60;

function assumptionOf(
  week: PlanWeek,
  {
    kind,
    date,
    personId,
    serviceId,
    place,
  }: {
    readonly kind: Kind;
    readonly date: string;
    readonly personId: string;
    readonly serviceId: string;
    readonly place: string;
  },
): Assumption {
  const when = dayOf(week, date);
  switch (kind) {
    case 'away':
      return { kind, personId, when };
    case 'more-balls':
      return { kind, serviceId, percent: MORE_PERCENT };
    case 'warmer':
      return { kind, byC: WARMER_C, when: { ...when, endMin: when.endMin + 2 * 24 * 60 } };
    case 'room-down': {
      const startMin = when.startMin + DOWN_FROM_MIN;
      return { kind, place, when: { startMin, endMin: startMin + DOWN_MIN } };
    }
    case 'warm-tap':
      return { kind, byC: TAP_WARMER_C };
  }
}
