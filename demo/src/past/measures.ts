import type {
  AcceptedConstant,
  DoughDocument,
  HouseBook,
  Lot,
  RecordContent,
} from '@calm/contract';
import { DAY_MS, HOUR_MS, MINUTE_MS, pointBetween, simulate, type Simulation } from '@calm/core';
import { doughInProgress, loggedLot, routeOfDocument, withConstant } from '@calm/domain';
import { TRUE_ROOMS } from '../cold/trueRooms';
import { noise } from '../noise';
import type { DemoRecord } from './records';

/*
 * What Lantern Yard's dough really did, as its people measured it. Its yeast has been stronger than the house assumes
 * since it changed the supplier six weeks ago, and its trays, thick ones, warm up slowly.
 */

/** How the house's dough differs from what is assumed of any. */
const TRUE_CONSTANTS: readonly AcceptedConstant[] = [
  { name: 'yeast-activity', factor: 1.2 },
  { name: 'film:lidded-tray', factor: 0.62 },
];
/** Days since the yeast is another one; what is older was not measured. */
const NEW_YEAST_DAYS_AGO = 42;
/** A room's air lies above its set temperature by so much, over days, °C. */
export const ABOVE_SET_C = 0.35;
/** Each lot's own yeast, ln, and places, °C, most. */
const LOT_YEAST = 0.07;
const LOT_PLACE_C = 0.5;
/** Marks, ln, and thermometers, °C, most. */
const MARK_LN = 0.12;
const THERMOMETER_C = 1.2;
/** Of so many lots somebody measured something. */
const MEASURED_SHARE = 0.8;
/** What stood in the tub when it was mixed, cm, and a ball's width when it was shaped, mm. */
const TUB_CM = 12;
const BALL_MM = 92;

type Measured = Omit<DemoRecord, 'lot' | 'key'>;

/** Everything that was measured of lots until now. */
export function makeMeasures(lots: readonly Lot[], book: HouseBook, now: Date): DemoRecord[] {
  const first = now.getTime() - NEW_YEAST_DAYS_AGO * DAY_MS;
  return lots
    .filter(({ doorsAt }) => Date.parse(doorsAt) > first)
    .flatMap((lot) =>
      measuresOf(lot, book)
        .filter(({ at }) => at <= now)
        .map((made, i) => ({ ...made, lot: lot.id, key: `${lot.id}/measured/${i}` })),
    );
}

/** What was measured of a lot until now; nothing of every fifth. */
function measuresOf(lot: Lot, book: HouseBook): Measured[] {
  if (noise(`${lot.id}/measured`) > 2 * MEASURED_SHARE - 1) return [];
  const logged = loggedLot(lot, null, book);
  const { preferment } = book.house.settings.usualTempsC;
  const way = logged && doughInProgress(logged, logged.product, preferment, logged.closeMs);
  const truth = way && trueWay(lot, way.document, way.places);
  if (!logged || !way || !truth) return [];
  const { stages } = way.document;
  const at = (hour: number) => new Date(way.mixedMs + hour * HOUR_MS);
  const pointAt = (hour: number) => pointBetween(truth.course, hour, truth.target, truth.kinds);
  const risen = (hour: number, name: string) =>
    pointAt(hour).rise * Math.exp(MARK_LN * noise(`${lot.id}/${name}`));
  const balls = stages.findIndex(({ kind }) => kind === 'ball');
  const bulkH = sumH(stages.slice(0, balls)) - 0.1;
  const coldH = sumH(stages.slice(0, -1)) - 0.05;
  const openH = sumH(stages) - 0.25;
  const made: Measured[] = [];
  const put = (hour: number, by: string, content: RecordContent) =>
    made.push({ at: at(hour), by, content });
  if (bulkH > 1) {
    const now = round1(TUB_CM * risen(bulkH, 'tub'));
    put(bulkH, 'Tilde', { kind: 'risen', on: 'tub', from: TUB_CM, now, note: '' });
  }
  const core = (hour: number, name: string) => {
    const coreTempC = pointAt(hour).coreTempC + THERMOMETER_C * noise(`${lot.id}/${name}`);
    put(hour, 'Bashir', { kind: 'core', coreTempC: round1(coreTempC), note: '' });
  };
  if (noise(`${lot.id}/at the pull`) > 0.3) core(coldH, 'pulled core');
  core(coldH + 0.6 * (openH - coldH), 'core');
  const now = Math.round(BALL_MM * Math.cbrt(risen(openH, 'ball')));
  put(openH, 'Wren', { kind: 'risen', on: 'ball', from: BALL_MM, now, note: '' });
  const poke = pokeOf(truth, openH);
  if (poke) put(openH + MINUTE_MS / HOUR_MS, 'Wren', poke);
  return made;
}

const sumH = (stages: DoughDocument['stages']) => stages.reduce((sum, { hours }) => sum + hours, 0);
const round1 = (value: number) => Math.round(value * 10) / 10;

/** How a lot's dough really went. */
function trueWay(lot: Lot, document: DoughDocument, places: readonly string[]): Simulation | null {
  const own = { name: 'yeast-activity', factor: Math.exp(LOT_YEAST * noise(`${lot.id}/yeast`)) };
  const placeC = LOT_PLACE_C * noise(`${lot.id}/places`);
  const route = routeOfDocument({
    ...document,
    constants: withConstant(TRUE_CONSTANTS, own),
    stages: document.stages.map((stage, i) => {
      const room = TRUE_ROOMS[places[i] ?? ''];
      const airTempC = room ? room.setC + ABOVE_SET_C : stage.airTempC + placeC;
      return { ...stage, airTempC };
    }),
  });
  if (!route.ok) return null;
  const way = simulate(route.value, { target: { ...document.target } as Simulation['target'] });
  return way.ok ? way.value : null;
}

function pokeOf({ window }: Simulation, hour: number): RecordContent | null {
  if (window.kind === 'never') return null;
  const answer =
    hour < window.earliestHour ? 'springs-back' : hour > window.latestHour ? 'stays' : 'slowly';
  return { kind: 'checked', check: 'poke', answer, note: '' };
}
