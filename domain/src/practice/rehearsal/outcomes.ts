import { settledRandomOf } from '@calm/core';
import { drawEvenings, type Evenings } from './evenings';
import { futureOf, stratified, type Draw, type Factor } from './futures';
import {
  batchesIn,
  shortOn,
  windowsIn,
  type OpenBetween,
  type ServicePart,
  type ShortBy,
} from './servicePart';

/** Evenings that are drawn in each future: its guests are what costs nothing to draw. */
export const EVENINGS = 16;
/** An evening is good on which no more of its guests than this are sent away, and one at any rate. */
const FEW = 0.03;

/** Where the warmth of benches and cold places lies in each future. */
export type Weather = Pick<Record<Factor, readonly number[]>, 'bench' | 'cold'>;

/** A part's futures: where the factors of each lie, and when its balls open well in it. */
export interface PartFutures {
  readonly draws: readonly Draw[];
  readonly windows: readonly (OpenBetween | null)[];
}

/** What they come to: guests sent away on each evening of each future, and why. */
export interface Outcome {
  readonly short: readonly (readonly number[])[];
  readonly by: ShortBy;
}

/** How warm benches and cold places are in each future: the same for all that stands there. */
export const weatherOf = (seed: number, futures: number): Weather => {
  const random = settledRandomOf(seed);
  return { bench: stratified(futures, random), cold: stratified(futures, random) };
};

const seedFrom = (seed: number, words: string): number =>
  [...words].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 1_000_003, seed);

/** A seed of a part's dough: balls of one lot for one service go one way, whatever they weigh. */
const doughSeed = (seed: number, { lot, serviceId }: ServicePart): number =>
  seedFrom(seed, `${lot.id} ${serviceId}`);

/** A seed of a part's guests: the same ones again for whatever is tried with it. */
const guestSeed = (seed: number, { serviceId, productId }: ServicePart): number =>
  seedFrom(seed + 1, `${serviceId} ${productId}`);

/** A part's futures. */
export function futuresOf(part: ServicePart, weather: Weather, seed: number): PartFutures {
  const draws = drawsOf(part, weather, seed);
  return { draws, windows: windowsIn(part, draws.map(futureOf)) };
}

/** Where a part's factors lie in each future. */
export function drawsOf(part: ServicePart, { bench, cold }: Weather, seed: number): Draw[] {
  const random = settledRandomOf(doughSeed(seed, part));
  const [yeast, dough, mixLate, pullLate] = Array.from({ length: 4 }, () =>
    stratified(bench.length, random),
  ) as [number[], number[], number[], number[]];
  return bench.map((each, i): Draw => ({
    bench: each,
    cold: cold[i] as number,
    yeast: yeast[i] as number,
    dough: dough[i] as number,
    'mix-late': mixLate[i] as number,
    'pull-late': pullLate[i] as number,
  }));
}

/** The evenings of a part: the same guests come to whatever is tried with it. */
export const eveningsOf = (part: ServicePart, futures: number, seed: number): Evenings =>
  drawEvenings(part, futures * EVENINGS, settledRandomOf(guestSeed(seed, part)));

/** What a part's futures come to, each on so many of its evenings. */
export function outcomeOf(
  part: ServicePart,
  { draws, windows }: PartFutures,
  evenings: Evenings,
  ofEach = EVENINGS,
): Outcome {
  const by: ShortBy = { 'not-ready': 0, past: 0, gone: 0 };
  const short = draws.map((draw, i) => {
    const batches = batchesIn(part, windows[i] ?? null, futureOf(draw));
    return Array.from({ length: ofEach }, (_, evening) =>
      shortOn(evenings.guestsOf(i * ofEach + evening), batches, by),
    );
  });
  return { short, by };
}

/** Guests who are expected. */
export const guestsOf = ({ perQuarter }: ServicePart): number =>
  perQuarter.reduce((sum, guests) => sum + guests, 0);

/** Guests that may be sent away of so many, for the evening to be a good one. */
export const mostShort = (guests: number): number => Math.max(1, FEW * guests);

/** Of the evenings of each future, the share that is good for several parts together. */
export function goodShares(outcomes: readonly Outcome[], guests: number): number[] {
  const most = mostShort(guests);
  const [first] = outcomes;
  if (!first) return [];
  return first.short.map((evenings, i) => {
    let good = 0;
    for (let evening = 0; evening < evenings.length; evening += 1) {
      let short = 0;
      for (const each of outcomes) short += (each.short[i] as readonly number[])[evening] as number;
      if (short <= most) good += 1;
    }
    return good / evenings.length;
  });
}

/** The mean of some numbers; 0 of none. */
export const meanOf = (numbers: readonly number[]): number =>
  numbers.reduce((sum, each) => sum + each, 0) / Math.max(1, numbers.length);

/** A part's odds by what its futures come to. */
export const oddsOf = (part: ServicePart, outcome: Outcome): number =>
  meanOf(goodShares([outcome], guestsOf(part)));
