import type { Method } from '@calm/contract';
import type { TFunction } from 'i18next';

/** The plainest way to mix, for a formula that nobody has given a method yet. */
export function plainMethod(t: TFunction): Method {
  const step = (key: 'weigh' | 'mix' | 'work') => ({
    key,
    title: t(`formulas.new.steps.${key}`),
    detail: t(`formulas.new.steps.${key}How`),
  });
  return {
    name: t('formulas.new.method'),
    why: t('formulas.new.methodWhy'),
    steps: [
      { ...step('weigh'), caution: 'flour-dust' },
      { ...step('mix'), minutes: 4, speed: 'slow', caution: 'mixer' },
      { ...step('work'), minutes: 6, speed: 'fast' },
    ],
  };
}
