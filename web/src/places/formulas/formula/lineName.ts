import type { EditLine } from '@calm/core';
import type { TFunction } from 'i18next';

/** What an ingredient is called: a flour's or an addition's own name, or the kind's. */
export function lineName(t: TFunction, line: Pick<EditLine, 'kind' | 'name'>): string {
  const isOwn = line.kind === 'flour' || line.kind === 'addition';
  return isOwn ? line.name : t(`ingredient.${line.name}`);
}
