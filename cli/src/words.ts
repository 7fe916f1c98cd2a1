import words from '@calm/domain/words/en/engine.json' with { type: 'json' };
import { stateOf } from '@calm/domain';
import type { DoughProblem } from '@calm/contract';
import type {
  AdviceReason,
  DoseAlternative,
  DoseLimit,
  DoughStage,
  FaultCause,
  NarrowedLot,
  NeverReady,
  NoSplit,
  Remedy,
  ScaleReason,
  SettleBy,
  SignEvidence,
  SignName,
  WaterWarning,
} from '@calm/core';
import { makeCatalogue } from './catalogue';

const catalogue = await makeCatalogue(words);

/** A reason as a sentence that says what is wrong and what would work. */
export function formatReasonMessage(reason: ScaleReason): string {
  const fits = 'nearest' in reason ? formatFitsMessage(reason) : '';
  return catalogue.t(`reasons.${reason.kind}`, { ...reason, fits });
}

/** A warning as a sentence. */
export function formatWarningMessage(warning: WaterWarning): string {
  return catalogue.t(`warnings.${warning.kind}`, { ...warning });
}

function formatFitsMessage({ nearest }: NoSplit): string {
  return nearest
    .map(({ loads, loadG }) => catalogue.t('reasons.fit', { loads, loadKg: loadG / 1000 }))
    .join(' / ');
}

/** Why something is worth doing with dough that waits. */
export const formatAdviceMessage = (why: AdviceReason): string => catalogue.t(`advice.${why}`);

/** What is wrong with a dough or its way, or why it cannot be dosed so. */
export function formatProblemMessage(
  problem: DoughProblem | DoseLimit,
  stages: readonly DoughStage[],
): string {
  if (problem.kind === 'takes-too-much') return formatReasonMessage(problem);
  const key = `limits.${problem.kind}`;
  const where = 'stage' in problem ? formatStageMessage(problem.stage, stages) : '';
  return catalogue.t([key, `faults.${problem.kind}`], { ...problem, where });
}

/** Why a dough is never ready. */
export const formatNeverReadyMessage = (why: NeverReady): string => catalogue.t(`never.${why}`);

/** What would work instead. */
export function formatAlternativeMessage(
  change: DoseAlternative | Remedy,
  stages: readonly DoughStage[],
): string {
  if (change.kind === 'together') {
    return change.changes.map((one) => formatAlternativeMessage(one, stages)).join(' ');
  }
  const where = 'stage' in change ? formatStageMessage(change.stage, stages) : '';
  return catalogue.t(`alternatives.${change.kind}`, { ...change, where });
}

/** `ball stage 2`: counted as in the document, from 1. */
function formatStageMessage(index: number, stages: readonly DoughStage[]): string {
  return catalogue.t(`stages.${stages[index]?.kind ?? 'ball'}`, { number: index + 1 });
}

/** What narrowed a lot's window, and what of it was not believed; nothing where nothing was seen. */
export function formatNarrowedMessages({
  counted,
  yeastFactor,
  placeC,
  doubted,
}: NarrowedLot): string[] {
  if (counted === 0 && doubted.length === 0) return [catalogue.t('narrow.nothing')];
  const yeast = Math.round(100 * (yeastFactor - 1));
  const stronger = yeast > 0 ? 'stronger' : 'weaker';
  const warmer = placeC > 0 ? 'warmer' : 'colder';
  return [
    ...(counted > 0 ? [catalogue.t('narrow.counted', { count: counted })] : []),
    ...(yeast === 0 ? [] : [catalogue.t(`narrow.${stronger}`, { percent: Math.abs(yeast) })]),
    ...(Math.abs(placeC) < 0.1 ? [] : [catalogue.t(`narrow.${warmer}`, { by: Math.abs(placeC) })]),
    ...[...new Set(doubted)].map((doubt) => catalogue.t(`narrow.doubted.${doubt}`)),
  ];
}

/** What a sign is of. */
export const formatSignMessage = (sign: SignName): string => catalogue.t(`diagnose.sign.${sign}`);

/** What a sign says, in a sentence. */
export const formatEvidenceMessage = (evidence: SignEvidence): string =>
  catalogue.t('diagnose.says', {
    sign: formatSignMessage(evidence.sign),
    state: catalogue.t(`diagnose.state.${stateOf(evidence)}`),
  });

/** What settles whether it was a cause. */
export const formatSettleMessage = (by: SettleBy): string => catalogue.t(`diagnose.settle.${by}`);

/** The smallest change to try first. */
export const formatTryMessage = (cause: FaultCause): string =>
  catalogue.t(`diagnose.tryFirst.${cause}`);
