import { addReadings, readProbes, schema as t, type Queries } from '@calm/server';
import type { Lot } from '@calm/contract';
import { makeAlarms, makeReadings, makeRounds } from '../cold/history';
import { probes } from '../cold/trueRooms';
import { inBatches, type Ids } from './inserting';

export async function insertProbes(tx: Queries, houseId: string, id: Ids) {
  await tx.insert(t.probes).values(
    probes.map(({ key, name, place, zone, offsetC }) => ({
      id: id(`probe/${key}`),
      houseId,
      name,
      placeId: id(`place/${place}`),
      zone,
      calibrations: offsetC === 0 ? [] : [{ from: '2026-01-05T09:00:00.000Z', offsetC }],
    })),
  );
}

export async function insertReadings(
  tx: Queries,
  houseId: string,
  id: Ids,
  { lots, now, days, silentH }: { lots: readonly Lot[]; now: Date; days: number; silentH: number },
) {
  const scope = { tx, houseId };
  const untilS = now.getTime() / 1000 - silentH * 3600;
  const history = makeReadings(lots, now, days).map(({ probe, readings }) => ({
    probe,
    readings: readings.filter(({ atS }) => atS <= untilS),
  }));
  const numbered = await readProbes(scope);
  for (const { probe, readings } of history) {
    const own = numbered.find((each) => each.probe.id === id(`probe/${probe.key}`));
    if (!own) continue;
    const [atS, airC] = [readings.map((each) => each.atS), readings.map((each) => each.airC)];
    await addReadings(scope, own.no, atS, airC);
  }
  await tx.insert(t.coldNotes).values(
    makeRounds(history, now).map(({ key, at, by, place, zone, airC }) => ({
      id: id(key),
      houseId,
      at,
      personId: id(`person/${by}`),
      content: { kind: 'round' as const, placeId: id(`place/${place}`), zone, airC },
    })),
  );
  const alarms = makeAlarms(history, now);
  await inBatches(alarms, (batch) =>
    tx.insert(t.coldAlarms).values(
      batch.map(({ probe, found, causes, by, cause, note }) => ({
        id: id(`alarm/${probe.key}/${found.fromS}`),
        houseId,
        probeId: id(`probe/${probe.key}`),
        kind: found.kind,
        fromAt: new Date(found.fromS * 1000),
        untilAt: new Date((found.untilS ?? 0) * 1000),
        worstC: found.worstC,
        meanC: found.meanC,
        causes,
        acknowledgedAt: new Date((found.untilS ?? 0) * 1000 + 20 * 60_000),
        acknowledgedById: id(`person/${by}`),
        foundCause: cause,
        note,
      })),
    ),
  );
}
