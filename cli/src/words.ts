import words from '@calm/contract/words/en.json' with { type: 'json' };
import type { NoSplit, ScaleReason, WaterWarning } from '@calm/core';
import { createInstance } from 'i18next';

const catalogue = createInstance();
await catalogue.init({
  lng: 'en',
  resources: { en: { translation: words } },
  interpolation: { escapeValue: false },
});

/** A reason as a sentence that says what is wrong and what would work. */
export function sayReason(reason: ScaleReason): string {
  const fits = 'nearest' in reason ? sayFits(reason) : '';
  return catalogue.t(`reasons.${reason.kind}`, { ...reason, fits });
}

/** A warning as a sentence. */
export function sayWarning(warning: WaterWarning): string {
  return catalogue.t(`warnings.${warning.kind}`, { ...warning });
}

function sayFits({ nearest }: NoSplit): string {
  return nearest
    .map(({ loads, loadG }) => catalogue.t('reasons.fit', { loads, loadKg: loadG / 1000 }))
    .join(' / ');
}
