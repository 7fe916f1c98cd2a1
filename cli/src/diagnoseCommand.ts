import { diagnoseDocument } from '@calm/domain';
import type { DiagnosedDocument } from '@calm/contract';
import { check, diagnoseSchema } from '@calm/contract/schemas';
import type { Answer } from './answer';
import {
  formatEvidenceMessage,
  formatProblemMessage,
  formatSettleMessage,
  formatSignMessage,
  formatTryMessage,
} from './words';

/** `calm diagnose`: what may have been behind a fault, by what was written down. */
export function diagnoseCommand(input: unknown): Answer {
  const checked = check(diagnoseSchema, input);
  if (!checked.ok) return { kind: 'bad-input', problems: checked.errors };
  const told = diagnoseDocument(checked.value);
  if (!told.ok) {
    const stages = checked.value.lot?.dough.stages ?? [];
    const why = told.reasons.map((reason) => formatProblemMessage(reason, stages));
    return { kind: 'cannot', why, reasons: told.reasons };
  }
  const { causes, isTold, missing } = told.value;
  const document: DiagnosedDocument = {
    causes: causes.map(({ cause, odds, settleBy, ...evidence }) => ({
      cause,
      odds,
      for: evidence.for.map(formatEvidenceMessage),
      against: evidence.against.map(formatEvidenceMessage),
      settleBy: formatSettleMessage(settleBy),
      tryFirst: formatTryMessage(cause),
    })),
    isTold,
    missing: missing.map(formatSignMessage),
  };
  return { kind: 'done', document };
}
