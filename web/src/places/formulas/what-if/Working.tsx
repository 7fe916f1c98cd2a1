import {
  FERMENT,
  freshEquivalentPercent,
  ripeningRate,
  saltFactor,
  temperatureResponse,
  USUAL_SPREAD,
} from '@calm/core';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { WhyThis } from '../../../parts/messages/WhyThis';
import type { Way } from '../../../workers/engine/engineAnswers';
import type { PlannedDough, WhatIf } from './whatIf';

/** The working behind the picture: laws, inputs, source. */
export function Working({
  dough,
  whatIf,
  way,
}: {
  readonly dough: PlannedDough;
  readonly whatIf: WhatIf;
  readonly way: Way;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { formula } = dough.record;
  const { bowl, target, mostMaturityH } = way;
  const fresh = freshEquivalentPercent(bowl.formula.yeast);
  const starts = bowl.headstarts ?? [];
  return (
    <WhyThis about={t('formulas.whatIf.windowAbout')}>
      <p>
        {t('formulas.whatIf.why.gas', {
          perGram: FERMENT.gasAt25.value,
          gram: 1,
          yeast: f.percent(fresh, 2),
          salt: f.percent(formula.saltPercent),
          brake: f.percent(saltFactor(formula.saltPercent, formula.waterPercent) * 100, 0),
        })}
      </p>
      {starts.map((start) => (
        <p key={start.flourShare}>
          {t('formulas.whatIf.why.ahead', {
            share: f.percent(start.flourShare * 100, 0),
            yeast: f.percent((start.yeastGPerKg * start.flourShare) / 10, 2),
            ripe: f.hours(start.maturityH * start.flourShare),
          })}
        </p>
      ))}
      {dough.way.stages.map(({ rest }, i) => {
        const stage = whatIf.stages[i];
        const end = way.stages[i];
        if (!stage || !end) return null;
        return (
          <p key={String(i)}>
            {t('formulas.whatIf.why.stage', {
              where: t(`rest.${rest.key}`),
              air: f.temperature(stage.airTempC),
              gas: f.percent(temperatureResponse(stage.airTempC) * 100, 0),
              ripe: f.percent(ripeningRate(stage.airTempC) * 100, 0),
              core: f.temperature(end.coreTempC),
              rise: f.times(end.volume),
              maturity: f.hours(end.maturityH),
            })}
          </p>
        );
      })}
      <p>
        {t('formulas.whatIf.why.ready', {
          from: f.times(target.riseMin, 1),
          to: f.times(target.riseMax, 1),
          peak: f.times(target.risePeak),
          most: f.hours(mostMaturityH),
          strength: f.count(whatIf.strengthW),
          open: f.temperature(target.openTempC, 0),
        })}
      </p>
      <p>
        {t('formulas.whatIf.why.spread', {
          activityPercent: USUAL_SPREAD.yeastActivity * 100,
          dosePercent: USUAL_SPREAD.dose * 100,
          placeC: USUAL_SPREAD.placeC,
        })}
      </p>
      <p className="quiet">
        {t('formulas.whatIf.why.source', { activationKJ: FERMENT.ripeningEnergy.value })}
      </p>
    </WhyThis>
  );
}
