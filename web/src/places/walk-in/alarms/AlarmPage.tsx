import { HOUR_MS } from '@calm/core';
import {
  affectedLots,
  movesFor,
  placesToMoveTo,
  type AffectedLot,
  type Move,
  recordOf,
} from '@calm/domain';
import { STANDARD_COLD_RULES, type ColdAlarm, type Probe } from '@calm/contract';
import Button from '@mui/material/Button';
import type { TFunction } from 'i18next';
import { useTranslation } from 'react-i18next';
import { Link, useParams } from 'react-router';
import { Caution } from '../../../parts/messages/Caution';
import { Failed } from '../../../parts/messages/Failed';
import type { Formats } from '@calm/domain';
import { useFormats } from '../../../parts/format/useFormats';
import { Message } from '../../../parts/messages/Message';
import { Page } from '../../../parts/layout/Page';
import { WaitingPage } from '../../../parts/layout/WaitingPage';
import { useAlarmMessage } from '../../../state/board/alarmMessages';
import { usePermission } from '../../../state/api/usePermission';
import air from '../air/Air.module.css';
import { AirChart } from '../air/AirChart';
import { windowWords } from '../coldWords';
import { spotsWords } from '../spotWords';
import { useTrays, type Trays } from '../racks/useTrays';
import { useWalkIn, type WalkInNow } from '../useWalkIn';
import styles from '../racks/WalkIn.module.css';
import { WalkInNav } from '../WalkInNav';
import { AlarmActions } from './AlarmActions';

/** One thing wrong with the cold: what it means for which lots, what to do, and what was done. */
export function AlarmPage() {
  const { t } = useTranslation();
  const { alarm: id } = useParams();
  const { now, error, retry } = useWalkIn();
  if (error && !now) return <Failed error={error} onRetry={retry} />;
  if (!now) return <WaitingPage />;
  const alarm = now.cold.alarms.find((each) => each.id === id);
  const probe = now.cold.probes.find((each) => each.id === alarm?.probeId);
  if (!alarm || !probe) {
    return (
      <Message
        title={t('walkIn.alarm.gone')}
        text=""
        link={{ label: t('stops.walk-in'), to: `/${now.board.house}/walk-in` }}
      />
    );
  }
  return <Alarm key={alarm.id} now={now} alarm={alarm} probe={probe} />;
}

/** The air is shown for so long around an alarm. */
const AROUND_MS = 4 * HOUR_MS;

function Alarm({
  now,
  alarm,
  probe,
}: {
  readonly now: WalkInNow;
  readonly alarm: ColdAlarm;
  readonly probe: Probe;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { board, cold, racks } = now;
  const mayMark = usePermission('mark');
  const trays = useTrays(board.house);
  const say = useAlarmMessage(board.book, cold);
  const rules = board.book.house.settings.cold ?? STANDARD_COLD_RULES;
  const place = recordOf(board.book, 'places', probe.placeId);
  const stacks = racks.shown.filter(({ isOnRecord }) => isOnRecord).map(({ stack }) => stack);
  const affected = affectedLots(probe, cold.lots, stacks);
  const warm = new Set(
    cold.alarms
      .filter(({ untilAt }) => untilAt === null)
      .flatMap(({ probeId }) => cold.probes.find(({ id }) => id === probeId)?.placeId ?? []),
  );
  const moves = movesFor(
    alarm,
    affected,
    placesToMoveTo(probe.placeId, board.book.places, stacks, warm),
  );
  const read = cold.air.find(({ probeId }) => probeId === probe.id);
  const [fromMs, untilMs] = [
    Date.parse(alarm.fromAt) - AROUND_MS,
    (alarm.untilAt === null ? Infinity : Date.parse(alarm.untilAt)) + AROUND_MS,
  ];
  const within = (read?.atS ?? [])
    .map((atS, i) => ({ atMs: atS * 1000, airC: read?.meanC[i] ?? 0 }))
    .filter(({ atMs }) => atMs >= fromMs && atMs <= untilMs);
  return (
    <Page
      title={t('walkIn.alarm.title', { place: place?.name ?? '', zone: probe.zone })}
      lead={<b>{say(alarm)}</b>}
    >
      <WalkInNav />
      <div className={air['columns']}>
        <section>
          <h2>{t('walkIn.alarm.movesTitle')}</h2>
          <ol className={air['moves']}>
            {moves.slice(0, SHOWN).map((move) => (
              <li key={move.kind}>{moveWords(t, f, move, now, rules.limitC)}</li>
            ))}
          </ol>
          <h2 className={air['under']}>{t('walkIn.alarm.causesTitle')}</h2>
          <ul className={air['causes']}>
            {alarm.causes.slice(0, 3).map(({ cause, weight }) => (
              <li key={cause}>
                <b>{t(`walkIn.alarm.cause.${cause}`)}</b>{' '}
                <span className="quiet">
                  {t(
                    `walkIn.alarm.howLikely.${weight > 0.5 ? 'most' : weight > 0.15 ? 'maybe' : 'hardly'}`,
                  )}
                </span>
              </li>
            ))}
          </ul>
          <p className="quiet small">{t('walkIn.alarm.causesHow')}</p>
          <Caution about="cold-room" />
        </section>
        <section>
          <h2>{t('walkIn.alarm.airTitle')}</h2>
          <AirChart
            lines={[
              {
                name: probe.name,
                atMs: within.map(({ atMs }) => atMs),
                airC: within.map(({ airC }) => airC),
              },
            ]}
            limitC={rules.limitC}
            words={say(alarm)}
          />
        </section>
      </div>
      <h2 className={air['under']}>{t('walkIn.alarm.stakeTitle')}</h2>
      {affected.length === 0 ? (
        <p className="quiet">{t('walkIn.alarm.stakeNone')}</p>
      ) : (
        <AffectedLotLine now={now} affected={affected} trays={trays} mayMark={mayMark} />
      )}
      <AlarmActions now={now} alarm={alarm} placeId={probe.placeId} mayMark={mayMark} />
      <p>
        <Link to={`/${board.house}/walk-in?place=${probe.placeId}`}>{t('walkIn.nav.racks')}</Link>
        {' · '}
        <span className="quiet">{f.moment(Date.parse(cold.at))}</span>
      </p>
    </Page>
  );
}

/** Who asks what a night did wants to know of small moves too, ms. */
const TOLD_FROM_MS = 5 * 60_000;

/** Moves that somebody remembers. */
const SHOWN = 4;

function moveWords(t: TFunction, f: Formats, move: Move, now: WalkInNow, limitC: number): string {
  const places = now.board.book.places;
  return t(`walkIn.alarm.move.${move.kind}`, {
    limit: f.temperature(limitC),
    count: 'trays' in move ? move.trays : 0,
    place: 'placeId' in move ? (places.find(({ id }) => id === move.placeId)?.name ?? '') : '',
    codes: 'codes' in move ? f.list(move.codes) : '',
  });
}

function AffectedLotLine({
  now,
  affected,
  trays,
  mayMark,
}: {
  readonly now: WalkInNow;
  readonly affected: readonly AffectedLot[];
  readonly trays: Trays;
  readonly mayMark: boolean;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  return (
    <div className={air['scroll']}>
      <table className={`${air['table']} ${air['stake']}`}>
        <thead>
          <tr>
            <th scope="col">{t('walkIn.alarm.lot')}</th>
            <th scope="col">{t('walkIn.alarm.stands')}</th>
            <th scope="col">{t('walkIn.alarm.opens')}</th>
            <td />
          </tr>
        </thead>
        <tbody>
          {affected.map(({ lot, stacks, trays: count, balls }) => {
            const shown = now.racks.shown.find(({ stack }) => stacks.includes(stack));
            const product = recordOf(now.board.book, 'products', lot.productId);
            const isFirst = now.first.has(lot.key);
            return (
              <tr key={`${lot.key}/${lot.productId}`}>
                <th scope="row">
                  <span className={styles['code']}>{lot.code}</span>{' '}
                  <span className="quiet">
                    {t('walkIn.ballsOf', { count: balls, product: product?.name ?? '' })}
                  </span>
                </th>
                <td>
                  {t('walkIn.alarm.trays', { count })}
                  {': '}
                  {spotsWords(
                    f,
                    stacks.map(({ spot }) => spot),
                  )}
                </td>
                <td>
                  {windowWords(t, f, lot, TOLD_FROM_MS)}
                  {isFirst && <b> {t('walkIn.alarm.isFirst')}</b>}
                </td>
                <td>
                  {mayMark && shown && (
                    <>
                      <Button onClick={() => trays.putFirst(shown, !isFirst)}>
                        {t(isFirst ? 'walkIn.notFirstDo' : 'walkIn.firstDo')}
                      </Button>
                      <Button
                        component={Link}
                        to={`/${now.board.house}/walk-in?place=${lot.placeId}&lot=${lot.code}`}
                      >
                        {t('walkIn.alarm.moveOrDiscard')}
                      </Button>
                      <Button
                        component={Link}
                        to={`/${now.board.house}/tonight/what-now/${lot.code}`}
                      >
                        {t('walkIn.alarm.whatNow')}
                      </Button>
                    </>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
