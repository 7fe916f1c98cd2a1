import { check, waterSchema } from '@calm/contract/schemas';
import { adviseWater } from '@calm/core';
import type { Answer } from './answer';
import { formatWarningMessage } from './words';

/** Where the flour's mass is not given, the heat balance takes an ordinary dough of 62 % water. */
const USUAL_HYDRATION = 0.62;
/** Where a pre-ferment's mass is not given: this share of flour and water. */
const USUAL_PREFERMENT_SHARE = 0.3;

/** `calm water`: water temperature by three methods, and ice. Says what it had to assume. */
export function waterCommand(input: unknown): Answer {
  const checked = check(waterSchema, input);
  if (!checked.ok) return { kind: 'bad-input', problems: checked.errors };
  const given = checked.value;
  const flourG = given.flourG ?? given.waterG / USUAL_HYDRATION;
  const prefermentG = given.prefermentG ?? (flourG + given.waterG) * USUAL_PREFERMENT_SHARE;
  const advice = adviseWater({ ...given, flourG, prefermentG });
  const assumed = {
    ...(given.flourG === undefined && { flourG }),
    ...(given.prefermentTempC !== undefined && given.prefermentG === undefined && { prefermentG }),
  };
  return {
    kind: 'done',
    document: {
      ...advice,
      warnings: advice.warnings.map((warning) => ({
        ...warning,
        say: formatWarningMessage(warning),
      })),
      ...(Object.keys(assumed).length > 0 && { assumed }),
    },
  };
}
