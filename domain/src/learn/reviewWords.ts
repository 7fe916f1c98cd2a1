import { LEFTOVERS, type WeekReview } from '@calm/contract';
import type { Formats } from '../format/formats';

/** A sentence of the catalogues `review` and `outcome`. */
type Say = (key: string, values?: Readonly<Record<string, string>>) => string;

/** A week's review in words: its title, what is told of it, name by value, and what was wrong with which lots. */
export interface ReviewWords {
  readonly title: string;
  readonly facts: readonly (readonly [name: string, value: string])[];
  readonly faults: readonly { readonly name: string; readonly lots: readonly string[] }[];
}

/** Says what became of a week, as it is read on its page and in an e-mail. */
export function reviewWords(week: WeekReview, t: Say, f: Formats): ReviewWords {
  const { left, thrownCost, forecastErrorPercent } = week;
  const none = t('review.none');
  const of = (some: number, all: number) =>
    t('review.of', { some: f.count(some), all: f.count(all) });
  const leftWords = LEFTOVERS.filter((to) => left !== null && left[to] > 0).map(
    (to) => `${f.count(left?.[to] ?? 0)} ${t(`leftover.${to}`)}`,
  );
  return {
    title: t('review.week', { from: f.date(week.from), to: f.date(week.to) }),
    facts: [
      [
        t('review.lots'),
        t('review.lotsAre', { lots: f.count(week.lots), balls: f.count(week.balls) }),
      ],
      [t('review.opened'), of(week.opened.well, week.opened.of)],
      [t('review.onTime'), of(week.onTime.steps, week.onTime.of)],
      [t('review.short'), of(week.short.services, week.short.of)],
      [
        t('review.forecast'),
        forecastErrorPercent === null ? none : f.percent(forecastErrorPercent, 0),
      ],
      [t('review.left'), leftWords.length > 0 ? f.list(leftWords) : none],
      ...(thrownCost === null ? [] : ([[t('review.thrown'), f.money(thrownCost)]] as const)),
    ],
    faults: week.faults.map(({ found, lots }) => ({ name: t(`found.${found}`), lots })),
  };
}
