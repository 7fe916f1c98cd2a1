import type { AdvisedChoice, DecidedStage, DecidedWay, LotRecord } from '@calm/contract';
import { HOUR_MS, type AdvicePlace, type DoughStage } from '@calm/core';
import { currentRecords } from '../lots/currentRecords';
import type { DoughInProgress } from '../lots/lotHistory';
import type { WaitingLot } from './whatNow';

/** A minute either way is the same moment, h. */
const SAME_H = 1 / 60;

/**
 * A dough on the way that was decided for it last: up to then as it was, from then on as decided.
 *
 * @param records of its lot
 * @param trays whether it is the way of those that stand in the cold though others are out: they have decisions of their own
 * @returns the way itself where nothing was decided, or nothing that moves it
 */
export function asDecided(
  way: DoughInProgress,
  records: readonly LotRecord[],
  trays: 'all' | 'cold' = 'all',
): DoughInProgress {
  const last = currentRecords(records, 'decided')
    .filter(({ content }) => content.of === undefined || trays === 'cold')
    .at(-1);
  if (!last || last.content.stages.length === 0) return way;
  const fromHour = Math.max(0, (Date.parse(last.at) - way.mixedMs) / HOUR_MS);
  const past = stagesUntil(way.document.stages, fromHour);
  let fromMs = way.mixedMs + past.reduce((sum, { hours }) => sum + hours, 0) * HOUR_MS;
  const ahead = last.content.stages.map((stage): DoughStage => {
    const hours = Math.max(0, Date.parse(stage.untilAt) - fromMs) / HOUR_MS;
    fromMs += hours * HOUR_MS;
    return stageOf(stage, hours, way.document.stages);
  });
  return {
    ...way,
    document: { ...way.document, stages: [...past, ...ahead] },
    places: [...way.places.slice(0, past.length), ...last.content.stages.map(({ place }) => place)],
  };
}

/** The stages of a way up to an hour. Past them the last goes on. */
function stagesUntil(stages: readonly DoughStage[], hour: number): DoughStage[] {
  let gone = 0;
  const until = stages.flatMap((stage): DoughStage[] => {
    const hours = Math.min(stage.hours, hour - gone);
    gone += stage.hours;
    return hours > SAME_H ? [{ ...stage, hours }] : [];
  });
  const last = until.at(-1);
  return last && hour > gone
    ? [...until.slice(0, -1), { ...last, hours: last.hours + hour - gone }]
    : until;
}

function stageOf(
  { kind, airTempC, container, isBalledAgain }: DecidedStage,
  hours: number,
  before: readonly DoughStage[],
): DoughStage {
  const massKg = before.find((stage) => stage.kind === 'bulk')?.massKg;
  return {
    kind,
    hours,
    airTempC,
    container,
    ...(isBalledAgain && { shaping: 'ball' as const }),
    ...(kind === 'bulk' && massKg !== undefined && { massKg }),
  };
}

/** A choice for a lot that waits, as it is put on record. */
export function decisionOf(
  choice: AdvisedChoice,
  { way, spots, nowMs, trays }: Pick<WaitingLot, 'way' | 'spots' | 'nowMs' | 'trays'>,
): DecidedWay {
  const nowHour = (nowMs - way.mixedMs) / HOUR_MS;
  const isoAt = (hour: number) => new Date(way.mixedMs + hour * HOUR_MS).toISOString();
  const { window, stages, balls, odds } = choice;
  const here = hereAt(way, nowHour);
  let endHour = 0;
  let hereC = stages?.[0]?.airTempC;
  const ahead = (stages ?? []).flatMap((stage): DecidedStage[] => {
    endHour += stage.hours;
    const { kind, airTempC, container } = stage;
    if (endHour <= nowHour + SAME_H) hereC = airTempC;
    if (endHour <= nowHour + SAME_H || stage.hours <= SAME_H) return [];
    return [
      {
        kind,
        place: airTempC === hereC ? here : nearest(airTempC, spots, here),
        airTempC,
        container,
        isBalledAgain: stage.shaping === 'ball',
        untilAt: isoAt(endHour),
      },
    ];
  });
  return {
    do: choice.do,
    where: choice.where,
    fromAt: isoAt(choice.fromHour),
    ...(trays === 'cold' && { of: trays }),
    stages: ahead,
    meant: {
      opensAt: window && isoAt(window.earliestHour),
      endsAt: window && isoAt(window.latestHour),
      balls: Math.round(balls),
      odds,
    },
  };
}

/** Where a lot stands at an hour. */
function hereAt({ document: { stages }, places }: DoughInProgress, hour: number): string {
  let endHour = 0;
  const index = stages.findIndex(({ hours }) => {
    endHour += hours;
    return endHour >= hour;
  });
  return places[index] ?? places.at(-1) ?? '';
}

/** The place whose air is as a stage's. */
const nearest = (airTempC: number, spots: readonly AdvicePlace[], here: string): string =>
  [...spots].sort((a, b) => Math.abs(a.airTempC - airTempC) - Math.abs(b.airTempC - airTempC))[0]
    ?.name ?? here;

/** Whether what was decided last did what it was meant to; null where nobody saw, or nothing was meant to open. */
export function wasAsMeant(records: readonly LotRecord[]): boolean | null {
  const decided = currentRecords(records, 'decided').at(-1);
  const opened = currentRecords(records, 'opened').at(-1);
  if (!decided || decided.content.stages.length === 0 || !opened || opened.at < decided.at)
    return null;
  return opened.content.found === 'well';
}
