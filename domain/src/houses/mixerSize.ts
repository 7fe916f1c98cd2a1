import type { MixerContent, MixerKind } from '@calm/contract';

const L_PER_QUART = 0.946_353;
const KG_PER_LB = 0.453_592;
/**
 * Pizza dough of some 60 % water that a bowl's litre takes at most, kg, on slow. Starting values: the machine's plate
 * and manual come first.
 */
const KG_PER_LITRE: Readonly<Record<Exclude<MixerKind, 'hand'>, number>> = {
  planetary: 0.35,
  spiral: 0.6,
  fork: 0.55,
};
/** Below this share of its most a hook slips over the dough. */
const LEAST_SHARE: Readonly<Record<MixerKind, number>> = {
  planetary: 0.2,
  spiral: 0.15,
  fork: 0.2,
  hand: 0,
};
/** How much they usually warm dough, °C of the n-fold sum, until a house's own loads say. */
const FRICTION_C: Readonly<Record<MixerKind, number>> = {
  planetary: 11,
  spiral: 14,
  fork: 9,
  hand: 3,
};
const HAND_KG = 6;

const WORDS: readonly (readonly [RegExp, MixerKind])[] = [
  [/planetar|stand mixer/i, 'planetary'],
  [/spiral|espiral|spirale/i, 'spiral'],
  [/fork|forcella|horquilla/i, 'fork'],
  [/\bhand|\bmano/i, 'hand'],
];
const SIZE =
  /(\d+(?:[.,]\d+)?)\s*-?\s*(quarts?|qts?|lit(?:er|re|ro)s?|litri|l|kilos?|kg|pounds?|lbs?)\b/i;

/** What a maker's name of a mixer says of it: everything but the name, as numbers to begin with. */
export type MixerGuess = Pick<MixerContent, 'kind' | 'minDoughKg' | 'maxDoughKg' | 'frictionC'>;

/** Rounds to what somebody would say: quarters of a kilogram, whole ones from ten on. */
const plainKg = (kg: number) => (kg < 10 ? Math.round(kg * 4) / 4 : Math.round(kg));

/** What a kind of mixer usually takes and adds. @param maxDoughKg dough that it takes at most */
export function usualMixer(kind: MixerKind, maxDoughKg: number): MixerGuess {
  const minDoughKg = plainKg(maxDoughKg * LEAST_SHARE[kind]);
  return { kind, minDoughKg, maxDoughKg: plainKg(maxDoughKg), frictionC: FRICTION_C[kind] };
}

/**
 * Reads a mixer as people call it: by the bowl's quarts or litres, or by the dough that it takes.
 *
 * @returns null where no kind or size is to be read
 * @example
 * mixerCalled('20-quart planetary'); // { kind: 'planetary', minDoughKg: 1.25, maxDoughKg: 6.5, frictionC: 11 }
 * mixerCalled('40 kg spiral')?.maxDoughKg; // 40
 */
export function mixerCalled(name: string): MixerGuess | null {
  const kind = WORDS.find(([word]) => word.test(name))?.[1];
  if (kind === 'hand') return usualMixer(kind, HAND_KG);
  const size = SIZE.exec(name);
  if (!kind || !size) return null;
  const [, digits = '', unit = ''] = size;
  const amount = Number(digits.replace(',', '.'));
  if (!(amount > 0)) return null;
  if (/^k/i.test(unit)) return usualMixer(kind, amount);
  if (/^(p|lb)/i.test(unit)) return usualMixer(kind, amount * KG_PER_LB);
  const litres = /^q/i.test(unit) ? amount * L_PER_QUART : amount;
  return usualMixer(kind, litres * KG_PER_LITRE[kind]);
}
