import type { AdvisedChoice } from '@calm/contract';
import type { TFunction } from 'i18next';

/** What is done, in a few words. */
export const actionWords = (t: TFunction, choice: Pick<AdvisedChoice, 'do' | 'where'>): string =>
  choice.where === null
    ? t(`whatNow.do.${choice.do}`)
    : t('whatNow.doIn', { what: t(`whatNow.do.${choice.do}`), place: choice.where });
