import {
  adviseLoad,
  lotItem,
  productsOfDough,
  recipeFor,
  scaleRecipe,
  emptyMark,
  addDays,
  instantOf,
  localDateOf,
  weekdayOf,
  withMixerLine,
} from '@calm/domain';
import type { HouseBook, LoadTemps, Lot, Product, Recipe } from '@calm/contract';
import {
  countBack,
  stageKey,
  workOf,
  type Load,
  type PlannedStage,
  type ScaledLot,
} from '@calm/core';
import { services, usual } from '../lanternYard';
import { noise } from '../noise';
import { trueDoughOutC, trueLine } from './trueMixer';

/** Weeks of history behind today. */
export const WEEKS_OF_HISTORY = 10;
/** Lots are looked for this many days ahead: the longest route starts three days before doors. */
const DAYS_AHEAD = 4;
/** The heatwave: days before today, and how much warmer the kitchen was, °C. */
const HEATWAVE = { firstDaysAgo: 40, lastDaysAgo: 34, warmerC: 8 };
/** Two thermometers and a pair of hands, °C. */
const OUT_SCATTER_C = 0.25;
/** Work is recorded up to this late or early, min. */
const RECORD_SCATTER_MIN = 6;

/** Every lot that was, or is, under way by now. */
export function makeHistory(book: HouseBook, now: Date, weeks = WEEKS_OF_HISTORY): Lot[] {
  const zone = book.house.timeZone;
  const today = localDateOf(now, zone);
  const days = weeks * 7 + DAYS_AHEAD;
  const first = addDays(today, -weeks * 7);
  const lots: Lot[] = [];
  for (let day = 0; day < days; day += 1) {
    const date = addDays(first, day);
    const daysAgo = weeks * 7 - day;
    for (const product of book.products.filter((p) => !p.isFromRemainders)) {
      const lot = makeLot(book, product, date, daysAgo, now);
      if (lot) lots.push(lot);
    }
  }
  return lots;
}

function makeLot(
  book: HouseBook,
  product: Product,
  date: string,
  daysAgo: number,
  now: Date,
): Lot | null {
  const zone = book.house.timeZone;
  const weekday = weekdayOf(date);
  const open = services.filter((service) => service.weekday === weekday);
  const [firstService, lastService] = [open[0], open.at(-1)];
  if (!firstService || !lastService) return null;
  const doorsAt = instantOf(date, firstService.startMin, zone);
  const items = productsOfDough(book, product)
    .map((p) => lotItem(p, usualOnDay(p.slug, weekday)))
    .filter((item) => item.count > 0);
  const plain = recipeFor(book, product);
  const scaled = scaleRecipe(plain, items);
  if (!scaled.ok) throw new Error(`${product.name} on ${date}: ${JSON.stringify(scaled.reasons)}`);

  const slug = book.formulas.find(({ id }) => id === product.formulaId)?.slug ?? '';
  const line = trueLine(book, plain, scaled.value.loads[0] as Load, slug);
  // The house has long learned how its mixers warm dough.
  const recipe = withMixerLine(plain, line);
  const size = { loads: scaled.value.loads.length, balls: scaled.value.totals.balls };
  const stages = countBack(recipe.route, doorsAt.getTime(), size);
  const startMs = stages[0]?.startMs ?? 0;
  if (startMs > now.getTime()) return null;
  const formula = book.formulas.find((f) => f.id === product.formulaId);
  const key = `${formula?.slug}/${date}`;
  const marks = marksOf(stages, scaled.value, recipe, key, now);
  const startedAt = new Date(startMs);
  const [, month, dayOfMonth] = localDateOf(startedAt, zone).split('-');
  const isHot = daysAgo <= HEATWAVE.firstDaysAgo && daysAgo >= HEATWAVE.lastDaysAgo;
  return {
    id: key,
    code: `${formula?.code}-${month}${dayOfMonth}-A`,
    serviceDate: date,
    version: 1,
    startedAt: startedAt.toISOString(),
    doorsAt: doorsAt.toISOString(),
    closeAt: instantOf(date, lastService.endMin, zone).toISOString(),
    note: isHot ? 'Heatwave: kitchen far warmer than usual, ice in every load.' : '',
    ...weighedLosses(scaled.value, items, marks, key),
    recipe,
    items,
    loads: scaled.value.loads.map((load, i) => {
      const temps = tempsOf(book, recipe, `${key}/${i}`, isHot);
      const { frictionC } = required(book.mixers.find((m) => m.id === recipe.mixer.id));
      const waterTempC = round1(adviseLoad(recipe, load, temps, frictionC).pourTempC);
      const isMixed = marks.some((mark) => mark.stepKey.endsWith('-mix') && mark.loadNumber === 0);
      const trueC = trueDoughOutC(line, load, temps, waterTempC);
      const outC = round1(trueC + noise(`${key}/${i}/out`) * OUT_SCATTER_C);
      return {
        number: i + 1,
        version: 1,
        ...temps,
        frictionC,
        waterTempC,
        doughOutC: isMixed ? outC : null,
      };
    }),
    marks,
    weighed: [],
  };
}

/** What really stays behind and is trimmed off; the house's settings are a little off. */
const TRUE_LOSSES = { perLoadG: 95, percent: 0.7, trimPercent: 6.2 };

function weighedLosses(
  scaled: ScaledLot,
  items: Lot['items'],
  marks: Lot['marks'],
  key: string,
): Pick<Lot, 'leftG' | 'trimG'> {
  const isBalled = marks.some(({ stepKey }) => /-(divide-ball|pan)$/.test(stepKey));
  const isSheeted = marks.some(({ stepKey }) => stepKey.endsWith('-sheet'));
  const { perLoadG, percent, trimPercent } = TRUE_LOSSES;
  const loads = scaled.loads.length;
  const leftG = perLoadG * loads + (scaled.balance.doughG * percent) / 100;
  const sheetedG = items.reduce(
    (sum, item) => sum + (item.trimPercent > 0 ? item.count * item.ballWeightG : 0),
    0,
  );
  const trimG = (sheetedG * trimPercent) / (100 - trimPercent);
  const scatter = (name: string, g: number) => 5 * Math.round(noise(`${key}/${name}`) * (g / 5));
  return {
    leftG: isBalled ? Math.max(0, 5 * Math.round(leftG / 5) + scatter('left', 40)) : null,
    trimG:
      isSheeted && sheetedG > 0
        ? Math.max(0, 5 * Math.round(trimG / 5) + scatter('trim', trimG * 0.1))
        : null,
  };
}

function usualOnDay(slug: string, weekday: number): number {
  return Object.values(usual).reduce((sum, week) => sum + (week[slug]?.[weekday - 1] ?? 0), 0);
}

/** Stages done by now, and the method's steps of every load once it was mixed. */
function marksOf(
  stages: readonly PlannedStage[],
  scaled: ScaledLot,
  recipe: Recipe,
  key: string,
  now: Date,
): Lot['marks'] {
  const done = workOf(stages)
    .map((work) => ({ work, doneMs: recordedMs(work.endMs, `${key}/${stageKey(work)}`) }))
    .filter(({ doneMs }) => doneMs <= now.getTime());
  const mark = (loadNumber: number, stepKey: string, ms: number) => ({
    ...emptyMark(loadNumber, stepKey),
    doneAt: new Date(ms).toISOString(),
    version: 1,
  });
  const mixed = done.find(({ work }) => work.key === 'mix');
  return [
    ...done.map(({ work, doneMs }) => mark(0, stageKey(work), doneMs)),
    ...(mixed
      ? scaled.loads.flatMap((_, i) =>
          recipe.method.steps.map((step) => mark(i + 1, step.key, mixed.doneMs)),
        )
      : []),
  ];
}

function recordedMs(plannedMs: number, key: string): number {
  return plannedMs + Math.round(noise(key) * RECORD_SCATTER_MIN) * 60_000;
}

function tempsOf(book: HouseBook, recipe: Recipe, key: string, isHot: boolean): LoadTemps {
  const usualC = book.house.settings.usualTempsC;
  const warmerC = isHot ? HEATWAVE.warmerC : 0;
  return {
    roomTempC: round1(usualC.room + warmerC + noise(`${key}/room`) * 1.5),
    flourTempC: round1(usualC.flour + warmerC * 0.8 + noise(`${key}/flour`) * 1.2),
    tapTempC: round1(usualC.tap + warmerC * 0.4 + noise(`${key}/tap`)),
    prefermentTempC: recipe.formula.preferment
      ? round1(usualC.preferment + warmerC * 0.5 + noise(`${key}/pre`))
      : null,
  };
}

const round1 = (value: number) => Math.round(value * 10) / 10;

function required<T>(value: T | undefined): T {
  if (value === undefined) throw new RangeError('the demo house is inconsistent');
  return value;
}
