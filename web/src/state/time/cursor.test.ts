import { describe, expect, it } from '@jest/globals';
import { setClock } from './clock';
import { cursorSlice, moved, RAIL_HOURS, released, snappedToNow, ticked } from './cursor';

const HOUR = 3_600_000;
const NOW = Date.parse('2026-11-25T14:40:00Z');
setClock({ now: new Date(NOW).toISOString(), speed: 0 });
const reduce = cursorSlice.reducer;
const start = reduce(undefined, { type: 'start' });
const middle = (state: typeof start) =>
  (state.railStartMs + state.railStartMs + RAIL_HOURS * HOUR) / 2;

describe('the time cursor', () => {
  it('starts at the present, with the rail around it', () => {
    expect(start).toMatchObject({ atMs: null, nowMs: NOW });
    expect(start.railStartMs).toBeLessThan(NOW);
    expect(start.railStartMs + RAIL_HOURS * HOUR).toBeGreaterThan(NOW + 20 * HOUR);
  });

  it('leaves the rail alone while it is dragged', () => {
    const dragged = reduce(start, moved(start.railStartMs + 35.5 * HOUR));
    expect(dragged.railStartMs).toBe(start.railStartMs);
  });

  it('lays the rail again when let go near an end, and only then', () => {
    const near = reduce(reduce(start, moved(start.railStartMs + 35.5 * HOUR)), released());
    expect(near.railStartMs).toBeGreaterThan(start.railStartMs);
    expect(Math.abs((near.atMs ?? 0) - middle(near))).toBeLessThan(8 * HOUR);
    const inside = reduce(reduce(start, moved(middle(start))), released());
    expect(inside.railStartMs).toBe(start.railStartMs);
  });

  it('snaps back', () => {
    const away = reduce(reduce(start, moved(NOW + 200 * HOUR)), released());
    expect(reduce(away, snappedToNow())).toEqual(start);
  });

  it('follows the clock only while it is at the present', () => {
    const later = NOW + 10 * HOUR;
    const following = reduce(start, ticked(later));
    expect(following.nowMs).toBe(later);
    expect(following.railStartMs).toBeGreaterThan(start.railStartMs);
    const looking = reduce(reduce(start, moved(NOW - HOUR)), ticked(later));
    expect(looking.railStartMs).toBe(start.railStartMs);
    expect(looking.atMs).toBe(NOW - HOUR);
  });
});
