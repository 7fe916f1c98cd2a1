import { equivalentDocument } from '@calm/domain';
import { check, equivalentSchema } from '@calm/contract/schemas';
import type { Answer } from './answer';
import { formatProblemMessage } from './words';

/** `calm equivalent`: minutes at other temperatures that come to the same rise. */
export function equivalentCommand(input: unknown): Answer {
  const checked = check(equivalentSchema, input);
  if (!checked.ok) return { kind: 'bad-input', problems: checked.errors };
  const { stages, stage } = checked.value;
  if (stage >= stages.length) {
    const message = `There is no stage ${stage}: they go from 0 to ${stages.length - 1}.`;
    return { kind: 'bad-input', problems: [{ path: 'stage', code: 'stage.none', message }] };
  }
  const told = equivalentDocument(checked.value);
  if (told.ok) return { kind: 'done', document: told.value };
  const reasons = told.reasons.flatMap((reason) =>
    reason.kind === 'no-such-stage' ? [] : [reason],
  );
  const why = reasons.map((reason) => formatProblemMessage(reason, stages));
  return { kind: 'cannot', why, reasons };
}
