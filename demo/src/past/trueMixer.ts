import {
  factorCount,
  priorLine,
  solidsTempC,
  type Load,
  type MixerLine,
  type MixTemperatures,
} from '@calm/core';
import type { HouseBook, LoadTemps, Recipe } from '@calm/contract';
import { trueFrictionC } from '../lanternYard';

/*
 * How Lantern Yard's mixers really warm dough: as a heat balance has it, by what flour, water and room each hold, and
 * by as much in an ordinary kitchen as the frictions that somebody once measured there.
 */

const temperaturesOf = ({ prefermentTempC, ...temps }: LoadTemps): MixTemperatures => ({
  ...temps,
  ...(prefermentTempC !== null && { prefermentTempC }),
});

function massesOf(load: Load): { flourG: number; prefermentG: number } {
  const gramsOf = (kind: string) =>
    load.ingredients.reduce((sum, line) => sum + (line.kind === kind ? line.exactG : 0), 0);
  return { flourG: gramsOf('flour'), prefermentG: gramsOf('preferment') };
}

/** What really comes off the mixer, as its line. @param slug of the formula */
export function trueLine(book: HouseBook, recipe: Recipe, load: Load, slug: string): MixerLine {
  const { preferment, ...usual } = book.house.settings.usualTempsC;
  const temps = temperaturesOf({
    roomTempC: usual.room,
    flourTempC: usual.flour,
    tapTempC: usual.tap,
    prefermentTempC: recipe.formula.preferment ? preferment : null,
  });
  const known = temps.roomTempC + temps.flourTempC + (temps.prefermentTempC ?? 0);
  const sum = factorCount(temps) * recipe.doughTempC - (trueFrictionC[slug] ?? 0);
  const line = priorLine(0);
  const others =
    line.wFlour * solidsTempC(temps, massesOf(load)) +
    line.wRoom * temps.roomTempC +
    line.wWater * (sum - known);
  return { ...line, qC: recipe.doughTempC - others };
}

/** How warm a load really comes out, °C. */
export const trueDoughOutC = (
  { wFlour, wWater, wRoom, qC }: MixerLine,
  load: Load,
  temps: LoadTemps,
  waterTempC: number,
): number =>
  wFlour * solidsTempC(temperaturesOf(temps), massesOf(load)) +
  wWater * waterTempC +
  wRoom * temps.roomTempC +
  qC;
