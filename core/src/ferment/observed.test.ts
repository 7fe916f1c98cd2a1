import { describe, expect, it } from '@jest/globals';
import type { YeastDose } from '../formula';
import type { Container } from '../formula/route';
import { pointsOf, simulate, solveDose, type DoughRoute, type DoughStage } from './index';

/*
 * Doughs as people make them, from general craft knowledge: what bakers report of each, in bands as wide as what
 * they say. None is a measurement of a laboratory.
 */

const fresh = (percent: number): YeastDose => ({ form: 'fresh', percent });
const instant = (percent: number): YeastDose => ({ form: 'instant', percent });

interface Made {
  readonly w?: number;
  readonly water?: number;
  readonly salt?: number;
  readonly oil?: number;
  readonly yeast: YeastDose;
  readonly off?: number;
  readonly ballG?: number;
  readonly maltPercent?: number;
  readonly stages: readonly DoughStage[];
}

const bulk = (hours: number, airTempC: number, massKg = 10): DoughStage => ({
  kind: 'bulk',
  hours,
  airTempC,
  container: 'tub',
  massKg,
});
const balls = (
  hours: number,
  airTempC: number,
  container: Container = 'lidded-tray',
): DoughStage => ({ kind: 'ball', hours, airTempC, container });

const routeOf = (made: Made): DoughRoute => ({
  formula: {
    flours: [{ name: 'white', percent: 100, strengthW: made.w ?? 280 }],
    waterPercent: made.water ?? 63,
    saltPercent: made.salt ?? 2.5,
    oilPercent: made.oil ?? 0,
    yeast: made.yeast,
  },
  ballWeightG: made.ballG ?? 270,
  doughTempC: made.off ?? 24,
  ...(made.maltPercent !== undefined && { maltPercent: made.maltPercent }),
  stages: made.stages,
});

/** The dough at an hour from the mixer. */
function at(made: Made, hour: number) {
  const way = simulate(routeOf(made), { beyondH: 24 });
  if (!way.ok) throw new Error(JSON.stringify(way.reasons));
  const point = pointsOf(way.value).find((each) => each.hour >= hour - 1e-6);
  if (!point) throw new Error('it has not come so far');
  return point;
}

/** Hours until a dough in its tub has some times its volume. */
function hoursTo(volume: number, made: Made): number {
  const way = simulate(routeOf(made), { beyondH: 0 });
  if (!way.ok) throw new Error(JSON.stringify(way.reasons));
  return pointsOf(way.value).find((point) => point.volume >= volume)?.hour ?? Infinity;
}

interface Observed {
  readonly what: string;
  readonly value: () => number;
  readonly band: readonly [number, number];
}
const observed: Observed[] = [
  // How long dough takes to double in its tub.
  {
    what: 'instant 1 % at 24 °C doubles, h',
    value: () => hoursTo(2, { yeast: instant(1), stages: [bulk(8, 24, 2)] }),
    band: [1.3, 2.5],
  },
  {
    what: 'fresh 2 % at 27 °C doubles, h',
    value: () => hoursTo(2, { yeast: fresh(2), salt: 2, off: 27, stages: [bulk(4, 27, 2)] }),
    band: [0.9, 1.7],
  },
  {
    what: 'fresh 1 % at 22 °C doubles, h',
    value: () => hoursTo(2, { yeast: fresh(1), stages: [bulk(12, 22, 2)] }),
    band: [2.5, 5],
  },
  {
    what: 'fresh 0.5 % at 20 °C doubles, h',
    value: () => hoursTo(2, { yeast: fresh(0.5), off: 21, stages: [bulk(20, 20, 2)] }),
    band: [5.5, 10],
  },
  {
    what: 'fresh 0.2 % at 20 °C doubles, h',
    value: () => hoursTo(2, { yeast: fresh(0.2), off: 21, stages: [bulk(36, 20, 2)] }),
    band: [11, 20],
  },
  {
    what: 'fresh 0.1 % at 20 °C doubles, h',
    value: () => hoursTo(2, { yeast: fresh(0.1), off: 21, stages: [bulk(48, 20, 2)] }),
    band: [17, 32],
  },
  {
    what: 'fresh 3 % at 30 °C doubles, h',
    value: () => hoursTo(2, { yeast: fresh(3), off: 30, stages: [bulk(3, 30, 2)] }),
    band: [0.5, 1.2],
  },
  {
    what: 'half the yeast takes so many times as long',
    value: () =>
      hoursTo(2, { yeast: fresh(0.5), stages: [bulk(20, 22, 2)] }) /
      hoursTo(2, { yeast: fresh(1), stages: [bulk(20, 22, 2)] }),
    band: [1.5, 2],
  },
  {
    what: 'from 27 to 20 °C it takes so many times as long',
    value: () =>
      hoursTo(2, { yeast: fresh(1), off: 20, stages: [bulk(20, 20, 2)] }) /
      hoursTo(2, { yeast: fresh(1), off: 27, stages: [bulk(20, 27, 2)] }),
    band: [1.6, 2.6],
  },
  {
    what: 'salt 3 % against none, times as long',
    value: () =>
      hoursTo(2, { yeast: fresh(1), salt: 3, stages: [bulk(20, 24, 2)] }) /
      hoursTo(2, { yeast: fresh(1), salt: 0, stages: [bulk(20, 24, 2)] }),
    band: [1.15, 1.6],
  },
  {
    what: 'a tub of 10 kg at 4 °C overnight with 0.5 % swells to',
    value: () => at({ yeast: fresh(0.5), stages: [bulk(14, 4, 10)] }, 14).volume,
    band: [1.2, 2.3],
  },
  // Balls as they are when somebody opens them: volumes since mixing.
  {
    what: 'balls of 0.3 % after 6 h at 23 °C',
    value: () => at({ yeast: fresh(0.3), stages: [bulk(1, 22), balls(7, 23)] }, 8).volume,
    band: [1.5, 2.5],
  },
  {
    what: 'balls of 0.15 % after 12 h at 22 °C',
    value: () => at({ yeast: fresh(0.15), stages: [bulk(2, 22), balls(12, 22)] }, 14).volume,
    band: [1.5, 2.5],
  },
  {
    what: 'balls of 0.1 % after 20 h at 21 °C',
    value: () =>
      at({ yeast: fresh(0.1), w: 300, salt: 2.8, stages: [bulk(2, 21), balls(20, 21)] }, 22).volume,
    band: [1.5, 2.6],
  },
  {
    what: 'one day cold, 0.6 %, and 3 h out',
    value: () =>
      at({ yeast: fresh(0.6), stages: [bulk(1, 22), balls(24, 4), balls(3, 23)] }, 28).volume,
    band: [1.5, 2.6],
  },
  {
    what: 'two days cold, 0.4 %, and 3 h out',
    value: () =>
      at({ yeast: fresh(0.4), w: 300, stages: [bulk(2, 22), balls(44, 4), balls(3, 23)] }, 49)
        .volume,
    band: [1.5, 2.6],
  },
  {
    what: 'three days cold, instant 0.15 %, and 3 h out',
    value: () =>
      at({ yeast: instant(0.15), w: 320, stages: [bulk(1, 22), balls(70, 4), balls(3, 23)] }, 74)
        .volume,
    band: [1.5, 2.7],
  },
  {
    what: 'same-day 1.2 %: an hour in the tub, an hour balled',
    value: () =>
      at({ yeast: fresh(1.2), w: 250, off: 26, stages: [bulk(1.2, 25), balls(1.3, 25)] }, 2.5)
        .volume,
    band: [1.45, 2.4],
  },
  // The cold.
  {
    what: 'a 270 g ball, lidded, from 24 to 6 °C in 4 °C air, h',
    value: () => hoursToCore(6, balls(24, 4)),
    band: [3, 7],
  },
  {
    what: 'a 270 g ball on an open tray, h',
    value: () => hoursToCore(6, balls(24, 4, 'open-tray')),
    band: [1.8, 4.5],
  },
  {
    what: 'a ball from 4 °C is over 15 °C in a 22 °C room after, h',
    value: () => hoursOut(15),
    band: [1, 2.8],
  },
  {
    what: 'a 25 kg tub is still over 10 °C after 10 h at 4 °C',
    value: () => at({ yeast: fresh(0.3), stages: [bulk(10, 4, 25)] }, 10).coreTempC,
    band: [10, 22],
  },
  // What hands feel.
  {
    what: 'a ball opens half an hour after it was shaped',
    value: () => at({ yeast: fresh(1), stages: [bulk(1, 22), balls(2, 20)] }, 1.52).relaxed,
    band: [0.75, 0.95],
  },
  {
    what: 'and springs back ten minutes after',
    value: () => at({ yeast: fresh(1), stages: [bulk(1, 22), balls(2, 20)] }, 1.17).relaxed,
    band: [0.3, 0.6],
  },
  // Flour that lasts, and flour that does not.
  {
    what: 'W 280 after a day at 20 °C and balling still holds',
    value: () => at({ yeast: fresh(0.1), stages: [bulk(20, 20), balls(4, 20)] }, 24).strength,
    band: [0.9, 1],
  },
  {
    what: 'W 360 after four days cold still holds',
    value: () =>
      at({ yeast: fresh(0.3), w: 360, stages: [bulk(1, 22), balls(96, 4)] }, 97).strength,
    band: [0.9, 1],
  },
  {
    what: 'W 180 after two days at 22 °C is worn out',
    value: () => at({ yeast: fresh(0.05), w: 180, stages: [bulk(48, 22)] }, 48).strength,
    band: [0, 0.15],
  },
  {
    what: 'a day at 4 °C ripens as so many hours at 20 °C',
    value: () =>
      at({ yeast: fresh(0.3), stages: [balls(30, 4)] }, 30).maturityH -
      at({ yeast: fresh(0.3), stages: [balls(30, 4)] }, 6).maturityH,
    band: [5, 10],
  },
  // Doses that people weigh.
  {
    what: 'fresh for a day at 20 °C, %',
    value: () => doseFor([bulk(20, 20), balls(4, 20)], 23.5, 300),
    band: [0.05, 0.3],
  },
  {
    what: 'fresh for two days cold, %',
    value: () => doseFor([bulk(2, 22), balls(44, 4), balls(3, 23)], 48.5, 300),
    band: [0.2, 0.8],
  },
  {
    what: 'fresh for four hours at 24 °C, %',
    value: () => doseFor([bulk(1.5, 24), balls(2.5, 24)], 4, 260),
    band: [0.5, 1.5],
  },
  {
    what: 'fresh for eight hours at 23 °C, %',
    value: () => doseFor([bulk(2, 23), balls(6, 23)], 8, 260),
    band: [0.2, 0.7],
  },
];

function hoursToCore(tempC: number, stage: DoughStage): number {
  const way = simulate(routeOf({ yeast: fresh(0.3), stages: [stage] }), { beyondH: 0 });
  if (!way.ok) throw new Error(JSON.stringify(way.reasons));
  return pointsOf(way.value).find((point) => point.coreTempC <= tempC)?.hour ?? Infinity;
}

function hoursOut(tempC: number): number {
  const made = routeOf({ yeast: fresh(0.3), stages: [balls(24, 4), balls(6, 22)] });
  const way = simulate(made, { beyondH: 0 });
  if (!way.ok) throw new Error(JSON.stringify(way.reasons));
  const out = pointsOf(way.value).find(({ stage, coreTempC }) => stage === 1 && coreTempC >= tempC);
  return (out?.hour ?? Infinity) - 24;
}

function doseFor(stages: readonly DoughStage[], peakHour: number, w: number): number {
  const dose = solveDose({ route: routeOf({ yeast: fresh(0), w, stages }), peakHour });
  return dose.ok ? dose.value.freshPercent : NaN;
}

describe('doughs as people make them', () => {
  it.each(observed)('$what: $band', ({ value, band: [least, most] }) => {
    expect(value()).toBeGreaterThanOrEqual(least);
    expect(value()).toBeLessThanOrEqual(most);
  });

  it('are at least thirty', () => {
    expect(observed.length).toBeGreaterThanOrEqual(30);
  });
});
