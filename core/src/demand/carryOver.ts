import { goneBy, type UsageCurve } from './usage';

/** Balls of one product that are made, with when they open well. */
export interface MadeBalls {
  readonly lotCode: string;
  readonly count: number;
  /** Balled at, ms: the oldest go first. */
  readonly madeMs: number;
  /** When they open well if they are pulled for the service of this index; null is never. */
  window(service: number): OpensWell | null;
}

/** The moments between which balls open well, ms. */
export interface OpensWell {
  readonly fromMs: number;
  readonly toMs: number;
}

/** A service that asks for balls of one product. */
export interface Asking {
  readonly startMs: number;
  readonly endMs: number;
  readonly wanted: number;
  readonly curve: UsageCurve;
}

/** What a service is given of what there is. */
export interface Given {
  readonly lotCode: string;
  readonly count: number;
}

/** One service: what it is given, oldest first, and what is left to be made for it. */
export interface Covered {
  readonly given: readonly Given[];
  readonly toMake: number;
}

/** What is made goes to the services in time's order, oldest first; what nobody can use is told. */
export interface CarryOver {
  readonly services: readonly Covered[];
  /** Balls that no service ahead can open inside their window. */
  readonly unused: readonly Given[];
}

/**
 * Shares out balls that are made already. A lot serves a service only as far as its window reaches into
 * it: what the usage curve asks for before and after is not its to give.
 *
 * @param services in time's order
 */
export function carryOver(made: readonly MadeBalls[], services: readonly Asking[]): CarryOver {
  const oldest = [...made].sort((a, b) => a.madeMs - b.madeMs);
  const left = oldest.map(({ count }) => count);
  const covered = services.map((service, at): Covered => {
    let toMake = service.wanted;
    const given: Given[] = [];
    oldest.forEach((lot, i) => {
      const window = (left[i] ?? 0) > 0 && toMake > 0 ? lot.window(at) : null;
      const reach = window ? Math.floor(reachOf(window, service) * service.wanted + 1e-9) : 0;
      const count = Math.min(left[i] ?? 0, toMake, reach);
      if (count <= 0) return;
      given.push({ lotCode: lot.lotCode, count });
      left[i] = (left[i] ?? 0) - count;
      toMake -= count;
    });
    return { given, toMake };
  });
  return {
    services: covered,
    unused: oldest.flatMap(({ lotCode }, i) => {
      const count = left[i] ?? 0;
      return count > 0 ? [{ lotCode, count }] : [];
    }),
  };
}

/** Share of a service's balls that go while a lot opens well. */
function reachOf(window: OpensWell, { startMs, endMs, curve }: Asking): number {
  const minute = (ms: number) => (Math.min(endMs, Math.max(startMs, ms)) - startMs) / 60_000;
  const [from, to] = [minute(window.fromMs), minute(window.toMs)];
  return to > from ? goneBy(curve, to) - goneBy(curve, from) : 0;
}
