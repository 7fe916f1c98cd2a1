import type { ColdAlarm, ColdBoard, HouseBook } from '@calm/contract';
import { alarmWords, recordOf } from '@calm/domain';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../parts/format/useFormats';

/** An alarm as a sentence. */
export function useAlarmMessage(
  book: HouseBook,
  { probes }: Pick<ColdBoard, 'probes'>,
): (alarm: ColdAlarm) => string {
  const { t } = useTranslation();
  const f = useFormats();
  return (alarm) => {
    const probe = probes.find(({ id }) => id === alarm.probeId);
    const place = recordOf(book, 'places', probe?.placeId);
    const { zone = '', name = '' } = probe ?? {};
    const { key, values } = alarmWords(alarm, { place: place?.name ?? '', zone, probe: name }, f);
    return t(key, values);
  };
}
