import { HOUR_MS, STANDARD_TARGET, stageKey, workOf } from '@calm/core';
import type { HouseBook, LotRecord } from '@calm/contract';
import { asDecided, type BoardLot, doughAsPlanned, doughInProgress } from '@calm/domain';
import { memo, useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../parts/format/useFormats';
import { SwellingRibbon, type RibbonBead, type RibbonLot } from '../../parts/lots/SwellingRibbon';
import { usePictureWidth } from '../../parts/layout/usePictureWidth';
import { markOf } from '../../state/outbox/outboxLots';
import type { SimulationAnswer } from '../../workers/engine/engineAnswers';
import { useSimulation } from '../../workers/engine/useSimulation';
import styles from './Log.module.css';

const HEIGHT = 150;
const RIBBON = 110;
const HEAD = 8;
const PAD = 24;

/** A lot's ribbon as its record has it, and behind it, in outline, as it was planned. */
export const LotPicture = memo(function LotPicture({
  book,
  lot,
  records,
}: {
  readonly book: HouseBook;
  readonly lot: BoardLot;
  /** Of the lot: what was decided is part of its way. */
  readonly records: readonly LotRecord[];
}) {
  const { ref, width } = usePictureWidth<HTMLDivElement>();
  const prefermentC = book.house.settings.usualTempsC.preferment;
  const planned = useMemo(() => doughAsPlanned(lot, lot.product, prefermentC), [lot, prefermentC]);
  const was = useMemo(() => {
    const going = doughInProgress(lot, lot.product, prefermentC, lot.closeMs);
    return going && asDecided(going, records);
  }, [lot, prefermentC, records]);
  const plannedWay = useSimulation(planned?.document ?? null);
  const wasWay = useSimulation(was?.document ?? null);
  const ribbon = ribbonOf(lot, wasWay);
  return (
    <div ref={ref} className={styles['picture']}>
      {was && ribbon && width > 0 && (
        <Drawn
          lot={lot}
          ribbon={ribbon}
          ghost={ribbonOf(lot, plannedWay)}
          mixedMs={was.mixedMs}
          width={width}
        />
      )}
    </div>
  );
});

function Drawn({
  lot,
  ribbon,
  ghost,
  mixedMs,
  width,
}: {
  readonly lot: BoardLot;
  readonly ribbon: RibbonLot;
  readonly ghost: RibbonLot | null;
  readonly mixedMs: number;
  readonly width: number;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const lastHour = (lot.closeMs - mixedMs) / HOUR_MS;
  const toX = (hour: number) => PAD + (hour / Math.max(1, lastHour)) * (width - 2 * PAD);
  const hourOf = (ms: number) => (ms - mixedMs) / HOUR_MS;
  const beads = workOf(lot.stages).flatMap((work): RibbonBead[] => {
    const { doneAt } = markOf(lot.lot, 0, stageKey(work));
    const hour = doneAt === null ? -1 : hourOf(Date.parse(doneAt));
    const title = `${t(`work.${work.key}`)} ${doneAt === null ? '' : f.moment(Date.parse(doneAt))}`;
    return hour < 0 ? [] : [{ hour, label: '', title }];
  });
  const { window } = ribbon;
  const words =
    window.kind === 'ready'
      ? t('log.opensWell', {
          from: f.moment(mixedMs + window.earliestHour * HOUR_MS),
          until: f.moment(mixedMs + window.latestHour * HOUR_MS),
        })
      : t('tonight.windowNever');
  return (
    <>
      <svg width={width} height={HEIGHT}>
        <rect
          className={styles['service']}
          x={toX(hourOf(lot.doorsMs))}
          width={Math.max(0, toX(lastHour) - toX(hourOf(lot.doorsMs)))}
          y={HEAD}
          height={HEIGHT - HEAD - 20}
        />
        <SwellingRibbon
          lot={ribbon}
          ghost={ghost}
          toX={toX}
          y={HEAD}
          height={RIBBON}
          beads={beads}
          part={{ fromHour: 0, untilHour: lastHour }}
          label={t('log.ribbon', { code: lot.code })}
        />
        <text className={styles['axis']} x={PAD} y={HEIGHT - 4}>
          {f.moment(mixedMs)}
        </text>
        <text className={styles['axis']} x={width - PAD} y={HEIGHT - 4} textAnchor="end">
          {f.moment(lot.closeMs)}
        </text>
      </svg>
      <p>
        {words} <span className="quiet">{t('log.ghost')}</span>
      </p>
    </>
  );
}

function ribbonOf({ product }: BoardLot, way: SimulationAnswer | null): RibbonLot | null {
  if (!way?.ok) return null;
  return { ...way.value, target: { ...STANDARD_TARGET, ...product.target } };
}
