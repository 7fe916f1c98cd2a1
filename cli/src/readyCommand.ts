import {
  ballsToHave,
  DAY_MS,
  enoughShare,
  expectAt,
  forecastSeries,
  goneBy,
  type SoldDay,
} from '@calm/core';
import type { ReadyAnswerDocument } from '@calm/contract';
import { check, readySchema } from '@calm/contract/schemas';
import type { Answer } from './answer';

/** `calm ready`: how many balls the next such service expects, and how many to have ready. */
export function readyCommand(input: unknown): Answer {
  const checked = check(readySchema, input);
  if (!checked.ok) return { kind: 'bad-input', problems: checked.errors };
  const { sales, usage, openMin, cover, costs } = checked.value;
  const sum = usage.reduce((total, share) => total + share, 0);
  const curve = sum > 0 ? usage.map((share) => share / sum) : usage.map(() => 1 / usage.length);
  const days = [...sales]
    .sort((a, b) => (a.date < b.date ? -1 : 1))
    .map(({ date, sold, soldOutMin }): SoldDay => {
      if (soldOutMin === null) return { date, sold };
      return { date, sold, isSoldOut: true, goneShare: goneBy(curve, soldOutMin - openMin) };
    });
  const share = cover ?? (costs ? enoughShare(costs) : 0.5);
  const last = days.at(-1)?.date ?? '1970-01-01';
  const next = new Date(Date.parse(`${last}T00:00:00Z`) + 7 * DAY_MS).toISOString().slice(0, 10);
  const usual = days.reduce((total, { sold }) => total + sold, 0) / Math.max(1, days.length);
  const { mean, spread } = expectAt(forecastSeries(days), next, usual);
  const document: ReadyAnswerDocument = {
    expected: mean,
    sd: Math.sqrt(mean + (spread.cv * mean) ** 2),
    ready: ballsToHave(mean, spread, share),
  };
  return { kind: 'done', document };
}
