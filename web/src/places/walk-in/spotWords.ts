import type { Spot } from '@calm/contract';
import type { Formats } from '@calm/domain';

type InZone = Pick<Spot, 'zone' | 'position'>;

/** A position as people say it: the zone and the number from the top. */
export const spotWords = ({ zone, position }: InZone): string => `${zone} ${position}`;

/** Several positions, those that follow each other as one stretch: `back 5–12, door 3`. */
export function spotsWords(f: Pick<Formats, 'list'>, spots: readonly InZone[]): string {
  const zones = [...new Set(spots.map(({ zone }) => zone))];
  return f.list(
    zones.flatMap((zone) => {
      const own = spots.filter((spot) => spot.zone === zone).map(({ position }) => position);
      return stretches([...new Set(own)].sort((a, b) => a - b)).map(([from, to]) =>
        from === to ? `${zone} ${from}` : `${zone} ${from}–${to}`,
      );
    }),
  );
}

function stretches(sorted: readonly number[]): [number, number][] {
  const all: [number, number][] = [];
  for (const position of sorted) {
    const last = all.at(-1);
    if (last && last[1] === position - 1) last[1] = position;
    else all.push([position, position]);
  }
  return all;
}
