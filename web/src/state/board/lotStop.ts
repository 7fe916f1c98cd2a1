import type { LotPosition } from '@calm/core';

/** The stop of the spine at which a lot is found. */
export type SpineStop = 'plan' | 'mix' | 'walk-in' | 'tonight' | 'log';

/** Which stop a lot is at. */
export function stopOf(where: LotPosition): SpineStop {
  if (where.kind === 'to-make') return 'plan';
  if (where.kind === 'served') return 'log';
  if (where.kind === 'serving') return 'tonight';
  if (where.kind === 'at-work') {
    return where.stage === 'sheet' || where.stage === 'pull' ? 'tonight' : 'mix';
  }
  if (where.stage === 'cold') return 'walk-in';
  return where.stage === 'temper' ? 'tonight' : 'mix';
}
