import { useTranslation } from 'react-i18next';
import { useFormats } from '../format/useFormats';

/** From when a lot opens well by what was seen of it: most likely, and eight times in ten between two moments, epoch ms. */
export interface SeenWindow {
  readonly likelyMs: number;
  readonly fromMs: number;
  readonly untilMs: number;
}

/** What somebody's looks make of a lot's window, in a sentence; nothing until somebody looked. */
export function WindowByLooks({ seen }: { readonly seen: SeenWindow | null }) {
  const { t } = useTranslation();
  const f = useFormats();
  if (!seen) return null;
  return (
    <p role="status">
      {t('lotWindow.byLooks', {
        first: f.moment(seen.likelyMs),
        from: f.moment(seen.fromMs),
        until: f.moment(seen.untilMs),
      })}
    </p>
  );
}
