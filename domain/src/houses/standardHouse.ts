import { STANDARD_DERATING, STANDARD_YEAST_CONVERSION } from '@calm/core';
import {
  STANDARD_COLD_RULES,
  STANDARD_KITCHEN,
  type HouseSettings,
  type HouseStart,
} from '@calm/contract';

/** How a house weighs, loses and calculates until it says otherwise. Starting values, each to be changed in House. */
const STANDARD_SETTINGS: HouseSettings = {
  residuePercent: 1,
  residuePerLoadG: 30,
  scaleReadabilityG: { default: 1, yeast: 0.1 },
  yeastConversion: STANDARD_YEAST_CONVERSION,
  derating: STANDARD_DERATING,
  pourBy: 'learned',
  usualTempsC: { room: 22, flour: 21, tap: 15, preferment: 20 },
  ballTolerancePercent: 3,
  kitchen: { ...STANDARD_KITCHEN, benchPlaces: 1 },
};

/** The settings that a house begins with. */
export const settingsOf = ({
  currency,
  display,
  coldLimitC,
}: Pick<HouseStart, 'currency' | 'display' | 'coldLimitC'>): HouseSettings => ({
  ...STANDARD_SETTINGS,
  currency,
  display,
  cold: { ...STANDARD_COLD_RULES, limitC: coldLimitC },
});
