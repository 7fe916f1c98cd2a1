import type { LotRecord, MethodStep, RecordOf } from '@calm/contract';
import type { AmountsBySteps, WeighedLine } from '@calm/core';
import { currentRecords } from '@calm/domain';

/** How a load is weighed: each ingredient at once, or what goes in at each step of the method. */
export const WEIGH_BY = ['ingredient', 'step'] as const;
export type WeighBy = (typeof WEIGH_BY)[number];

/** One thing to be put on the scale. */
export interface Turn {
  readonly id: string;
  readonly line: Pick<WeighedLine, 'key' | 'kind' | 'name' | 'grams'>;
  /** Null where the whole ingredient is weighed at once, or no step names it. */
  readonly step: MethodStep | null;
  /** Water that goes in after other water: some of it may stay over. */
  readonly isHeldBack: boolean;
}

/** Turns that belong together, and what is done before the next: a step without any is only done. */
export interface TurnGroup {
  readonly step: MethodStep | null;
  readonly turns: readonly Turn[];
}

const idOf = (key: string, step: string | undefined) =>
  step === undefined ? key : `${step}/${key}`;

/** Every ingredient of a load, each at once. */
export const turnsByIngredient = (lines: readonly WeighedLine[]): TurnGroup[] => [
  {
    step: null,
    turns: lines.map((line) => ({ id: line.key, line, step: null, isHeldBack: false })),
  },
];

/** What goes in at each step of a method, in its order, then what no step names. */
export function turnsByStep(steps: readonly MethodStep[], amounts: AmountsBySteps): TurnGroup[] {
  const poured = new Set<string>();
  const groups = steps.map((step, i): TurnGroup => ({
    step,
    turns: (amounts.steps[i] ?? []).map((line): Turn => {
      const isHeldBack = line.kind === 'water' && poured.has(line.key);
      poured.add(line.key);
      return { id: idOf(line.key, step.key), line, step, isHeldBack };
    }),
  }));
  const rest = amounts.rest.map((line): Turn => ({
    id: line.key,
    line,
    step: null,
    isHeldBack: false,
  }));
  return rest.length > 0 ? [...groups, { step: null, turns: rest }] : groups;
}

/** What was weighed of a load, by turns. */
export const weighedTurns = (
  records: readonly LotRecord[],
  loadNumber: number,
): ReadonlyMap<string, RecordOf<'weighed'>> =>
  new Map(
    currentRecords(records, 'weighed')
      .filter(({ content }) => content.loadNumber === loadNumber)
      .map((each) => [idOf(each.content.key, each.content.step), each]),
  );

/** How a load has been begun to be weighed: nobody weighs half of it one way and half another; null while nothing is. */
export function begunBy(weighed: ReadonlyMap<string, RecordOf<'weighed'>>): WeighBy | null {
  const all = [...weighed.values()];
  if (all.length === 0) return null;
  return all.some(({ content }) => content.step !== undefined) ? 'step' : 'ingredient';
}
