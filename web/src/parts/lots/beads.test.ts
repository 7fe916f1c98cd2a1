import { countBack, workOf } from '@calm/core';
import { exampleBook } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { beadsOf } from './beads';

const route = exampleBook().routes[0]?.stages ?? [];
const works = workOf(countBack(route, 1e12, { loads: 2, balls: 150 }));
const start = works[0]?.startMs ?? 0;
const scale = (pxPerHour: number) => (ms: number) => ((ms - start) / 3_600_000) * pxPerHour;

describe('beads', () => {
  it('stand alone where there is room', () => {
    expect(beadsOf(works, scale(200), 26)).toHaveLength(works.length);
  });

  it('share where there is none, and lose no work', () => {
    const beads = beadsOf(works, scale(18), 26);
    expect(beads.length).toBeLessThan(works.length);
    expect(beads.flatMap((bead) => bead.works)).toEqual(works);
    beads.slice(1).forEach((bead, i) => expect(bead.x - (beads[i]?.x ?? 0)).toBeGreaterThan(25));
  });
});
