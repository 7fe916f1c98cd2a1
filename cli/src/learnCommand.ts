import { learnDocument } from '@calm/domain';
import { check, learnSchema } from '@calm/contract/schemas';
import type { Answer } from './answer';
import { formatProblemMessage } from './words';

/** `calm learn`: what a house's lots say of its own numbers, and which of them may be moved. */
export function learnCommand(input: unknown): Answer {
  const checked = check(learnSchema, input);
  if (!checked.ok) return { kind: 'bad-input', problems: checked.errors };
  const learned = learnDocument(checked.value);
  if (learned.ok) return { kind: 'done', document: learned.value };
  const stagesOf = (lot: string) =>
    checked.value.lots.find(({ id }) => id === lot)?.dough.stages ?? [];
  const why = learned.reasons.flatMap(({ id, problems }) =>
    problems.map((problem) => `${id}: ${formatProblemMessage(problem, stagesOf(id))}`),
  );
  return { kind: 'cannot', why, reasons: learned.reasons };
}
