import { drawHouse, learnedHouses, lotsOf, madeLots, narrowedLots } from '@calm/core/test-support';
import { exampleBook, foretold } from '@calm/demo';
import { learnHouse, narrowLot, randomOf } from '@calm/core';

/** When the demo house's records end. */
const FIXED_NOW = '2026-11-25T14:40:00.000Z';
const HOUSES = 20;
const LOTS = 12;
const LOOKED_AT = 500;
/** Runs of which the middle one counts. */
const RUNS = 9;

/** A figure with what it must keep to. */
interface Figure {
  readonly name: string;
  readonly value: number;
  readonly least?: number;
  readonly most?: number;
}

/** What the record teaches: how right it is on made-up houses and lots, and how long it takes. */
export function benchLearning(): Figure[] {
  const { offs, covered, foretold: rises } = learnedHouses(2026, HOUSES, LOTS);
  const { narrowed, held } = narrowedLots(2026, LOOKED_AT);
  const lots = lotsOf(madeLots(drawHouse(randomOf(3)), randomOf(4), 20));
  const [first] = lots;
  const demo = foretold(exampleBook(), new Date(FIXED_NOW));
  return [
    { name: 'yeast, off by (prior sd)', value: offs['yeast-activity'] ?? NaN, most: 0.5 },
    { name: 'film of tubs, off by', value: offs['film:tub'] ?? NaN, most: 0.35 },
    { name: 'film of trays, off by', value: offs['film:lidded-tray'] ?? NaN, most: 0.35 },
    { name: 'truth within 2 sd', value: covered, least: 0.88 },
    { name: 'error at opening, share left', value: rises.after / rises.before, most: 0.5 },
    { name: 'window narrowed by', value: narrowed, least: 0.4 },
    { name: 'truth within P10–P90', value: held, least: 0.75, most: 0.85 },
    { name: 'demo’s windows, off by (min)', value: demo.learnedMin, most: 20 },
    {
      name: 'share of what nothing learned is off',
      value: demo.learnedMin / demo.unlearnedMin,
      most: 0.5,
    },
    { name: 'twenty lots learned (ms)', value: middleMs(() => learnHouse(lots)), most: 1500 },
    { name: 'one lot narrowed (ms)', value: middleMs(() => first && narrowLot(first)), most: 30 },
  ];
}

function middleMs(work: () => unknown): number {
  const times = Array.from({ length: RUNS }, () => {
    const from = performance.now();
    work();
    return performance.now() - from;
  });
  return times.toSorted((a, b) => a - b)[(RUNS - 1) / 2] as number;
}
