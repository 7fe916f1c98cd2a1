import type { Forecast, Service } from '@calm/contract';
import { forecastAt } from '@calm/domain';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNotices } from '../../../parts/messages/Notices';
import { problemWords } from '../../../parts/messages/problemWords';
import { useChangeCountsMutation } from '../demandApi';

/** Takes over what the forecasts say, for every count that nobody has chosen; with one way back. */
export function useTakeForecasts(house: string) {
  const { t } = useTranslation();
  const { changed, said, failed } = useNotices();
  const [change] = useChangeCountsMutation();
  const [isTaking, setTaking] = useState(false);

  const takeAll = async (
    services: readonly Service[],
    forecasts: readonly Forecast[],
    nowMs: number,
  ) => {
    const wanted = services
      .filter(({ endsAt }) => Date.parse(endsAt) > nowMs)
      .flatMap((service) =>
        service.counts.flatMap(({ productId, origin, count, version }) => {
          const forecast = forecastAt(forecasts, service, productId);
          const { date, patternId } = service;
          const isOpen = origin === 'usual' && forecast && forecast.ready !== count;
          return isOpen ? [{ date, patternId, productId, version, count: forecast.ready }] : [];
        }),
      );
    if (wanted.length === 0) return said(t('demand.nothingToTake'));
    setTaking(true);
    try {
      const saved = await change({ house, counts: wanted }).unwrap();
      const back = wanted.map((each, i) => ({
        ...each,
        count: null,
        version: saved[i]?.version ?? 0,
      }));
      changed(t('demand.taken', { count: wanted.length }), () =>
        change({ house, counts: back }).unwrap(),
      );
    } catch (error) {
      failed(problemWords(t, error));
    } finally {
      setTaking(false);
    }
  };
  return { takeAll, isTaking };
}
