import { STANDARD_KITCHEN } from '@calm/contract';
import {
  at,
  COLD_AIR_C,
  doughStagesOfRoute,
  MINUTE_MS,
  roomInTub,
  roomOnTray,
  type Container,
  type RestStage,
} from '@calm/core';
import { doughAsPlanned, type BoardLot } from '@calm/domain';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import type { Board } from '../../../state/board/useBoard';
import type { Way } from '../../../workers/engine/engineAnswers';
import { useSimulation } from '../../../workers/engine/useSimulation';
import styles from './BatchSheet.module.css';
import { SameInThisRoom } from './SameInThisRoom';

/** What balls stand on in rows. */
const TRAYS: readonly Container[] = ['lidded-tray', 'stacked-tray', 'open-tray'];

/** Whether the lot's tubs and trays leave it room to rise, and how it stands in them: said before it goes over. */
export function RoomToRise({
  board,
  boardLot,
  roomTempC,
}: {
  readonly board: Board;
  readonly boardLot: BoardLot;
  /** As the thermometer shows it now. */
  readonly roomTempC: number;
}) {
  const { t } = useTranslation();
  const { product, recipe } = boardLot;
  const { settings } = board.book.house;
  const prefermentTempC = settings.usualTempsC.preferment;
  const document = useMemo(
    () => doughAsPlanned(boardLot, product, prefermentTempC)?.document ?? null,
    [boardLot, product, prefermentTempC],
  );
  const answer = useSimulation(document);
  const rests = doughStagesOfRoute(recipe.route, { loads: 1, balls: 1 }).stages;
  const restMin = boardLot.stages.flatMap((stage) =>
    stage.kind === 'rest' && stage.key !== 'preferment'
      ? (stage.endMs - stage.startMs) / MINUTE_MS
      : [],
  );
  const kitchen = settings.kitchen ?? STANDARD_KITCHEN;
  const way = answer?.ok ? answer.value : null;
  // What lies in pans spreads in them, not on the tray.
  const isPanned = recipe.route.some(({ key }) => key === 'pan');
  const most = (isIn: (rest: RestStage) => boolean) =>
    way
      ? mostVolume(
          way,
          rests.map(({ rest }) => isIn(rest)),
        )
      : null;
  return (
    <section aria-label={t('stand.title')}>
      <h2>{t('stand.title')}</h2>
      <ul className={styles['stand']}>
        {rests.map(({ rest }, i) => (
          <li key={i}>
            <Stands rest={rest} />
            {document && rest.airTempC > COLD_AIR_C && (
              <SameInThisRoom
                document={document}
                stage={i}
                plannedMin={restMin[i] ?? rest.hours.preferred * 60}
                roomTempC={roomTempC}
              />
            )}
          </li>
        ))}
      </ul>
      <InTubs
        boardLot={boardLot}
        kitchen={kitchen}
        volume={most(({ container }) => container === 'tub')}
      />
      {!isPanned && (
        <OnTrays
          boardLot={boardLot}
          kitchen={kitchen}
          volume={most(({ container }) => TRAYS.includes(container))}
        />
      )}
    </section>
  );
}

/** Over dough, and under it. */
function Stands({ rest }: { readonly rest: RestStage }) {
  const { t } = useTranslation();
  const f = useFormats();
  return (
    <>
      <b>{t(`rest.${rest.key}`)}</b>{' '}
      {f.list([
        rest.place,
        t(`stand.in.${rest.container}`),
        ...(rest.cover ? [t(`stand.say.cover.${rest.cover}`)] : []),
        ...(rest.under ? [t(`stand.say.under.${rest.under}`)] : []),
      ])}
    </>
  );
}

interface Room {
  readonly boardLot: BoardLot;
  readonly kitchen: typeof STANDARD_KITCHEN;
  /** Most volumes since mixing; null while that is not known, or dough never stands so. */
  readonly volume: number | null;
}

function InTubs({ boardLot: { scaled }, kitchen, volume }: Room) {
  const { t } = useTranslation();
  const f = useFormats();
  const { tubLitres, tubKg } = kitchen;
  if (tubLitres === undefined || volume === null || !scaled.ok) return null;
  const doughKg = scaled.value.balance.doughG / 1000;
  const tubs = Math.ceil(doughKg / tubKg);
  const room = roomInTub({ doughKg, volume, tubLitres });
  const words = {
    rise: f.times(volume),
    litres: f.litres(room.litres / tubs, 1),
    holds: f.litres(tubLitres, 0),
    kg: f.kilograms(room.mostKg * 1000, 1),
    each: f.kilograms((doughKg / tubs) * 1000, 1),
  };
  const isOver = room.tubs > tubs;
  return (
    <p role="status" data-moved={isOver} className={styles['windowNow']}>
      {t(isOver ? 'stand.tubOver' : 'stand.tub', {
        ...words,
        count: isOver ? room.tubs : tubs,
      })}
    </p>
  );
}

/** Balls that overlap by less of their width are still lifted out one by one. */
const GROWN_IN = 0.12;

function OnTrays({ boardLot: { product }, kitchen, volume }: Room) {
  const { t } = useTranslation();
  const f = useFormats();
  const { trayCm } = kitchen;
  if (!trayCm || volume === null) return null;
  const { ballCm, gapCm, most } = roomOnTray({
    ballWeightG: product.ballWeightG,
    volume,
    balls: product.ballsPerTray,
    lengthCm: trayCm.length,
    widthCm: trayCm.width,
  });
  const room = gapCm >= 0 ? 'tray' : gapCm >= -GROWN_IN * ballCm ? 'trayJust' : 'trayTouch';
  return (
    <p role="status" data-moved={room === 'trayTouch'} className={styles['windowNow']}>
      {t(`stand.${room}`, {
        product: product.name,
        wide: f.centimetres(ballCm),
        gap: f.centimetres(gapCm),
        balls: product.ballsPerTray,
        most,
      })}
    </p>
  );
}

/** The most that dough gets to in some of its stages, until it is opened, volumes since mixing; null where it has none. */
function mostVolume(
  { course, endHour }: Pick<Way, 'course' | 'endHour'>,
  isStage: readonly boolean[],
): number | null {
  let most: number | null = null;
  for (let i = 0; i < course.length && at(course.hours, i) <= endHour; i += 1) {
    if (isStage[at(course.stages, i)]) most = Math.max(most ?? 0, at(course.volumes, i));
  }
  return most;
}
