import { MINUTE_MS } from '@calm/core';
import { serviceIdOf } from '@calm/domain';
import type { Assumption } from '@calm/contract';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../../parts/fields/Choice';
import { FromTo } from '../../../parts/fields/FromTo';
import { NumberField } from '../../../parts/fields/NumberField';
import { midnightOf } from '../../../state/time/localDate';
import type { PlanWeek } from '../editing/usePlanWeek';
import styles from '../Plan.module.css';
import type { PlanWords } from '../planWords';

/** What can be asked about. */
const ASSUMED_KINDS = [
  'away',
  'mixer-down',
  'more-balls',
  'warmer',
  'room-down',
  'warm-tap',
] as const;
export type AssumedKind = (typeof ASSUMED_KINDS)[number];

/** Whether an address asks about something that can be asked. */
export const isAssumedKind = (asked: string | null): asked is AssumedKind =>
  (ASSUMED_KINDS as readonly (string | null)[]).includes(asked);

interface Hours {
  readonly startMin: number;
  readonly endMin: number;
}

/** How much of each at first: forty covers more on some three hundred is about this, percent. */
const MORE = { first: 20, rule: { min: -100, max: 300, decimals: 0 } };
const WARMER = { first: 8, rule: { min: 1, max: 20, decimals: 0 } };
const TAP_WARMER = { first: 6, rule: { min: 1, max: 20, decimals: 0 } };
/** A cold room fails for this long, a heatwave lasts so many days more, min. */
const DOWN_MIN = 180;
const HEAT_MIN = 2 * 24 * 60;
const DAY_MIN = 24 * 60;

/** The fields of something that may happen, and what they say. */
export function useAssumption(week: PlanWeek, words: PlanWords, first: AssumedKind | null) {
  const { t } = useTranslation();
  const [asked, setKind] = useState<AssumedKind>(first ?? 'away');
  const ahead = week.dates.filter((each) => dayOf(week, each).endMin > week.nowMin);
  // What is asked about from a shift is today's; at a desk the next day is.
  const [date, setDate] = useState((first ? ahead[0] : ahead[1]) ?? ahead[0] ?? '');
  const [hours, setHours] = useState<Hours | null>(null);
  const [personId, setPersonId] = useState(week.book.people[0]?.id ?? '');
  // The largest is missed most.
  const mixers = week.book.mixers
    .filter((mixer) => mixer.kind !== 'hand')
    .toSorted((one, other) => other.maxDoughKg - one.maxDoughKg)
    .map(({ id }) => id);
  const [mixerId, setMixerId] = useState(mixers[0] ?? '');
  const services = week.services.filter(
    ({ startsAt }) => Date.parse(startsAt) / MINUTE_MS > week.nowMin,
  );
  const [serviceId, setServiceId] = useState(services[0] ? serviceIdOf(services[0]) : '');
  const cooled = week.book.places.filter(({ room }) => room).map(({ name }) => name);
  const [place, setPlace] = useState(cooled[0] ?? '');
  const kinds = ASSUMED_KINDS.filter(
    (each) =>
      (each !== 'mixer-down' || mixers.length > 0) && (each !== 'room-down' || cooled.length > 0),
  );
  // What a house does not have cannot fail.
  const kind = kinds.find((each) => each === asked) ?? 'away';
  const [percent, setPercent] = useState(MORE.first);
  const [byC, setByC] = useState(WARMER.first);
  const [tapC, setTapC] = useState(TAP_WARMER.first);

  const day = dayOf(week, date);
  const usual = usualHours(week, kind, day.startMin);
  const { startMin, endMin } = hours ?? usual;
  const when = { startMin: day.startMin + startMin, endMin: day.startMin + endMin };
  const isTimed = kind === 'away' || kind === 'mixer-down' || kind === 'room-down';
  const fields = (
    <div className={styles['dialogRow']}>
      <Choice
        label={t('plan.whatHappens')}
        value={kind}
        values={kinds}
        width={220}
        say={(each) => t(`plan.ifKind.${each}`)}
        onChange={(to) => {
          setKind(to);
          setHours(null);
        }}
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
      {kind === 'mixer-down' && (
        <Choice
          label={t('plan.mixer')}
          value={mixerId}
          values={mixers}
          width={220}
          say={words.mixer}
          onChange={setMixerId}
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
        <>
          <Choice
            label={t('plan.service')}
            value={serviceId}
            values={services.map(serviceIdOf)}
            width={200}
            say={words.service}
            onChange={setServiceId}
          />
          <NumberField
            size="office"
            label={t('plan.moreBy')}
            unit="%"
            value={percent}
            rule={MORE.rule}
            step={5}
            onCommit={(to) => setPercent(to ?? MORE.first)}
          />
        </>
      )}
      {(kind === 'warmer' || kind === 'warm-tap') && (
        <NumberField
          size="office"
          label={t('plan.warmerBy')}
          measure="tempDifference"
          value={kind === 'warmer' ? byC : tapC}
          rule={kind === 'warmer' ? WARMER.rule : TAP_WARMER.rule}
          onCommit={(to) =>
            kind === 'warmer' ? setByC(to ?? WARMER.first) : setTapC(to ?? TAP_WARMER.first)
          }
        />
      )}
      {(isTimed || kind === 'warmer') && (
        <Choice
          label={t('plan.day')}
          value={date}
          values={ahead}
          say={words.f.date}
          onChange={(to) => {
            setDate(to);
            setHours(null);
          }}
        />
      )}
      {isTimed && (
        <FromTo hours={{ startMin, endMin }} nextDay={t('plan.nextDay')} onChange={setHours} />
      )}
    </div>
  );
  const assumption = (): Assumption => {
    switch (kind) {
      case 'away':
        return { kind, personId, when };
      case 'mixer-down':
        return { kind, mixerId, when };
      case 'more-balls':
        return { kind, serviceId, percent };
      case 'warmer':
        return { kind, byC, when: { ...day, endMin: day.endMin + HEAT_MIN } };
      case 'room-down':
        return { kind, place, when };
      case 'warm-tap':
        return { kind, byC: tapC };
    }
  };
  return { assumption: assumption(), fields };
}

/** From now on where it is today, on the quarter hour; the whole day otherwise. A cold room fails for a while. */
function usualHours({ nowMin }: PlanWeek, kind: AssumedKind, midnightMin: number): Hours {
  const isToday = nowMin >= midnightMin && nowMin < midnightMin + DAY_MIN;
  const startMin = isToday ? Math.floor((nowMin - midnightMin) / 15) * 15 : 0;
  if (kind === 'room-down') {
    const from = isToday ? startMin : 11 * 60;
    return { startMin: from, endMin: from + DOWN_MIN };
  }
  return { startMin, endMin: DAY_MIN };
}

/** A local day, minutes since 1970. */
function dayOf({ book }: PlanWeek, date: string) {
  const startMin = midnightOf(date, book.house.timeZone) / MINUTE_MS;
  return { startMin, endMin: startMin + DAY_MIN };
}
