import { personOf, recordOf } from '@calm/domain';
import type { Place, Zone } from '@calm/contract';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { useNotices } from '../../../parts/messages/Notices';
import { NumberField } from '../../../parts/fields/NumberField';
import { dateAt } from '../../../state/time/localDate';
import { useOutboxItems } from '../../../state/outbox/useOutboxItems';
import { usePermission } from '../../../state/api/usePermission';
import { EnteredLate } from '../../../parts/messages/EnteredLate';
import styles from './Air.module.css';
import { useRoundDue } from './useRoundDue';
import type { WalkInNow } from '../useWalkIn';

/** A hand reading this far from its probe is taken again, °C. */
const OFF_C = 1.5;
const RULE = { min: -30, max: 40, decimals: 1 };

/** Temperatures taken by hand: which round is due, what to write, and what was written. */
export function Rounds({
  now,
  date,
  isToday,
}: {
  readonly now: WalkInNow;
  readonly date: string;
  readonly isToday: boolean;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const mayMark = usePermission('mark');
  const { book } = now.board;
  const { timeZone } = book.house;
  const rounds = now.cold.notes.flatMap((note) =>
    note.content.kind === 'round' && dateAt(Date.parse(note.at), timeZone) === date
      ? [{ ...note, content: note.content }]
      : [],
  );
  const due = useRoundDue(now);
  const nameOf = (id: string | null) => personOf(book, id)?.name ?? '';
  return (
    <section>
      <h2>{t('walkIn.air.rounds')}</h2>
      {isToday && (
        <p data-due={due.kind === 'due'}>
          {due.kind === 'due' && <b>{t('walkIn.air.roundDue', { at: f.timeOfDay(due.atMin) })}</b>}
          {due.kind === 'next' && t('walkIn.air.roundNone', { at: f.timeOfDay(due.atMin) })}
          {due.kind === 'none' && t('walkIn.air.roundNever')}
        </p>
      )}
      {isToday && mayMark && (
        <div className={styles['rounds']}>
          {book.places
            .filter(({ room }) => room !== null)
            .flatMap((place) =>
              place.zones.map((zone) => (
                <RoundField key={`${place.id}/${zone.name}`} now={now} place={place} zone={zone} />
              )),
            )}
        </div>
      )}
      {rounds.length > 0 && (
        <ul className={styles['done']}>
          {rounds.map(({ id, at, receivedAt, personId, content }) => (
            <li key={id}>
              <span className="quiet">
                {f.time(Date.parse(at))} {nameOf(personId)}
              </span>{' '}
              {t('walkIn.air.roundOf', {
                place: recordOf(book, 'places', content.placeId)?.name,
                zone: content.zone,
              })}{' '}
              <b>{f.temperature(content.airC)}</b> <EnteredLate of={{ at, receivedAt }} />
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

function RoundField({
  now,
  place,
  zone,
}: {
  readonly now: WalkInNow;
  readonly place: Place;
  readonly zone: Zone;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { said } = useNotices();
  const post = useOutboxItems(now.board.house);
  const [airC, setAirC] = useState<number | null>(null);
  const probe = now.cold.probes.find(
    (each) => each.placeId === place.id && each.zone === zone.name,
  );
  const last = now.cold.last.find(({ probeId }) => probeId === probe?.id);
  const words = { place: place.name, zone: zone.name };
  const offC = airC !== null && last ? airC - last.airC : 0;
  const keep = () => {
    if (airC === null) return;
    const content = { kind: 'round', placeId: place.id, zone: zone.name, airC } as const;
    const told = t('walkIn.air.roundKept', { ...words, temp: f.temperature(airC) });
    post({ kind: 'cold', start: { id: crypto.randomUUID(), content } }, told);
    said(told);
    setAirC(null);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
    >
      <NumberField
        label={t('walkIn.air.roundOf', words)}
        value={airC}
        measure="temp"
        rule={{ ...RULE, mayBeEmpty: true }}
        step={0.1}
        {...(Math.abs(offC) > OFF_C && {
          hint: t('walkIn.air.roundOff', { by: f.warmer(offC) }),
        })}
        onInput={setAirC}
        onCommit={setAirC}
      />
      <Button type="submit" disabled={airC === null}>
        {t('walkIn.air.roundKeep')}
      </Button>
    </form>
  );
}
