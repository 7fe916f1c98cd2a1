import type { LineKind } from '../formula';
import type { WeighedLine } from './scale';

/** Some of an ingredient that goes into the bowl at a step. */
export interface StepAddition {
  readonly kind: LineKind;
  /** Of several of a kind, which; all of them when absent. */
  readonly name?: string;
  /** Of all of it in the bowl. */
  readonly percent: number;
}

/** What of an ingredient goes in at a step. */
export interface StepAmount extends Pick<WeighedLine, 'key' | 'kind' | 'name'> {
  readonly grams: number;
}

/** A load's ingredients by the steps of its method. */
export interface AmountsBySteps {
  /** For each step, what goes in at it. */
  readonly steps: readonly (readonly StepAmount[])[];
  /** What no step names. */
  readonly rest: readonly StepAmount[];
}

/** Less than this is nothing, g. */
const DUST_G = 1e-6;

/**
 * Which of a load's ingredients go in at which step, in grams that the scale shows. Over all steps and what no step names
 * each ingredient adds up to what is weighed of it; where steps ask for more than all of it, the last get what is left.
 *
 * @param steps what each step adds
 * @param readabilityG what the scale shows of a line, g
 * @example
 * const water = { key: 'water', kind: 'water', name: 'water', percent: 62, grams: 6200, exactG: 6200 } as const;
 * const held = [{ kind: 'water', percent: 95 }, { kind: 'water', percent: 5 }] as const;
 * amountsBySteps([water], held.map((each) => [each]), () => 5).steps[1]?.[0]?.grams; // 310
 */
export function amountsBySteps(
  lines: readonly WeighedLine[],
  steps: readonly (readonly StepAddition[])[],
  readabilityG: (line: WeighedLine) => number,
): AmountsBySteps {
  const byStep: StepAmount[][] = steps.map(() => []);
  const rest: StepAmount[] = [];
  for (const line of lines) {
    const { key, kind, name, grams: all } = line;
    const stepG = readabilityG(line);
    let [share, given] = [0, 0];
    steps.forEach((adds, i) => {
      share += shareOf(adds, line);
      // Sums are rounded, not parts: what is weighed in the end is what the recipe says.
      const upTo = share >= 1 ? all : Math.min(all, Math.round((all * share) / stepG) * stepG);
      const grams = upTo - given;
      given = upTo;
      if (grams > DUST_G) byStep[i]?.push({ key, kind, name, grams });
    });
    if (all - given > DUST_G) rest.push({ key, kind, name, grams: all - given });
  }
  return { steps: byStep, rest };
}

const shareOf = (adds: readonly StepAddition[], line: WeighedLine): number =>
  adds.reduce(
    (sum, { kind, name, percent }) =>
      kind === line.kind && (name === undefined || name === line.name) ? sum + percent / 100 : sum,
    0,
  );
