import { simulateDocument } from '@calm/domain';
import { check, simulateSchema } from '@calm/contract/schemas';
import type { Answer } from './answer';
import { formatAlternativeMessage, formatNeverReadyMessage, formatProblemMessage } from './words';

/** `calm simulate`: a dough and its way to temperatures, rise, maturity, states and its window. */
export function simulateCommand(input: unknown): Answer {
  const checked = check(simulateSchema, input);
  if (!checked.ok) return { kind: 'bad-input', problems: checked.errors };
  const { stages } = checked.value;
  const way = simulateDocument(checked.value);
  if (!way.ok) {
    const why = way.reasons.map((reason) => formatProblemMessage(reason, stages));
    return { kind: 'cannot', why, reasons: way.reasons };
  }
  const { never, remedies = [] } = way.value;
  if (!never) return { kind: 'done', document: way.value };
  const said = remedies.map((remedy) => ({
    ...remedy,
    say: formatAlternativeMessage(remedy, stages),
  }));
  return {
    kind: 'done',
    document: { ...way.value, why: formatNeverReadyMessage(never), remedies: said },
  };
}
