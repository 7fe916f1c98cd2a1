import { DAY_MS, HOUR_S } from '@calm/core';
import {
  paths,
  type ColdBoard,
  type Lot,
  type ReadingsStart,
  type ReadingsTaken,
} from '@calm/contract';
import { natureOf, trueHouse, type Story } from './cold';
import { probes } from './cold/trueRooms';
import { readingsOf, trueAir, type Sent } from './probes';
import type { Line } from './line';

/*
 * Probes that post to a running house: the air they hang in is that of the true rooms, with the lots that are in
 * them by the house's own record.
 */

const EVERY_S = 60;
/** A room needs some hours to be as its lots make it. */
const BEFORE_H = 30;
const A_POST = 15_000;
/** A house that was left alone for longer has a gap in its readings. */
const MOST_BACK_S = 3 * 86_400;

/** What the probes remember between two rounds. */
export interface ProbeMemory {
  /** What has been sent until, s since the epoch, by probe; empty goes on where the house's readings end. */
  sentS: ReadonlyMap<string, number>;
  /** On their way: lost on the line, and sent later. */
  late: { readonly probe: string; readonly reading: Sent }[];
}

/**
 * One round: everything that the probes have read since the last one and that gets through by now.
 *
 * @param line over which the house is read
 * @param story what goes wrong meanwhile; null is an ordinary day
 * @param machines over which each probe posts, by its name; null posts all over the line, as somebody with a file does
 * @returns how many readings the house has added
 */
export async function probeRound(
  line: Line,
  house: string,
  nowMs: number,
  memory: ProbeMemory,
  story: Story | null = null,
  machines: ReadonlyMap<string, Pick<Line, 'post'>> | null = null,
): Promise<number> {
  const nowS = Math.floor(nowMs / 1000);
  const day = new Date(nowMs - 3 * DAY_MS).toISOString().slice(0, 10);
  const [lots, cold] = await Promise.all([
    line.get<Lot[]>(paths.lots(house, { from: day, days: 8 })),
    line.get<ColdBoard>(paths.cold(house)),
  ]);
  const first = probes.map(({ name }) => sentUntil(memory, cold, name, nowS));
  const startS = Math.floor(Math.min(...first) / HOUR_S - BEFORE_H) * HOUR_S;
  const hours = (nowS - startS) / HOUR_S + 1;
  const airOf = trueAir(trueHouse(lots, new Date(nowMs), startS, hours, story), startS, hours);
  const until = new Map(memory.sentS);
  const due: { probe: string; reading: Sent }[] = [...memory.late];
  for (const probe of probes) {
    if (!cold.probes.some(({ name }) => name === probe.name)) continue;
    const fromS = sentUntil(memory, cold, probe.name, nowS);
    const nature = natureOf(probe, EVERY_S);
    for (const reading of readingsOf(nature, airOf(probe.place), fromS + 1, nowS + 1)) {
      due.push({ probe: probe.name, reading });
    }
    until.set(probe.name, nowS);
  }
  const ready = due.filter(({ reading }) => reading.sentS <= nowS);
  let added = 0;
  const posts = machines
    ? [...machines].map(([name, own]) => ({
        own,
        due: ready.filter(({ probe }) => probe === name),
      }))
    : [{ own: line, due: ready }];
  for (const { own, due: waiting } of posts) {
    for (let i = 0; i < waiting.length; i += A_POST) {
      const start = startOf(waiting.slice(i, i + A_POST));
      added += (await own.post<ReadingsTaken>(paths.addReadings(house), start)).added;
    }
  }
  // Only what the house has taken is sent: a house that was down is told all of it again.
  memory.late = due.filter(({ reading }) => reading.sentS > nowS);
  memory.sentS = until;
  return added;
}

function sentUntil({ sentS }: ProbeMemory, cold: ColdBoard, name: string, nowS: number): number {
  const id = cold.probes.find((probe) => probe.name === name)?.id;
  const last = cold.last.find(({ probeId }) => probeId === id);
  const read = sentS.get(name) ?? (last ? Date.parse(last.at) / 1000 : nowS - HOUR_S);
  return Math.max(read, nowS - MOST_BACK_S);
}

function startOf(due: readonly { probe: string; reading: Sent }[]): ReadingsStart {
  const names = [...new Set(due.map(({ probe }) => probe))];
  return {
    probes: names.map((probe) => {
      const own = due.filter((each) => each.probe === probe).map(({ reading }) => reading);
      return { probe, atS: own.map(({ atS }) => atS), airC: own.map(({ airC }) => airC) };
    }),
  };
}
