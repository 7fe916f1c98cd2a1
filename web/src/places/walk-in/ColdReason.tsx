import type { ColdLot, ShownStack } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../parts/format';
import { coldWindow } from '../../state/useCold';
import { isMoved } from './coldWords';
import type { WalkInNow } from './useWalkIn';

/** Why a window is not where it was: what its trays stood through. Nothing when it has not moved. */
export function ColdReason({
  now,
  shown: { stack },
  lot,
}: {
  readonly now: WalkInNow;
  readonly shown: ShownStack;
  readonly lot: ColdLot;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const [is, was] = [coldWindow(lot, lot.now), coldWindow(lot, lot.asSet)];
  if (is && was && !isMoved(is, was)) return null;
  const stood = (placeId: string, zone: string, fromMs: number, untilMs: number) =>
    stack.legs.some(({ spot, fromMs: since }, i) => {
      const until = stack.legs[i + 1]?.fromMs ?? Infinity;
      return spot.placeId === placeId && spot.zone === zone && since < untilMs && until > fromMs;
    });
  const through = now.cold.alarms.filter((alarm) => {
    const probe = now.cold.probes.find(({ id }) => id === alarm.probeId);
    const untilMs = alarm.untilAt === null ? Infinity : Date.parse(alarm.untilAt);
    return (
      probe &&
      alarm.meanC !== null &&
      stood(probe.placeId, probe.zone, Date.parse(alarm.fromAt), untilMs)
    );
  });
  if (through.length === 0) return <p className="quiet">{t('walkIn.reason.otherwise')}</p>;
  return through.map((alarm) => {
    const zone = now.cold.probes.find(({ id }) => id === alarm.probeId)?.zone ?? '';
    return (
      <p key={alarm.id}>
        {t(alarm.untilAt === null ? 'walkIn.reason.still' : 'walkIn.reason.was', {
          zone,
          mean: f.temperature(alarm.meanC ?? 0),
          from: f.moment(Date.parse(alarm.fromAt)),
          until: alarm.untilAt === null ? '' : f.time(Date.parse(alarm.untilAt)),
        })}
      </p>
    );
  });
}
