import { doseDocument } from '@calm/domain';
import { check, doseSchema } from '@calm/contract/schemas';
import type { Answer } from './answer';
import { formatAlternativeMessage, formatProblemMessage } from './words';

/** `calm dose`: the yeast that puts the peak where it is wanted, or what would work instead. */
export function doseCommand(input: unknown): Answer {
  const checked = check(doseSchema, input);
  if (!checked.ok) return { kind: 'bad-input', problems: checked.errors };
  const { stages } = checked.value;
  const dose = doseDocument(checked.value);
  if (dose.ok) return { kind: 'done', document: dose.value };
  const [refusal] = dose.reasons;
  const { reasons, alternatives } = refusal ?? { reasons: [], alternatives: [] };
  return {
    kind: 'cannot',
    why: reasons.map((reason) => formatProblemMessage(reason, stages)),
    reasons,
    alternatives: alternatives.map((change) => ({
      ...change,
      say: formatAlternativeMessage(change, stages),
    })),
  };
}
