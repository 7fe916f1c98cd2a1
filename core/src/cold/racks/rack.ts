/** A part of a room with its own row of positions, from the top down. */
export interface RackZone {
  readonly name: string;
  readonly positions: number;
  /** How much warmer than the room's air, °C. */
  readonly warmerC: number;
}

/** A room's racks. */
export interface Rack {
  readonly zones: readonly RackZone[];
  readonly traysAPosition: number;
}

/** Trays at one position; positions count from 1 at the top. */
export interface TraysAt {
  readonly zone: string;
  readonly position: number;
  readonly trays: number;
}

/** Where some trays may go, and how many find no place. */
export interface PutAway {
  readonly puts: readonly TraysAt[];
  readonly without: number;
}

/** Trays at a position. */
export const traysAt = (
  standing: readonly TraysAt[],
  { zone, position }: Pick<TraysAt, 'zone' | 'position'>,
): number =>
  standing.reduce(
    (sum, each) => (each.zone === zone && each.position === position ? sum + each.trays : sum),
    0,
  );

/** Trays that still find room. */
export function freeTrays({ zones, traysAPosition }: Rack, standing: readonly TraysAt[]): number {
  return zones.reduce((sum, { name, positions }) => {
    for (let position = 1; position <= positions; position += 1) {
      sum += Math.max(0, traysAPosition - traysAt(standing, { zone: name, position }));
    }
    return sum;
  }, 0);
}

/**
 * Where to put trays: the coldest zone first, together, from the top down. Warm trays are spaced while there
 * is room for that: one at a position with its neighbours free, so that air gets around each; what is left
 * over goes wherever there is room.
 *
 * @param isSpaced for trays that come in warm
 */
export function putAway(
  rack: Rack,
  standing: readonly TraysAt[],
  trays: number,
  isSpaced: boolean,
): PutAway {
  const zones = [...rack.zones].sort((a, b) => a.warmerC - b.warmerC);
  const taken = [...standing];
  const puts: TraysAt[] = [];
  let left = trays;
  const put = (zone: string, position: number, most: number) => {
    const here = Math.min(left, most);
    if (here <= 0) return;
    left -= here;
    const before = puts.findIndex((each) => each.zone === zone && each.position === position);
    if (before >= 0) puts[before] = { zone, position, trays: (puts[before]?.trays ?? 0) + here };
    else puts.push({ zone, position, trays: here });
    taken.push({ zone, position, trays: here });
  };
  if (isSpaced) {
    for (const { name, positions } of zones) {
      for (let position = 1; position <= positions; position += 1) {
        const isFree = [position - 1, position, position + 1].every(
          (near) => traysAt(taken, { zone: name, position: near }) === 0,
        );
        if (isFree) put(name, position, 1);
      }
    }
  }
  for (const { name, positions } of zones) {
    for (let position = 1; position <= positions; position += 1) {
      put(name, position, rack.traysAPosition - traysAt(taken, { zone: name, position }));
    }
  }
  return { puts, without: left };
}
