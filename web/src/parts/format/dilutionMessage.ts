import type { Dilution } from '@calm/core';
import type { Formats } from '@calm/domain';
import type { TFunction } from 'i18next';

/** How yeast that the scale cannot show is weighed: stirred into water, and so much of that into each load. */
export const formatDilutionMessage = (t: TFunction, f: Formats, dilution: Dilution): string =>
  t('mix.weigh.dilution', {
    yeast: f.grams(dilution.yeastG, 1),
    water: f.grams(dilution.waterG),
    portion: f.grams(dilution.portionG),
    off: f.grams(dilution.waterInPortionG),
  });
