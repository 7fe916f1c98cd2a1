import type { BackIntoCold } from '@calm/core';
import { HOUR_MS } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../format/useFormats';

/** Until when a lot may go back into the cold, and how long it then keeps. */
export function BackWords({
  back,
  mixedMs,
}: {
  /** Hours from the mixer; null where there is no cold place. */
  readonly back: BackIntoCold | null;
  readonly mixedMs: number;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  if (!back) return null;
  const at = (hour: number) => f.moment(mixedMs + hour * HOUR_MS);
  if (back.untilHour === null || back.keepsUntilHour === null)
    return <p>{t('whatNow.backNever')}</p>;
  return (
    <p>
      {t(back.isTakenOut ? 'whatNow.backOut' : 'whatNow.back', {
        until: at(back.untilHour),
        keeps: at(back.keepsUntilHour),
      })}
    </p>
  );
}
