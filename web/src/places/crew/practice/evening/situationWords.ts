import type { Situation } from '@calm/contract';
import type { TFunction } from 'i18next';

/** What an evening is called: by the house, or in the words that ship with the application. */
export const situationTitle = (t: TFunction, { name, title }: Situation): string =>
  title ?? t(`practice.situation.${name}.title`);

/** What is known of an evening as it begins. */
export const situationAbout = (t: TFunction, { name, title }: Situation): string =>
  title === undefined ? t(`practice.situation.${name}.about`) : t('practice.situation.own');
