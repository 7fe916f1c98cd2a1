import type { HouseBook } from '@calm/contract';
import type { Random } from '@calm/core';
import { adviseLoad } from '../../lots/adviseLoad';
import { lotItem, recipeFor, scaleRecipe } from '../../lots/recipe';
import { eveningDoughs } from '../readingDoughs';
import type { NumberQuestion } from './question';

/** How warm things are against what is usual, °C either way. */
const OFF_C = { room: 7, flour: 5 } as const;
/** Balls that are asked about, in tens. */
const TENS = { least: 3, most: 24 } as const;
/** Water within this is right, and wrong from so far off on, °C. */
const WATER_C = { within: 1, wrongFrom: 7 } as const;
/** Flour within this is right, and wrong from so far off on, share. */
const FLOUR = { within: 0.02, wrongFrom: 0.15 } as const;

const between = ({ uniform }: Random, least: number, most: number) =>
  least + (most - least) * uniform();

/** So many lots are drawn until one fits its mixer. */
const TRIES = 12;

/** A dough of the house, so many balls of it, and their first load; null where none that is drawn can be made. */
function drawnLoad(book: HouseBook, random: Random) {
  for (let i = 0; i < TRIES; i += 1) {
    const drawn = triedLoad(book, random);
    if (drawn) return drawn;
  }
  return null;
}

function triedLoad(book: HouseBook, random: Random) {
  const doughs = eveningDoughs(book);
  const dough = doughs[Math.floor(random.uniform() * doughs.length)];
  if (!dough) return null;
  const balls = 10 * Math.round(between(random, TENS.least, TENS.most));
  const recipe = recipeFor(book, dough.product);
  const scaled = scaleRecipe(recipe, [lotItem(dough.product, balls)]);
  const load = scaled.ok ? scaled.value.loads[0] : undefined;
  return scaled.ok && load ? { ...dough, balls, recipe, scaled: scaled.value, load } : null;
}

/** Water for a load, by the sheet: in the head first. */
export function waterQuestion(book: HouseBook, random: Random): NumberQuestion | null {
  const drawn = drawnLoad(book, random);
  if (!drawn) return null;
  const { recipe, load, product } = drawn;
  const { usualTempsC } = book.house.settings;
  const frictionC = book.mixers.find(({ id }) => id === recipe.mixer.id)?.frictionC ?? 0;
  const roomTempC = Math.round(usualTempsC.room + between(random, -OFF_C.room, OFF_C.room));
  const flourTempC = Math.round(usualTempsC.flour + between(random, -OFF_C.flour, OFF_C.flour));
  const { tap, preferment } = usualTempsC;
  const temps = { roomTempC, flourTempC, tapTempC: tap, prefermentTempC: preferment };
  const { pourTempC, baseSum, heatBalance } = adviseLoad(recipe, load, temps, frictionC);
  return {
    kind: 'number',
    skill: 'water',
    told: {
      names: { product: product.name },
      tempsC: {
        dough: recipe.doughTempC,
        room: roomTempC,
        flour: flourTempC,
        friction: frictionC,
        head: baseSum.waterTempC,
        balance: heatBalance.waterTempC,
      },
    },
    unit: 'temperature',
    right: pourTempC,
    alsoRight: baseSum.waterTempC,
    ...WATER_C,
  };
}

/** Flour for so many balls of a formula. */
export function scalingQuestion(book: HouseBook, random: Random): NumberQuestion | null {
  const drawn = drawnLoad(book, random);
  if (!drawn) return null;
  const { product, balls, scaled, recipe } = drawn;
  const right = scaled.totals.flourG;
  const doughG = balls * product.ballWeightG;
  return {
    kind: 'number',
    skill: 'scaling',
    told: {
      names: { product: product.name },
      counts: { balls, water: recipe.formula.waterPercent },
      grams: { ball: product.ballWeightG, dough: doughG },
    },
    unit: 'mass',
    right,
    within: FLOUR.within * right,
    wrongFrom: FLOUR.wrongFrom * right,
  };
}
