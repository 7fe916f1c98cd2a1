import { problemKind } from '@calm/contract';
import type { TFunction } from 'i18next';
import { problemOf } from './problemOf';

/**
 * Why a request failed, in the language of the page: what the server writes in its own words is for programs.
 *
 * @param unreached what to say when the server was not reached at all
 */
export function problemWords(
  t: TFunction,
  error: unknown,
  unreached = t('errors.notSaved'),
): string {
  const problem = problemOf(error);
  if (!problem) return unreached;
  const said = t(`problems.${problemKind(problem)}`);
  const [first] = problem.errors ?? [];
  return first ? t(`inputs.${first.code.replaceAll('.', '-')}`, { defaultValue: said }) : said;
}
