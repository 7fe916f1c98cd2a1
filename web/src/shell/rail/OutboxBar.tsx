import { personOf } from '@calm/domain';
import { problemKind, type LoadRecord, type Mark } from '@calm/contract';
import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../parts/format/useFormats';
import { useBookQuery, useSessionQuery } from '../../state/api/api';
import { confirmed, delivered, insisted, type OutboxItem } from '../../state/outbox/outbox';
import { useAppDispatch, useAppSelector } from '../../state/store';
import { useHouse } from '../../state/board/useBoard';
import { useDelivery } from '../../state/outbox/useDelivery';
import { insistedOn, useWaiting } from '../../state/outbox/useOutboxItems';
import styles from './OutboxBar.module.css';

/** What was done here and is not in the house: what waits for the network, and what was not taken. */
export function OutboxBar() {
  const { t } = useTranslation();
  const f = useFormats();
  const house = useHouse();
  useDelivery(house);
  const waiting = useWaiting(house);
  const isCutOff = useAppSelector(({ connection, outbox }) => connection.isLost || outbox.isCutOff);
  const { data: me } = useSessionQuery(house);
  const { data: book } = useBookQuery(house);
  const refused = waiting.filter(({ refusal }) => refusal !== null);
  const isUnkept = useAppSelector(({ outbox }) => outbox.isUnkept);
  const mine = waiting.filter(({ refusal, sessionId }) => !refusal && sessionId === me?.id);
  const earlier = waiting.filter(
    ({ refusal, personId, sessionId }) =>
      !refusal && personId === me?.personId && sessionId !== me.id,
  );
  const others = waiting.filter(({ personId }) => personId !== me?.personId);
  const names = [...new Set(others.map(({ personId }) => personId))].map(
    (id) => (book && personOf(book, id)?.name) ?? '',
  );
  return (
    <>
      {isUnkept && (
        <p className={styles['refused']} role="alert">
          <b>{t('outbox.unkept')}</b> {t('outbox.unkeptHow')}
        </p>
      )}
      {isCutOff && (
        <p className={styles['bar']} role="status">
          {mine.length > 0 ? t('outbox.waits', { count: mine.length }) : t('outbox.cutOff')}
        </p>
      )}
      {others.length > 0 && (
        <p className={styles['bar']} role="status">
          {t('outbox.others', { count: others.length, names: f.list(names) })}
        </p>
      )}
      {me && earlier.length > 0 && <Earlier items={earlier} sessionId={me.id} />}
      {refused.map((item) => (
        <Refused key={item.id} item={item} />
      ))}
    </>
  );
}

/** What somebody did here before they signed in anew: it is sent once they say that it is theirs. */
function Earlier({
  items,
  sessionId,
}: {
  readonly items: readonly OutboxItem[];
  readonly sessionId: string;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const dispatch = useAppDispatch();
  const ids = items.map(({ id }) => id);
  return (
    <div className={styles['refused']} role="alert">
      <p>
        <b>{t('outbox.earlier', { count: items.length })}</b>{' '}
        {f.list(
          items.map(({ at, words }) =>
            t('outbox.earlierOne', { what: words, at: f.moment(Date.parse(at)) }),
          ),
        )}
      </p>
      <Button
        variant="outlined"
        color="inherit"
        onClick={() => ids.forEach((id) => dispatch(delivered(id)))}
      >
        {t('outbox.drop')}
      </Button>
      <Button variant="contained" onClick={() => dispatch(confirmed({ ids, sessionId }))}>
        {t('outbox.sendEarlier')}
      </Button>
    </div>
  );
}

/** Something the house would not have: both sides, and what to do. Nothing of it is dropped unseen. */
function Refused({ item }: { readonly item: OutboxItem }) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const theirs = useTheirs(item);
  return (
    <div className={styles['refused']} role="alert">
      <p>
        <b>{t('outbox.refused', { what: item.words })}</b>{' '}
        {theirs === null
          ? item.refusal && t(`problems.${problemKind(item.refusal)}`)
          : t('outbox.theirs', { theirs })}
      </p>
      <Button variant="outlined" color="inherit" onClick={() => dispatch(delivered(item.id))}>
        {t(theirs === null ? 'outbox.drop' : 'outbox.keepTheirs')}
      </Button>
      <Button
        variant="outlined"
        color="inherit"
        onClick={() => dispatch(insisted({ id: item.id, item: insistedOn(item) }))}
      >
        {t(theirs === null ? 'outbox.again' : 'outbox.useMine')}
      </Button>
    </div>
  );
}

/** What the house has in place of it, in words; null where there is nothing to compare. */
function useTheirs({ command, refusal }: OutboxItem): string | null {
  const { t } = useTranslation();
  const f = useFormats();
  if (refusal?.current === undefined) return null;
  if (command.kind === 'load') {
    const { doughOutC, flourTempC, roomTempC } = refusal.current as LoadRecord;
    return [flourTempC, roomTempC, doughOutC]
      .filter((tempC) => tempC !== null)
      .map((tempC) => f.temperature(tempC))
      .join(' / ');
  }
  if (command.kind !== 'mark') return null;
  const { doneAt, skippedWhy, startedAt } = refusal.current as Mark;
  if (skippedWhy !== null) return t('outbox.skipped', { why: skippedWhy });
  if (doneAt !== null) return t('outbox.done', { at: f.time(Date.parse(doneAt)) });
  if (startedAt !== null) return t('outbox.begun', { at: f.time(Date.parse(startedAt)) });
  return t('outbox.open');
}
