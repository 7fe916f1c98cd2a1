import { check, scaleSchema } from '@calm/contract/schemas';
import { scaleLot } from '@calm/core';
import type { Answer } from './answer';
import { formatReasonMessage } from './words';

/** `calm scale`: ball counts to weighed loads. */
export function scaleCommand(input: unknown): Answer {
  const checked = check(scaleSchema, input);
  if (!checked.ok) return { kind: 'bad-input', problems: checked.errors };
  const lot = scaleLot(checked.value);
  if (!lot.ok)
    return { kind: 'cannot', why: lot.reasons.map(formatReasonMessage), reasons: lot.reasons };
  return { kind: 'done', document: lot.value };
}
