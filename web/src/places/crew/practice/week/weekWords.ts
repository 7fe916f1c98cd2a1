import type { PracticeWeek } from '@calm/contract';
import type { TFunction } from 'i18next';

/** What a week is called: by the house, or in the words that ship with the application. */
export const weekTitle = (t: TFunction, { name, title }: PracticeWeek): string =>
  title ?? t(`practice.week.${name}.title`);

/** What is known of a week as it begins. */
export const weekAbout = (t: TFunction, { name, title }: PracticeWeek): string =>
  title === undefined ? t(`practice.week.${name}.about`) : t('practice.week.own');
