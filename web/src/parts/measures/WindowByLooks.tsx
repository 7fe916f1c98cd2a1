import type { Doubt } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../format/useFormats';
import styles from './Measures.module.css';

/** From when a lot opens well: most likely, and eight times in ten between two moments, epoch ms. */
export interface FirstOpen {
  readonly likelyMs: number;
  readonly fromMs: number;
  readonly untilMs: number;
}

/** What was seen and measured of a lot, and what it makes of its window. */
export interface SeenWindow {
  readonly before: FirstOpen | null;
  readonly after: FirstOpen;
  /** How much stronger than was thought its yeast seems, a factor, and how much warmer its places, °C. */
  readonly yeastFactor: number;
  readonly placeC: number;
  readonly doubted: readonly Doubt[];
}

/** Less than this is nothing worth a sentence. */
const LEAST_FACTOR = 0.02;
const LEAST_C = 0.2;

/** What looks and measures make of a lot's window, in a sentence, and why; nothing until somebody looked. */
export function WindowByLooks({ seen }: { readonly seen: SeenWindow | null }) {
  const { t } = useTranslation();
  const f = useFormats();
  if (!seen) return null;
  const { before, after, yeastFactor, placeC, doubted } = seen;
  const say = ({ likelyMs, fromMs, untilMs }: FirstOpen) => ({
    first: f.moment(likelyMs),
    from: f.moment(fromMs),
    until: f.moment(untilMs),
  });
  const percent = f.percent(100 * Math.abs(yeastFactor - 1), 0);
  return (
    <div className={styles['why']}>
      <p role="status">{t('lotWindow.byLooks', say(after))}</p>
      <details>
        <summary>{t('seen.why')}</summary>
        {before && <p>{t('seen.was', say(before))}</p>}
        {Math.abs(yeastFactor - 1) >= LEAST_FACTOR && (
          <p>{t(yeastFactor > 1 ? 'seen.yeast' : 'seen.yeastSlow', { percent })}</p>
        )}
        {Math.abs(placeC) >= LEAST_C && (
          <p>
            {t(placeC > 0 ? 'seen.warmer' : 'seen.colder', { by: f.apart(Math.abs(placeC), 1) })}
          </p>
        )}
        {[...new Set(doubted)].map((doubt) => (
          <p key={doubt}>{t(`seen.doubted.${doubt}`)}</p>
        ))}
      </details>
    </div>
  );
}
