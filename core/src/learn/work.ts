/** How long somebody took for a piece of work, and what was planned for it. */
export interface WorkSample {
  readonly kind: string;
  /** Null where nobody is named. */
  readonly personId: string | null;
  readonly plannedMin: number;
  readonly tookMin: number;
}

/** How much longer than planned a kind of work takes, by everybody or by one person. */
export interface LearnedWork {
  readonly kind: string;
  /** Null is everybody. */
  readonly personId: string | null;
  readonly factor: number;
  readonly samples: number;
}

/** Fewer samples say nothing. */
const FEWEST = 5;
/** How far a house's minutes, and one person's, may be from what was thought, and a sample from either; of ln. */
const PRIOR_SD = 0.25;
const SAMPLE_SD = 0.3;
/** Sure of a difference from so many standard deviations. */
const SURE = 2;
/** What is off by more was a slip of the clock. */
const MOST_LN = 1.2;

/**
 * How much longer than planned work takes: each kind as a mean of ln minutes that is shrunk to the plan, each person's
 * shrunk to the house's. Only what is sure is told.
 *
 * @example
 * const slow = { kind: 'mix', personId: null, plannedMin: 20, tookMin: 30 };
 * learnWork(Array.from({ length: 10 }, () => slow))[0]?.factor; // 1.425
 */
export function learnWork(samples: readonly WorkSample[]): LearnedWork[] {
  const sound = samples.flatMap(({ kind, personId, plannedMin, tookMin }) => {
    const ln = plannedMin > 0 && tookMin > 0 ? Math.log(tookMin / plannedMin) : Infinity;
    return Math.abs(ln) <= MOST_LN ? [{ kind, personId, ln }] : [];
  });
  const kinds = [...new Set(sound.map(({ kind }) => kind))];
  return kinds.flatMap((kind): LearnedWork[] => {
    const own = sound.filter((each) => each.kind === kind);
    const house = shrunk(
      own.map(({ ln }) => ln),
      0,
    );
    const people = [...new Set(own.flatMap(({ personId }) => personId ?? []))];
    const told = (personId: string | null, { mean, sd, n }: Shrunk, about: number) =>
      n >= FEWEST && Math.abs(mean - about) > SURE * sd
        ? [{ kind, personId, factor: Math.exp(mean), samples: n }]
        : [];
    return [
      ...told(null, house, 0),
      ...people.flatMap((personId) =>
        told(
          personId,
          shrunk(
            own.flatMap((each) => (each.personId === personId ? [each.ln] : [])),
            house.mean,
          ),
          house.mean,
        ),
      ),
    ];
  });
}

interface Shrunk {
  readonly mean: number;
  readonly sd: number;
  readonly n: number;
}

/** The mean of some values, drawn to what was thought before. */
function shrunk(values: readonly number[], before: number): Shrunk {
  const n = values.length;
  const precision = 1 / PRIOR_SD ** 2 + n / SAMPLE_SD ** 2;
  const sum = values.reduce((all, value) => all + value, 0);
  return {
    mean: (before / PRIOR_SD ** 2 + sum / SAMPLE_SD ** 2) / precision,
    sd: Math.sqrt(1 / precision),
    n,
  };
}
