import { adviseDocument } from '@calm/domain';
import type { AdvisedDocument } from '@calm/contract';
import { adviseSchema, check } from '@calm/contract/schemas';
import type { Answer } from './answer';
import { formatAdviceMessage, formatProblemMessage } from './words';

/** `calm advise`: what can be done with dough that waits, and what comes of each. */
export function adviseCommand(input: unknown): Answer {
  const checked = check(adviseSchema, input);
  if (!checked.ok) return { kind: 'bad-input', problems: checked.errors };
  const told = adviseDocument(checked.value);
  if (!told.ok) {
    const { stages } = checked.value;
    const why = told.reasons.map((reason) => formatProblemMessage(reason, stages));
    return { kind: 'cannot', why, reasons: told.reasons };
  }
  const document: AdvisedDocument = {
    choices: told.value.choices.map(({ why, ...choice }) => ({
      ...choice,
      why: formatAdviceMessage(why),
    })),
    ...(told.value.constants && { constants: told.value.constants }),
  };
  return { kind: 'done', document };
}
