import { correctionC } from '@calm/domain';
import { AIR_EVERY_S, type Bucket, type ProbeReading } from '@calm/core';
import { and, asc, between, desc, eq, sql } from 'drizzle-orm';
import type { ResultSetHeader } from 'mysql2';
import type { NumberedProbe } from './probes';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';

/** Rows in one statement. */
const ROWS = 4000;

/** Whose readings they are. */
export interface ReadingsSource {
  /** When the house took them, s since the epoch; null is not known. */
  readonly receivedS: number | null;
  /** Number of the machine that posted them; null is somebody of the house. */
  readonly machineNo: number | null;
}

const FROM_BEFORE: ReadingsSource = { receivedS: null, machineNo: null };

/**
 * Adds readings of a probe; of a moment that is known already the first one stays. Lines of ten minutes that
 * they touch are calculated again.
 *
 * @returns how many were added
 */
export async function addReadings(
  { tx }: Scope,
  no: number,
  atS: readonly number[],
  airC: readonly number[],
  { receivedS, machineNo }: ReadingsSource = FROM_BEFORE,
): Promise<number> {
  const source = `${receivedS ?? 'null'},${machineNo ?? 'null'}`;
  let added = 0;
  for (let i = 0; i < atS.length; i += ROWS) {
    const rows = atS
      .slice(i, i + ROWS)
      .map(
        (at, j) => `(${no},${Math.round(at)},${Math.round((airC[i + j] ?? 0) * 100)},${source})`,
      );
    const [result] = await tx.execute(
      // Numbers only, each rounded: nothing that could be anything else.
      sql`insert ignore into readings (probe_no, at_s, centi_c, received_s, machine_no) values ${sql.raw(rows.join(','))}`,
    );
    added += (result as unknown as ResultSetHeader).affectedRows;
  }
  if (added > 0) await reckonBuckets({ tx }, no, least(atS), greatest(atS));
  return added;
}

const least = (numbers: readonly number[]) => numbers.reduce((a, b) => Math.min(a, b), Infinity);
const greatest = (numbers: readonly number[]) => numbers.reduce((a, b) => Math.max(a, b), 0);

async function reckonBuckets({ tx }: Pick<Scope, 'tx'>, no: number, fromS: number, toS: number) {
  const first = fromS - (fromS % AIR_EVERY_S);
  const last = toS - (toS % AIR_EVERY_S) + AIR_EVERY_S - 1;
  await tx.execute(sql`
    insert into reading_buckets
      (probe_no, at_s, readings, sum_centi_c, min_centi_c, max_centi_c)
    select probe_no, at_s - at_s % ${AIR_EVERY_S} as begins,
      least(count(*), 65535), sum(centi_c), min(centi_c), max(centi_c)
    from readings
    where probe_no = ${no} and at_s between ${first} and ${last}
    group by probe_no, begins
    on duplicate key update
      readings = values(readings), sum_centi_c = values(sum_centi_c),
      min_centi_c = values(min_centi_c), max_centi_c = values(max_centi_c)`);
}

/** What a probe showed between two moments, both included, corrected, in time's order. */
export async function readReadings(
  { tx }: Scope,
  { no, probe }: NumberedProbe,
  fromS: number,
  toS: number,
): Promise<ProbeReading[]> {
  const rows = await tx
    .select({ atS: t.readings.atS, centiC: t.readings.centiC })
    .from(t.readings)
    .where(and(eq(t.readings.probeNo, no), between(t.readings.atS, fromS, toS)))
    .orderBy(asc(t.readings.atS));
  return rows.map(({ atS, centiC }) => ({ atS, airC: centiC / 100 + correctionC(probe, atS) }));
}

/** What a probe showed as lines of ten minutes, corrected. */
export async function readBuckets(
  { tx }: Scope,
  { no, probe }: NumberedProbe,
  fromS: number,
  toS: number,
): Promise<Bucket[]> {
  const rows = await tx
    .select()
    .from(t.readingBuckets)
    .where(and(eq(t.readingBuckets.probeNo, no), between(t.readingBuckets.atS, fromS, toS)))
    .orderBy(asc(t.readingBuckets.atS));
  return rows.map(({ atS, readings, sumCentiC, minCentiC, maxCentiC }) => {
    const offC = correctionC(probe, atS);
    return {
      atS,
      readings,
      meanC: sumCentiC / readings / 100 + offC,
      minC: minCentiC / 100 + offC,
      maxC: maxCentiC / 100 + offC,
    };
  });
}

/** What a probe showed last until a moment, corrected; null when it never did. */
export async function readLast(
  { tx }: Scope,
  { no, probe }: NumberedProbe,
  untilS: number,
): Promise<ProbeReading | null> {
  const [row] = await tx
    .select({ atS: t.readings.atS, centiC: t.readings.centiC })
    .from(t.readings)
    .where(and(eq(t.readings.probeNo, no), between(t.readings.atS, 0, untilS)))
    .orderBy(desc(t.readings.atS))
    .limit(1);
  return row ? { atS: row.atS, airC: row.centiC / 100 + correctionC(probe, row.atS) } : null;
}
