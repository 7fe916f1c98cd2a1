import type { WeighedLine } from '@calm/core';
import type { TFunction } from 'i18next';

/** Digits that a scale of this readability shows. */
export function decimalsOf(stepG: number): number {
  return Math.max(0, Math.ceil(-Math.log10(stepG)));
}

/** Flours, additions and pre-ferments carry the house's names; the rest the catalogue's. */
export function nameOf(t: TFunction, line: Pick<WeighedLine, 'kind' | 'key' | 'name'>): string {
  const isOwnName = ['flour', 'addition', 'preferment', 'old-dough'].includes(line.kind);
  return isOwnName ? line.name : t(`ingredient.${line.key === 'yeast' ? line.name : line.kind}`);
}
