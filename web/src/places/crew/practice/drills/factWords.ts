import type { Formats, QuestionFacts } from '@calm/domain';
import type { TFunction } from 'i18next';

/** Numbers of a question in words, each in its unit, as whoever reads them likes it. */
export function factWords(t: TFunction, f: Formats, facts: QuestionFacts): Record<string, string> {
  const each = <Value>(
    values: Readonly<Record<string, Value>> = {},
    say: (value: Value) => string,
  ) => Object.fromEntries(Object.entries(values).map(([key, value]) => [key, say(value)]));
  const { fault, ...names } = facts.names ?? {};
  return {
    ...each(facts.tempsC, (c) => f.temperature(c, 0)),
    ...each(facts.grams, (g) => (g >= 1000 ? f.kilograms(g, 2) : f.grams(g, 0))),
    ...each(facts.counts, (n) => f.count(Math.round(n))),
    ...names,
    ...(fault !== undefined && { fault: t(`diagnose.fault.${fault}`) }),
  };
}
