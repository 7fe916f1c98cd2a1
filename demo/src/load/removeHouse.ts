import { schema as t, type Queries } from '@calm/server';
import { eq } from 'drizzle-orm';

/** What belongs to a house, children first. */
export const OF_A_HOUSE = [
  t.handovers,
  t.lotPhotos,
  t.lotRecords,
  t.marks,
  t.loads,
  t.lotItems,
  t.lots,
  t.tillSales,
  t.quarterSales,
  t.sales,
  t.events,
  t.bookings,
  t.serviceExceptions,
  t.chosenCounts,
  t.usualCounts,
  t.sessions,
  t.shiftExceptions,
  t.shiftPatterns,
  t.servicePatterns,
  t.products,
  t.formulaVersions,
  t.ingredients,
  t.formulas,
  t.routes,
  t.people,
  t.plans,
  t.audit,
  t.houseHeads,
  t.houseVersions,
  t.writes,
  t.answers,
  t.coldNotes,
  t.coldAlarms,
  t.machines,
  t.probes,
  t.places,
  t.mixers,
  t.houseAccess,
  t.devices,
  t.turns,
] as const;

/** Takes a house and everything of it out. */
export async function removeHouse(tx: Queries, houseId: string) {
  const numbers = await tx
    .select({ no: t.probes.no })
    .from(t.probes)
    .where(eq(t.probes.houseId, houseId));
  for (const { no } of numbers) {
    await tx.delete(t.readings).where(eq(t.readings.probeNo, no));
    await tx.delete(t.readingBuckets).where(eq(t.readingBuckets.probeNo, no));
  }
  for (const table of OF_A_HOUSE) await tx.delete(table).where(eq(table.houseId, houseId));
  await tx.delete(t.houses).where(eq(t.houses.id, houseId));
}
