import {
  FERMENT,
  FILM_W_PER_M2K,
  simulate,
  STARTING,
  type DoughRoute,
  type Films,
  type Target,
} from '@calm/core';
import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { format } from 'prettier';

/*
 * npm run sensitivity: how far the window moves over each constant's plausible range, for three
 * ordinary doughs; written into docs/decisions/ so that everyone sees what the log must learn first.
 */

const PAGE = new URL('../docs/decisions/0009-what-the-log-must-learn-first.md', import.meta.url);

const lean = (fresh: number): DoughRoute['formula'] => ({
  flours: [{ name: 'strong white', percent: 100, strengthW: 300 }],
  waterPercent: 62,
  saltPercent: 2.5,
  yeast: { form: 'fresh', percent: fresh },
});

const tray = { container: 'lidded-tray' as const };
const doughs: Readonly<Record<string, DoughRoute>> = {
  'two nights cold': {
    formula: lean(0.45),
    ballWeightG: 275,
    doughTempC: 24,
    stages: [
      { kind: 'bulk', hours: 1.5, airTempC: 22, container: 'tub', massKg: 10 },
      { kind: 'ball', hours: 42, airTempC: 3.5, ...tray },
      { kind: 'ball', hours: 4, airTempC: 23, ...tray },
    ],
  },
  'room only, one day': {
    formula: lean(0.2),
    ballWeightG: 275,
    doughTempC: 23,
    stages: [
      { kind: 'bulk', hours: 10, airTempC: 20, container: 'tub', massKg: 10 },
      { kind: 'ball', hours: 6, airTempC: 21, ...tray },
    ],
  },
  'same day, warm': {
    formula: lean(0.5),
    ballWeightG: 275,
    doughTempC: 25,
    stages: [
      { kind: 'bulk', hours: 3, airTempC: 24, container: 'tub', massKg: 10 },
      { kind: 'ball', hours: 4, airTempC: 24, ...tray },
    ],
  },
};

/** A wide band, so that no dough falls out of it while one constant moves. */
const TARGET: Target = {
  riseMin: 1.2,
  riseMax: 3.5,
  risePeak: 1.95,
  openTempC: 5,
  maturityMinH: 1,
};

const peakHour = (route: DoughRoute): number => {
  const way = simulate(route, { target: TARGET });
  return way.ok && way.value.window.kind === 'ready' ? way.value.window.peakHour : NaN;
};

const minutesMoved = (change: (route: DoughRoute) => DoughRoute): number[] =>
  Object.values(doughs).map((route) => (peakHour(change(route)) - peakHour(route)) * 60);

interface Row {
  readonly name: string;
  readonly range: string;
  readonly low: number[];
  readonly high: number[];
}

const constants: Row[] = Object.entries(FERMENT).map(([name, { value, low, high, unit }]) => {
  const at = (x: number) => (route: DoughRoute) => ({
    ...route,
    constants: { ...STARTING, [name]: x },
  });
  const range = `${low} – ${value} – ${high} ${unit}`;
  return { name, range, low: minutesMoved(at(low)), high: minutesMoved(at(high)) };
});

const films = (factor: number): Films =>
  Object.fromEntries(
    Object.entries(FILM_W_PER_M2K).map(([container, film]) => [container, film * factor]),
  ) as unknown as Films;
const airBy = (byC: number) => (route: DoughRoute) => ({
  ...route,
  stages: route.stages.map((stage) => ({ ...stage, airTempC: stage.airTempC + byC })),
});
const others: Row[] = [
  {
    name: 'heat transfer of every container',
    range: '×0.7 – ×1.3',
    low: minutesMoved((route) => ({ ...route, films: films(0.7) })),
    high: minutesMoved((route) => ({ ...route, films: films(1.3) })),
  },
  {
    name: 'yeast activity',
    range: '0.88 – 1 – 1.12',
    low: minutesMoved((route) => ({ ...route, yeastActivity: 0.88 })),
    high: minutesMoved((route) => ({ ...route, yeastActivity: 1.12 })),
  },
  {
    name: 'every place’s air',
    range: '−1 – +1 °C',
    low: minutesMoved(airBy(-1)),
    high: minutesMoved(airBy(1)),
  },
  {
    name: 'dough off the mixer',
    range: '−1 – +1 °C',
    low: minutesMoved((route) => ({ ...route, doughTempC: route.doughTempC - 1 })),
    high: minutesMoved((route) => ({ ...route, doughTempC: route.doughTempC + 1 })),
  },
];

const width = ({ low, high }: Row) => Math.max(...[...low, ...high].map(Math.abs));
const cell = (a: number, b: number) => [a, b].map((m) => signed(Math.round(m))).join(' / ');
const signed = (m: number) =>
  Number.isNaN(m) ? 'never' : m > 0 ? `+${m}` : `${m}`.replace('-', '−');

const rows = [...constants, ...others].sort((a, b) => width(b) - width(a));
const heads = Object.keys(doughs);
const table = [
  ['', 'plausible range', ...heads],
  ['---', '---', ...heads.map(() => '---:')],
  ...rows.map((row) => [
    row.name,
    row.range,
    ...row.low.map((low, i) => cell(low, row.high[i] ?? NaN)),
  ]),
]
  .map((line) => `| ${line.join(' | ')} |`)
  .join('\n');

const file = fileURLToPath(PAGE);
const page = `# What the log must learn first

2026-11-24, table by \`npm run sensitivity\`

**What.** Minutes by which the peak moves (later is +) when one constant goes to the low and to the high
end of its plausible range, all else as it starts, for three ordinary doughs of 275 g balls. Sorted by
the largest move.

${table}

**Why.** The log learns what moves windows most and what its records can tell apart. Gas per gram of yeast
and a house's yeast activity act alike: one factor of both is learned, from rise marks. The cold end of
the temperature response decides a two-night dough and hardly touches a warm one: a second factor, for
the cold alone. Heat transfer is learned from temperatures, container by container. The rest stays at
its starting value until those three are known.

**What else.** Learning every constant at once: with a few dozen lots a house's records cannot tell them
apart, and each would wander to pay for another.
`;
writeFileSync(file, await format(page, { parser: 'markdown', printWidth: 100 }));
console.log(table);
