import Button from '@mui/material/Button';
import { ballsToMake } from '@calm/domain';
import type {
  Forecast,
  ForecastAnswer,
  House,
  Product,
  ProductCount,
  Service,
} from '@calm/contract';
import { runsOutAt } from '@calm/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { EditOnly } from '../../../parts/fields/editing';
import { formatOdds } from '../../../parts/format/odds';
import { useFormats } from '../../../parts/format/useFormats';
import { WhyThis } from '../../../parts/messages/WhyThis';
import styles from './Demand.module.css';
import { ReadyCurve } from './ReadyCurve';
import { formatForecastErrorMessage } from '../forecastErrorMessage';
import { ServiceLevelDialog } from '../services/ServiceLevelDialog';
import { useCount } from './useCount';

/** What is between a first and a last decile. */
const FROM_TO = 0.8;

/** What stands behind one number of the week: what is expected, why, and what more or fewer would mean. */
export function CountFacts({
  house,
  service,
  product,
  count,
  forecast,
  answer,
}: {
  readonly house: House;
  readonly service: Service;
  readonly product: Product;
  readonly count: ProductCount;
  readonly forecast: Forecast;
  readonly answer: ForecastAnswer;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const state = useCount(service, product, count);
  const series = answer.series.find(
    (each) => each.service === service.name && each.productId === product.id,
  );
  const usage = answer.usage.find(
    (each) => each.service === service.name && each.productId === product.id,
  );
  const [isWeighing, setWeighing] = useState(false);
  const busyOutMin = usage ? runsOutAt(usage.curve, state.shown, forecast.p90) : null;
  const round = (balls: number) => f.count(Math.round(balls));
  return (
    <>
      <h2>
        {product.name}, {service.name} {f.date(service.date)}
      </h2>
      <p>
        {t('demand.facts.expected', {
          mean: round(forecast.mean),
          odds: formatOdds(t, FROM_TO),
          from: round(forecast.p10),
          to: round(forecast.p90),
        })}
      </p>
      <p className={styles['choices']}>
        {forecast.ready !== state.shown && (
          <EditOnly>
            <Button variant="outlined" size="small" onClick={() => state.save(forecast.ready)}>
              {t('demand.facts.have', {
                ready: f.count(forecast.ready),
                enough: f.percent(forecast.enoughPercent, 0),
              })}
            </Button>
          </EditOnly>
        )}
        {count.origin === 'chosen' && (
          <EditOnly>
            <Button variant="outlined" size="small" onClick={state.backToUsual}>
              {t('demand.facts.usual', { count: f.count(count.usual) })}
            </Button>
          </EditOnly>
        )}
      </p>
      <ReadyCurve
        key={`${forecast.date}${forecast.patternId}${forecast.productId}`}
        forecast={forecast}
        enoughPercent={forecast.enoughPercent}
        balls={state.shown}
        onChoose={state.save}
      />
      <p className="small">
        {busyOutMin === null
          ? t('demand.facts.busyLasts')
          : t('demand.facts.busyOut', {
              time: f.time(Date.parse(service.startsAt) + busyOutMin * 60_000),
            })}
      </p>
      {count.carried && (
        <p>
          {t('demand.facts.carried', {
            lots: f.list(
              count.carried.map((lot) =>
                t('demand.facts.carriedLot', { count: lot.count, code: lot.lotCode }),
              ),
            ),
            rest: f.count(ballsToMake(count)),
          })}
        </p>
      )}
      <p>
        <EditOnly>
          <button
            type="button"
            className={styles['link']}
            aria-haspopup="dialog"
            onClick={() => setWeighing(true)}
          >
            {t('demand.serviceLevel.open', { enough: f.percent(answer.enoughPercent, 0) })}
          </button>
        </EditOnly>
      </p>
      {isWeighing && <ServiceLevelDialog house={house} onClose={() => setWeighing(false)} />}
      <WhyThis about={t('demand.facts.about')}>
        {forecast.parts.map((part) => (
          <p key={part.kind}>
            {t(`demand.part.${part.kind}`, {
              ...part,
              balls: 'balls' in part ? round(part.balls) : '',
              factor: 'factor' in part ? f.percent(100 * part.factor, 0) : '',
              weekday: f.weekday(Date.parse(service.startsAt)),
            })}
          </p>
        ))}
        <p>{series && formatForecastErrorMessage(t, f, series.kind, series.error, series.naive)}</p>
        <p>{t('demand.facts.source')}</p>
      </WhyThis>
    </>
  );
}
