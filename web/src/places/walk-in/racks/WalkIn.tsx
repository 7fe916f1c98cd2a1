import { traysAt } from '@calm/core';
import { roomIn, standingIn, traysIn, type ShownStack } from '@calm/domain';
import type { Place, Spot } from '@calm/contract';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useSearchParams } from 'react-router';
import { Failed } from '../../../parts/messages/Failed';
import { useFormats } from '../../../parts/format/useFormats';
import { Message } from '../../../parts/messages/Message';
import { useNotices } from '../../../parts/messages/Notices';
import { Page } from '../../../parts/layout/Page';
import { WaitingPage } from '../../../parts/layout/WaitingPage';
import { useCursor } from '../../../state/time/useCursor';
import { usePermission } from '../../../state/api/usePermission';
import { AlarmList } from '../alarms/AlarmList';
import { FindTrays } from './FindTrays';
import { OrderOfUse } from './OrderOfUse';
import { RackView, stackKey } from './RackView';
import { StackPanel } from './StackPanel';
import { spotWords } from '../spotWords';
import { useRoundDue } from '../air/useRoundDue';
import { useTrays } from './useTrays';
import { useWalkIn, type WalkInNow } from '../useWalkIn';
import styles from './WalkIn.module.css';
import { WalkInNav } from '../WalkInNav';

/** What is where in the cold, how cold it is, and how long each lot keeps. */
export function WalkIn() {
  const { t } = useTranslation();
  const { now, error, retry } = useWalkIn();
  if (error && !now) return <Failed error={error} onRetry={retry} />;
  if (!now) return <WaitingPage />;
  const cooled = now.board.book.places.filter(({ room }) => room !== null);
  if (cooled.length === 0) {
    return (
      <Message
        title={t('walkIn.noPlace')}
        text={t('walkIn.noPlaceHow')}
        link={{ label: t('walkIn.nav.places'), to: `/${now.board.house}/walk-in/places` }}
      />
    );
  }
  return <Racks now={now} cooled={cooled} />;
}

function Racks({ now, cooled }: { readonly now: WalkInNow; readonly cooled: readonly Place[] }) {
  const { t } = useTranslation();
  const f = useFormats();
  const { atMs, isNow } = useCursor();
  const { said } = useNotices();
  const mayMark = usePermission('mark');
  const trays = useTrays(now.board.house);
  const [params, setParams] = useSearchParams();
  const largest = [...cooled].sort((a, b) => traysIn(b) - traysIn(a))[0] as Place;
  const place = cooled.find(({ id }) => id === params.get('place')) ?? largest;
  const [taken, setTaken] = useState<string | null>(null);
  const wanted = params.get('lot');
  const inHand =
    now.racks.shown.find((shown) => stackKey(shown) === taken) ??
    (taken === null && wanted
      ? (now.racks.shown.find(({ lot }) => lot.code === wanted.toUpperCase()) ?? null)
      : null);

  const go = (to: string) => {
    const search = new URLSearchParams(params);
    search.set('place', to);
    search.delete('lot');
    setParams(search, { replace: true });
  };
  const take = (shown: ShownStack | null) => {
    setTaken(shown ? stackKey(shown) : '');
    if (shown && shown.stack.spot.placeId !== place.id) go(shown.stack.spot.placeId);
  };
  const find = (code: string) => {
    const shown = now.racks.shown.find(({ lot }) => lot.code === code);
    if (shown) take(shown);
    else said(t('walkIn.notFound', { code }));
  };
  const put = (shown: ShownStack, to: Spot) => {
    const target = cooled.find(({ id }) => id === to.placeId);
    if (!target) return;
    const others = now.racks.shown.filter((each) => each !== shown).map(({ stack }) => stack);
    const free = target.traysAPosition - traysAt(standingIn(target, others), to);
    if (free <= 0) return said(t('walkIn.full', { spot: spotWords(to) }));
    trays.move(shown, to, Math.min(free, shown.stack.trays));
    setTaken('');
  };
  const toPutAway = now.racks.shown.filter(
    ({ isOnRecord, lot, stack }) =>
      !isOnRecord && lot.lot !== null && stack.spot.placeId === place.id,
  );
  const without = now.racks.without.filter(({ placeId }) => placeId === place.id);
  return (
    <Page
      title={t('stops.walk-in')}
      lead={<Lead now={now} cooled={cooled} />}
      aside={<FindTrays onFind={find} />}
    >
      <WalkInNav />
      <AlarmList now={now} />
      {isNow && mayMark && <RoundPrompt now={now} />}
      <PlaceTabs now={now} cooled={cooled} placeId={place.id} onGo={go} />
      {without.map(({ lot, product, trays: count }) => (
        <p
          key={`${lot.code}/${lot.date}/${product.id}`}
          className={styles['without']}
          role="status"
        >
          {t('walkIn.without', { code: lot.code, product: product.name, count, place: place.name })}
        </p>
      ))}
      {isNow && mayMark && toPutAway.length > 0 && (
        <p className={styles['away']}>
          {t('walkIn.toPutAway', {
            count: toPutAway.reduce((sum, { stack }) => sum + stack.trays, 0),
          })}{' '}
          <Button variant="outlined" onClick={() => trays.putAway(toPutAway)}>
            {t('walkIn.putAwayDo')}
          </Button>
        </p>
      )}
      <div className={styles['split']}>
        <RackView
          now={now}
          place={place}
          atMs={atMs}
          inHand={inHand}
          mayMove={isNow && mayMark}
          onTake={take}
          onPut={put}
        />
        <div className={styles['side']}>
          {inHand ? (
            <StackPanel
              now={now}
              shown={inHand}
              trays={trays}
              mayMove={isNow && mayMark}
              onClose={() => setTaken('')}
            />
          ) : (
            <OrderOfUse now={now} atMs={atMs} onTake={take} />
          )}
        </div>
      </div>
      <p className="quiet small">
        {t('walkIn.legend', { free: f.count(roomIn(place, now.racks)) })}
      </p>
    </Page>
  );
}

/** The cold places, each with how full it is. */
function PlaceTabs({
  now,
  cooled,
  placeId,
  onGo,
}: {
  readonly now: WalkInNow;
  readonly cooled: readonly Place[];
  /** Which one is shown. */
  readonly placeId: string;
  readonly onGo: (placeId: string) => void;
}) {
  const { t } = useTranslation();
  return (
    <div className={styles['tabs']} role="group" aria-label={t('walkIn.places')}>
      {cooled.map((each) => {
        const all = traysIn(each);
        return (
          <button
            key={each.id}
            type="button"
            aria-pressed={each.id === placeId}
            onClick={() => onGo(each.id)}
          >
            {each.name}{' '}
            <span>{t('walkIn.trays', { trays: all - roomIn(each, now.racks), of: all })}</span>
          </button>
        );
      })}
    </div>
  );
}

/** Says when somebody should read the thermometers. */
function RoundPrompt({ now }: { readonly now: WalkInNow }) {
  const { t } = useTranslation();
  const f = useFormats();
  const due = useRoundDue(now);
  if (due.kind !== 'due') return null;
  return (
    <p className={styles['away']}>
      {t('walkIn.air.roundDue', { at: f.timeOfDay(due.atMin) })}{' '}
      <Link to={`/${now.board.house}/walk-in/air`}>{t('walkIn.nav.air')}</Link>
    </p>
  );
}

/** How cold it is, in one line. */
function Lead({ now, cooled }: { readonly now: WalkInNow; readonly cooled: readonly Place[] }) {
  const { t } = useTranslation();
  const f = useFormats();
  const words = cooled.map((place) => {
    const own = now.cold.probes
      .filter(({ placeId }) => placeId === place.id)
      .flatMap(({ id, zone }) => {
        const last = now.cold.last.find(({ probeId }) => probeId === id);
        return last ? [`${zone} ${f.temperature(last.airC)}`] : [];
      });
    return own.length > 0
      ? `${place.name}: ${f.list(own)}`
      : t('walkIn.noProbe', { place: place.name, set: f.temperature(place.room?.setC ?? 0) });
  });
  return words.join(' · ');
}
