import type { ColdAlarm, ColdBoard, HouseBook } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../parts/format/useFormats';

/** An alarm as a sentence. */
export function useAlarmMessage(
  book: HouseBook,
  { probes }: Pick<ColdBoard, 'probes'>,
): (alarm: ColdAlarm) => string {
  const { t } = useTranslation();
  const f = useFormats();
  return ({ probeId, kind, fromAt, untilAt, worstC, meanC }) => {
    const probe = probes.find(({ id }) => id === probeId);
    const place = book.places.find(({ id }) => id === probe?.placeId);
    return t(`alarm.${untilAt === null ? 'is' : 'was'}.${kind}`, {
      place: place?.name ?? '',
      zone: probe?.zone ?? '',
      probe: probe?.name ?? '',
      from: f.moment(Date.parse(fromAt)),
      until: untilAt === null ? '' : f.time(Date.parse(untilAt)),
      worst: worstC === null ? '' : f.temperature(worstC),
      mean: meanC === null ? '' : f.temperature(meanC),
    });
  };
}
