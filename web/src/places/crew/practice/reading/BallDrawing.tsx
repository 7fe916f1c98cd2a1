import type { BallSilhouette } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../../parts/format/useFormats';
import { BallFromTheSide } from '../../../../parts/lots/BallFromTheSide';
import { Drawing } from './Drawing';

/** A ball seen from the side, to one scale with how it was set down. */
export function BallDrawing({
  silhouette: { width, height },
}: {
  readonly silhouette: BallSilhouette;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  return (
    <Drawing
      label={t('practice.reading.drawn.ball', {
        width: f.times(width, 2),
        height: f.times(height, 2),
      })}
    >
      <BallFromTheSide width={width} height={height} />
    </Drawing>
  );
}
