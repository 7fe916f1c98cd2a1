import type { Situation } from '@calm/contract';

/** Something of an evening that was not as it is taken to be. */
export type Otherwise =
  | {
      readonly kind: 'bench-warm' | 'bench-cool' | 'cold-told' | 'cold-hidden';
      readonly byC: number;
    }
  | { readonly kind: 'older' | 'younger'; readonly dough: number; readonly hours: number }
  | { readonly kind: 'mixed-warm' | 'mixed-cool'; readonly dough: number; readonly byC: number }
  | {
      readonly kind:
        | 'yeast-strong'
        | 'yeast-weak'
        | 'flour-weak'
        | 'flour-strong'
        | 'more-guests'
        | 'fewer-guests';
      readonly percent: number;
    }
  | { readonly kind: 'later' | 'alone' | 'no-mixer' | 'scarce' };

/** Less than this is as it is taken to be: °C, shares, hours. */
const ALIKE = { tempC: 0.5, share: 0.03, hours: 1 } as const;

/**
 * What of an evening was not as it is taken to be, and what is known of it from the beginning: for the talk afterwards.
 *
 * @example
 * whatWasOtherwise(heatwave).map(({ kind }) => kind) // ['bench-warm', 'cold-told', 'fewer-guests']
 */
export function whatWasOtherwise(situation: Situation): Otherwise[] {
  const { benchBy, coldBy, coldShownBy, yeast, strength, guests, olderH, doughBy = [] } = situation;
  const is: Otherwise[] = [];
  if (Math.abs(benchBy) >= ALIKE.tempC)
    is.push({ kind: benchBy > 0 ? 'bench-warm' : 'bench-cool', byC: Math.abs(benchBy) });
  if (coldBy >= ALIKE.tempC)
    is.push({ kind: coldShownBy < coldBy / 2 ? 'cold-hidden' : 'cold-told', byC: coldBy });
  const off = (share: number) => Math.round(100 * Math.abs(share - 1));
  if (Math.abs(yeast - 1) >= ALIKE.share)
    is.push({ kind: yeast > 1 ? 'yeast-strong' : 'yeast-weak', percent: off(yeast) });
  if (Math.abs(strength - 1) >= ALIKE.share)
    is.push({ kind: strength > 1 ? 'flour-strong' : 'flour-weak', percent: off(strength) });
  olderH.forEach((hours, dough) => {
    if (Math.abs(hours) >= ALIKE.hours)
      is.push({ kind: hours > 0 ? 'older' : 'younger', dough, hours: Math.abs(hours) });
  });
  doughBy.forEach((byC, dough) => {
    if (Math.abs(byC) >= ALIKE.tempC)
      is.push({ kind: byC > 0 ? 'mixed-warm' : 'mixed-cool', dough, byC: Math.abs(byC) });
  });
  if (Math.abs(guests - 1) >= ALIKE.share)
    is.push({ kind: guests > 1 ? 'more-guests' : 'fewer-guests', percent: off(guests) });
  if (situation.shares) is.push({ kind: 'later' });
  if (situation.ballsPerGuest < 1) is.push({ kind: 'scarce' });
  if (situation.hands > 1) is.push({ kind: 'alone' });
  if (!situation.hasMixer) is.push({ kind: 'no-mixer' });
  return is;
}
