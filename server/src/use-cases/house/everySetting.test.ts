import {
  paths,
  STANDARD_COLD_RULES,
  STANDARD_CURRENCY,
  STANDARD_DISPLAY,
  STANDARD_KITCHEN,
  NO_PLAN,
  type ColdRecord,
  type ForecastAnswer,
  type HouseBook,
  type HouseSummary,
  type MixerContent,
  type SettingsChange,
  type SignInOptions,
} from '@calm/contract';
import { freshEquivalentPercent, pieceRun } from '@calm/core';
import {
  adviseLoad,
  documentOfRecipe,
  lotItem,
  makeFormats,
  nextEveningOf,
  nextToTell,
  ovenLoad,
  practiceEvening,
  recipeFor,
  scaleRecipe,
  unmetNeeds,
  weekOfHouse,
} from '@calm/domain';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { HOUSE, NOW, startHouse, TODAY } from '../../test-support/testHouse';

/** A house by real requests: what is set is changed over HTTP, and what hangs on it read over HTTP. */
let house: Awaited<ReturnType<typeof startHouse>>;
beforeAll(async () => {
  house = await startHouse();
});
afterAll(() => house.drop());

const roundOf = ({ products }: HouseBook) => {
  const round = products.find(({ slug }) => slug === 'yard-round');
  if (!round) throw new Error('the demo has a round');
  return round;
};

/** 200 rounds as their sheet has them, though nothing was learned from past lots. */
function sheet(book: HouseBook) {
  const round = roundOf(book);
  const recipe = recipeFor({ ...book, losses: { residue: null, trims: [] } }, round);
  const scaled = scaleRecipe(recipe, [lotItem(round, 200)]);
  return { recipe, scaled };
}

/** Water for the first load, with thermometers that show what they usually do. */
function water(book: HouseBook) {
  const { recipe, scaled } = sheet(book);
  const load = scaled.ok ? scaled.value.loads[0] : undefined;
  if (!load) throw new Error('the round can be made');
  const { room, flour, tap, preferment } = book.house.settings.usualTempsC;
  const temps = { roomTempC: room, flourTempC: flour, tapTempC: tap, prefermentTempC: preferment };
  const line = { wFlour: 0.33, wWater: 0.47, wRoom: 0.2, qC: 4 };
  return adviseLoad({ ...recipe, mixer: { ...recipe.mixer, line } }, load, temps, 14);
}

const week = async (book: HouseBook) =>
  weekOfHouse({
    book,
    services: await house.services(),
    shifts: [],
    forecasts: [],
    usage: [],
    nowMin: Date.parse(NOW) / 60_000,
    midnights: ['2026-11-24T23:00:00.000Z', '2026-11-25T23:00:00.000Z'],
    published: NO_PLAN,
  });

const SOMEBODY = '0a3f7a34-5c5e-4d0c-9b3e-2f0a6a0f3b11';

/** An evening of the house's own. */
const OWN_EVENING = {
  name: 'own-friday',
  title: 'Friday dinner',
  doorsInMin: 120,
  serviceMin: 180,
  trays: [4],
  ballsPerGuest: 1,
  guests: 1.2,
  coldBy: 1,
  coldSinceH: 6,
  coldShownBy: 1,
  benchBy: 0,
  yeast: 1,
  strength: 1,
  olderH: [0],
  hands: 1,
  hasMixer: true,
};

/** What is set, another value of it, and what shows that it counts. */
type Row<Value> = readonly [to: Value, follows: (book: HouseBook) => unknown];

type Rows = {
  readonly [Key in Exclude<keyof SettingsChange, 'version'>]-?: Row<
    NonNullable<SettingsChange[Key]>
  >;
};

/** Every setting that there is: one more does not compile without its line. */
const ROWS: Rows = {
  name: ['Lantern Court', () => house.get<HouseSummary[]>(paths.houses())],
  timeZone: ['Europe/London', async () => (await house.services())[0]?.startsAt],
  currency: ['CHF', ({ house: { settings, timeZone } }) => money(settings, timeZone)],
  display: [
    { ...STANDARD_DISPLAY, language: 'it' },
    async () => (await house.get<SignInOptions>(paths.signInOptions(HOUSE))).display,
  ],
  residuePercent: [9, (book) => sheet(book).scaled],
  residuePerLoadG: [900, (book) => sheet(book).scaled],
  scaleReadabilityG: [{ default: 5, yeast: 1 }, (book) => sheet(book).scaled],
  yeastConversion: [
    { fresh: 1, 'active-dry': 0.2, instant: 0.5 },
    (book) => {
      const { yeastConversion } = sheet(book).recipe.settings;
      return freshEquivalentPercent({ form: 'active-dry', percent: 0.2 }, 1, yeastConversion);
    },
  ],
  derating: [[{ hydrationPercent: 70, share: 0.2 }], (book) => sheet(book).scaled],
  pourBy: ['base-sum', water],
  baseSumC: [60, water],
  usualTempsC: [{ room: 30, flour: 28, tap: 20, preferment: 25 }, water],
  ballTolerancePercent: [
    0.2,
    ({ house: { settings } }) => pieceRun([284, 284, 285, 284], 280, settings.ballTolerancePercent),
  ],
  serviceLevel: [
    { kind: 'often', enoughPercent: 99 },
    async () =>
      (await house.get<ForecastAnswer>(paths.forecast(HOUSE, { from: TODAY, days: 3 }))).forecasts,
  ],
  kitchen: [{ ...STANDARD_KITCHEN, benchPlaces: 1, tubKg: 5, unsocialFromMin: 1200 }, week],
  altitudeM: [
    1500,
    async (book) => {
      const { recipe } = sheet(book);
      const of = { size: { loads: 1, balls: 200 }, ...roundOf(book), prefermentTempC: 20 };
      const document = documentOfRecipe(recipe, of);
      const { doughs } = await week(book);
      return [document?.altitudeM, doughs.map(({ altitudeM }) => altitudeM)];
    },
  ],
  ovens: [
    [{ name: 'Stone', heatUpMin: 90, ballsPerHour: 60 }],
    ({ house: { settings } }) => ovenLoad(settings.ovens ?? [], { doorsMs: 0, closeMs: 1 }, []),
  ],
  cold: [
    { ...STANDARD_COLD_RULES, limitC: 2 },
    async () => {
      const range = { from: TODAY, days: 1 };
      return (await house.get<ColdRecord>(paths.coldRecord(HOUSE, range))).days;
    },
  ],
  alarmCalls: [
    { order: [SOMEBODY], nextAfterMin: 5 },
    ({ house: { settings } }) =>
      nextToTell(
        settings.alarmCalls ?? { order: [], nextAfterMin: 15 },
        new Map([[SOMEBODY, null]]),
        [],
        0,
        0,
      ),
  ],
  situations: [
    [OWN_EVENING],
    (book) =>
      (book.house.settings.situations ?? []).map((each) => practiceEvening(book, each)?.really),
  ],
  weeks: [
    [
      {
        name: 'own-week',
        title: 'The week of the fair',
        evenings: [OWN_EVENING, { ...OWN_EVENING, name: 'own-saturday' }],
      },
    ],
    (book) =>
      (book.house.settings.weeks ?? []).map(
        (week) => nextEveningOf(book, week, { decisions: [[]], made: [] })?.really,
      ),
  ],
  readiness: [
    [
      {
        work: 'opens',
        fromKg: 0,
        needs: [{ skill: 'reading', leastScore: 80, times: 6, withinDays: 60 }],
      },
    ],
    ({ house: { settings } }) =>
      (settings.readiness ?? []).map(({ needs }) => unmetNeeds(needs, [], SOMEBODY, 0)),
  ],
  // How files were read last time is what whoever brings in the next one begins with.
  salesColumns: [
    { date: 'When', product: 'What', dateOrder: 'day-first', products: {} },
    ({ house: { settings } }) => settings.salesColumns,
  ],
  readingColumns: [
    {
      time: 'When',
      temp: 'How warm',
      unit: 'F',
      dateOrder: 'month-first',
      clock: 'utc',
      probes: {},
    },
    ({ house: { settings } }) => settings.readingColumns,
  ],
};

const money = ({ currency = STANDARD_CURRENCY }: HouseBook['house']['settings'], zone: string) =>
  makeFormats({ ...STANDARD_DISPLAY, currency, timeZone: zone }).money(1);

describe('what is set under House counts', () => {
  it.each(Object.entries(ROWS) as [string, Row<unknown>][])('%s', async (name, [to, follows]) => {
    const book = await house.book();
    const before = JSON.stringify(await follows(book));
    const send = async (change: object) => {
      const { version } = (await house.book()).house;
      return house.http.put(paths.changeSettings(HOUSE)).send({ version, ...change });
    };
    const put = await send({ [name]: to });
    expect([put.status, put.text]).toEqual([200, put.text]);
    expect(JSON.stringify(await follows(await house.book()))).not.toBe(before);
    const { name: called, timeZone, settings } = book.house;
    const was = { name: called, timeZone, ...settings }[name as 'name'];
    if (was === undefined) return;
    expect((await send({ [name]: was })).status).toBe(200);
    expect(JSON.stringify(await follows(await house.book()))).toBe(before);
  });
});

describe('what is said of a mixer', () => {
  const mixerOf = (book: HouseBook) => {
    const { mixer: used } = sheet(book).recipe;
    const mixer = book.mixers.find(({ id }) => id === used.id);
    if (!mixer) throw new Error('the round has its mixer');
    return mixer;
  };
  /** Everything of it that can be changed, exhaustively. */
  const OF_A_MIXER: {
    readonly [Key in keyof MixerContent]: readonly [
      to: NonNullable<MixerContent[Key]>,
      follows: (book: HouseBook) => unknown,
    ];
  } = {
    name: ['Big spiral', (book) => sheet(book).recipe.mixer.name],
    // Hands are asked last: no machine's dough is put into a bowl.
    kind: ['hand', async (book) => (await week(book)).doughs.map(({ mixers }) => mixers)],
    minDoughKg: [20, (book) => sheet(book).recipe.mixer.minDoughKg],
    maxDoughKg: [25, (book) => sheet(book).scaled],
    frictionC: [21, () => house.get(paths.frictions(HOUSE))],
    outOfOrder: [
      { from: NOW, until: '2026-11-27T12:00:00.000Z' },
      async (book) => (await week(book)).underWay,
    ],
  };

  it.each(Object.keys(OF_A_MIXER) as (keyof MixerContent)[])('%s is used', async (key) => {
    const [to, follows] = OF_A_MIXER[key];
    const read = async () => JSON.stringify(await follows(await house.book()));
    const before = await read();
    const { id, version, ...content } = mixerOf(await house.book());
    const at = paths.changeMixer(HOUSE, id);
    const change = { version, content: { ...content, [key]: to } };
    const changed = await house.http.put(at).send(change).expect(200);
    expect(await read()).not.toBe(before);
    await house.http.put(at).send({ version: changed.body.version, content }).expect(200);
    expect(await read()).toBe(before);
  });
});
