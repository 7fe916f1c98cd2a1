import type { ColdAlarm, ColdLot, Probe, Spot } from '@calm/contract';
import type { ShownStack } from '@calm/domain';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { lotWindow } from '../../../state/board/lotWindow';
import { isMoved } from '../coldWords';
import type { WalkInNow } from '../useWalkIn';

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
  const [is, was] = [lotWindow(lot.now, lot.mixedMs), lotWindow(lot.asSet, lot.mixedMs)];
  if (is && was && !isMoved(is, was)) return null;
  const probeOf = ({ probeId }: ColdAlarm) => now.cold.probes.find(({ id }) => id === probeId);
  const stoodIn = (alarm: ColdAlarm, isThere: (spot: Spot, probe: Probe) => boolean) => {
    const probe = probeOf(alarm);
    const untilMs = alarm.untilAt === null ? Infinity : Date.parse(alarm.untilAt);
    return stack.legs.some(({ spot, fromMs }, i) => {
      const leftMs = stack.legs[i + 1]?.fromMs ?? Infinity;
      const isThen = fromMs < untilMs && leftMs > Date.parse(alarm.fromAt);
      return probe !== undefined && isThen && isThere(spot, probe);
    });
  };
  const told = now.cold.alarms.filter(({ meanC }) => meanC !== null);
  const inZone = told.filter((alarm) =>
    stoodIn(alarm, (spot, { placeId, zone }) => spot.placeId === placeId && spot.zone === zone),
  );
  // Where no probe hangs in the zone, what another one of the room has shown tells of its air too.
  const inPlace = told.filter((alarm) =>
    stoodIn(alarm, (spot, { placeId }) => spot.placeId === placeId),
  );
  const through = inZone.length > 0 ? inZone : inPlace.slice(0, 1);
  if (through.length === 0) return <p className="quiet">{t('walkIn.reason.otherwise')}</p>;
  return through.map((alarm) => {
    const zone = probeOf(alarm)?.zone ?? '';
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
