import type { ScaleReason } from '@calm/core';
import type { TFunction } from 'i18next';

/** Why a lot cannot be scaled, as a sentence that says what would work. */
export function formatReasonMessage(t: TFunction, reason: ScaleReason): string {
  const fits =
    'nearest' in reason
      ? reason.nearest
          .map(({ loads, loadG }) => t('reasons.fit', { loads, loadKg: loadG / 1000 }))
          .join(' / ')
      : '';
  return t(`reasons.${reason.kind}`, { ...reason, fits });
}
