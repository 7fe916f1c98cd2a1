import type { LoadTemps, Recipe } from '@calm/contract';
import { adviseWater, type Load, type WaterAdvice } from '@calm/core';

/**
 * Water for one load of a recipe: by the mixer's own line once that is known, unless the house has chosen a method.
 *
 * @param load as scaled, with weighed grams
 * @param temps what the thermometers show, °C
 * @param frictionC the mixer's heating, °C of the n-fold sum
 */
export function adviseLoad(
  recipe: Recipe,
  load: Load,
  temps: LoadTemps,
  frictionC: number,
): WaterAdvice {
  const gramsOf = (kind: string) =>
    load.ingredients.reduce((sum, line) => sum + (line.kind === kind ? line.exactG : 0), 0);
  const { pourBy, baseSumC } = recipe.settings;
  const hasPreferment = recipe.formula.preferment !== undefined;
  return adviseWater({
    doughTempC: recipe.doughTempC,
    roomTempC: temps.roomTempC,
    flourTempC: temps.flourTempC,
    tapTempC: temps.tapTempC,
    frictionC,
    flourG: gramsOf('flour'),
    waterG: gramsOf('water'),
    oilG: gramsOf('oil'),
    ...(pourBy !== 'learned' && { pourBy }),
    ...(recipe.mixer.line && { mixer: recipe.mixer.line }),
    yeastForm: recipe.formula.yeast.form,
    ...(hasPreferment
      ? {
          prefermentTempC: temps.prefermentTempC ?? temps.roomTempC,
          prefermentG: gramsOf('preferment'),
        }
      : baseSumC !== undefined && { baseSumC }),
  });
}
