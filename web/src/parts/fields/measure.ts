import { cToF, deltaCToF, fToC, G_PER_LB, G_PER_OZ } from '@calm/core';
import type { DisplayPreferences } from '@calm/contract';
import { symbolsOf } from '@calm/domain';
import type { NumberRule } from './readNumber';

/** What a field holds, when a person may read it in other units than it is kept in. */
export type Measure = 'temp' | 'tempDifference' | 'grams' | 'kilograms';

/** A measure as one person reads and types it. What is kept stays in °C, g and kg. */
export interface MeasureAsRead {
  readonly unit: string;
  readonly toShown: (stored: number) => number;
  readonly toStored: (shown: number) => number;
  readonly rule: NumberRule;
  readonly step: number;
}

/** Ounces and pounds are larger than grams and kilograms by these; they need more decimals. */
const FINER_DECIMALS = 2;
const KG_PER_LB = G_PER_LB / 1000;

/**
 * A field's measure in a person's units.
 *
 * @param rule in the kept unit
 * @param step by which arrows change it, in the kept unit
 */
export function measureAsRead(
  measure: Measure,
  { language, mass, temp }: Pick<DisplayPreferences, 'language' | 'mass' | 'temp'>,
  rule: NumberRule,
  step: number,
): MeasureAsRead {
  const symbols = symbolsOf(language);
  const same = (value: number) => value;
  const isTemp = measure === 'temp' || measure === 'tempDifference';
  if (isTemp ? temp === 'celsius' : mass === 'metric') {
    const degree = symbols.c;
    const unit = {
      temp: degree,
      tempDifference: degree,
      grams: symbols.g,
      kilograms: symbols.kg,
    }[measure];
    return { unit, toShown: same, toStored: same, rule, step };
  }
  if (measure === 'tempDifference') {
    const limits = { min: deltaCToF(rule.min), max: deltaCToF(rule.max) };
    const toStored = (shown: number) => shown / deltaCToF(1);
    return {
      unit: symbols.f,
      toShown: deltaCToF,
      toStored,
      rule: { ...rule, ...limits },
      step: step * 2,
    };
  }
  if (measure === 'temp') {
    const limits = { min: Math.ceil(cToF(rule.min)), max: Math.floor(cToF(rule.max)) };
    return {
      unit: symbols.f,
      toShown: cToF,
      toStored: fToC,
      rule: { ...rule, ...limits },
      step: step * 2,
    };
  }
  const size = measure === 'grams' ? G_PER_OZ : KG_PER_LB;
  const decimals = rule.decimals + FINER_DECIMALS;
  const unit = 10 ** decimals;
  return {
    unit: measure === 'grams' ? symbols.oz : symbols.lb,
    toShown: (stored) => stored / size,
    toStored: (shown) => shown * size,
    rule: {
      ...rule,
      decimals,
      min: Math.ceil((rule.min / size) * unit) / unit,
      max: Math.floor((rule.max / size) * unit) / unit,
    },
    step: Number((step / size).toPrecision(1)),
  };
}
