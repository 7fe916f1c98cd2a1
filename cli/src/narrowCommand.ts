import { narrowDocument } from '@calm/domain';
import type { NarrowedDocument } from '@calm/contract';
import { check, narrowSchema } from '@calm/contract/schemas';
import type { Answer } from './answer';
import { formatNarrowedMessages, formatProblemMessage } from './words';

/** `calm narrow`: when a lot opens well, before and after what was seen of it. */
export function narrowCommand(input: unknown): Answer {
  const checked = check(narrowSchema, input);
  if (!checked.ok) return { kind: 'bad-input', problems: checked.errors };
  const narrowed = narrowDocument(checked.value);
  if (!narrowed.ok) {
    const { stages } = checked.value.dough;
    const why = narrowed.reasons.map((reason) => formatProblemMessage(reason, stages));
    return { kind: 'cannot', why, reasons: narrowed.reasons };
  }
  const { before, after } = narrowed.value;
  const document: NarrowedDocument = {
    windowBefore: before,
    windowAfter: after,
    because: formatNarrowedMessages(narrowed.value),
  };
  return { kind: 'done', document };
}
