import type { ColdNote, ConsistencyChart, Probe, ProbeAir } from '@calm/contract';

/** A bucket of readings lasts ten minutes, s. */
const BUCKET_S = 600;

/** How much more each probe showed than a thermometer by hand at its zone, °C, round by round. */
export function probeCharts(
  probes: readonly Probe[],
  air: readonly ProbeAir[],
  notes: readonly ColdNote[],
): ConsistencyChart[] {
  return probes.map(({ id, placeId, zone }) => {
    const read = air.find(({ probeId }) => probeId === id);
    const rounds = notes.flatMap(({ at, content }) =>
      content.kind === 'round' && content.placeId === placeId && content.zone === zone
        ? [{ at, airC: content.airC }]
        : [],
    );
    return {
      kind: 'probe',
      personId: null,
      productId: null,
      placeId: null,
      probeId: id,
      points: rounds
        .sort((a, b) => a.at.localeCompare(b.at))
        .flatMap(({ at, airC }) => {
          const byHandS = Date.parse(at) / 1000;
          const near = read?.atS.findIndex((s) => s <= byHandS && byHandS < s + BUCKET_S) ?? -1;
          const meanC = read?.meanC[near];
          return meanC === undefined ? [] : [{ at, lot: null, value: meanC - airC }];
        }),
    };
  });
}
