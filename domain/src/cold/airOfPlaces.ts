import type { Place, ProbeAir, ColdNote, Probe } from '@calm/contract';
import type { AirRead } from '../learn/doughAsSeen';
import type { PlaceAir } from './coldQuestion';

/**
 * What was read in each cooled place: by its probes, or by hand where there is none. A hand that reads where a
 * probe hangs tells nothing more.
 */
export function airOfPlaces(
  places: readonly Place[],
  probes: readonly Probe[],
  air: readonly ProbeAir[],
  notes: readonly ColdNote[],
): PlaceAir[] {
  return places
    .filter(({ room }) => room !== null)
    .map(({ id, zones }): PlaceAir => {
      const warmer = (zone: string) => zones.find(({ name }) => name === zone)?.warmerC ?? 0;
      const own = probes.filter(({ placeId }) => placeId === id);
      if (own.length > 0) {
        return {
          placeId: id,
          probes: own.map((probe) => {
            const read = air.find(({ probeId }) => probeId === probe.id);
            const readings = (read?.atS ?? []).map((atS, i) => ({
              atS,
              airC: read?.meanC[i] ?? 0,
            }));
            return { zone: probe.zone, zoneC: warmer(probe.zone), readings };
          }),
        };
      }
      const byHand = notes.flatMap(({ at, content }) =>
        content.kind === 'round' && content.placeId === id
          ? [
              {
                zone: content.zone,
                zoneC: warmer(content.zone),
                readings: [{ atS: Date.parse(at) / 1000, airC: content.airC }],
              },
            ]
          : [],
      );
      return { placeId: id, probes: byHand };
    });
}

/** How warm cooled places were over some time by their probes. */
export const airReadIn =
  (places: readonly Place[], air: readonly PlaceAir[]): AirRead =>
  (name, fromMs, toMs) => {
    const id = places.find((place) => place.name === name)?.id;
    const read = air
      .filter(({ placeId }) => placeId === id)
      .flatMap(({ probes }) =>
        probes.flatMap(({ zoneC, readings }) =>
          readings
            .filter(({ atS }) => atS * 1000 >= fromMs && atS * 1000 <= toMs)
            .map(({ airC }) => airC - zoneC),
        ),
      );
    return read.length === 0 ? null : read.reduce((sum, airC) => sum + airC, 0) / read.length;
  };
