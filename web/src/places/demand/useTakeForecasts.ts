import type { Forecast, Service } from '@calm/contract';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNotices } from '../../parts/Notices';
import { problemOf } from '../../state/api';
import { useChangeCountMutation } from './demandApi';

/** Takes over what the forecasts say, for every count that nobody has chosen; with one way back. */
export function useTakeForecasts(house: string) {
  const { t } = useTranslation();
  const { changed, said, failed } = useNotices();
  const [change] = useChangeCountMutation();
  const [isTaking, setTaking] = useState(false);

  const takeAll = async (
    services: readonly Service[],
    forecasts: readonly Forecast[],
    nowMs: number,
  ) => {
    const wanted = services
      .filter(({ endsAt }) => Date.parse(endsAt) > nowMs)
      .flatMap(({ date, patternId, counts }) =>
        counts.flatMap(({ productId, origin, count, version }) => {
          const forecast = forecasts.find(
            (each) =>
              each.date === date && each.patternId === patternId && each.productId === productId,
          );
          const isOpen = origin === 'usual' && forecast && forecast.ready !== count;
          return isOpen ? [{ date, patternId, productId, version, ready: forecast.ready }] : [];
        }),
      );
    if (wanted.length === 0) return said(t('demand.nothingToTake'));
    setTaking(true);
    const taken: { key: Parameters<typeof change>[0]; version: number }[] = [];
    try {
      for (const { ready, version, ...where } of wanted) {
        const key = { house, ...where, change: { count: ready, version } };
        const saved = await change(key).unwrap();
        taken.push({ key, version: saved.version });
      }
    } catch (error) {
      failed(problemOf(error)?.detail ?? t('errors.notSaved'));
    }
    setTaking(false);
    if (taken.length === 0) return;
    changed(t('demand.taken', { count: taken.length }), () =>
      Promise.all(
        taken.map(({ key, version }) =>
          change({ ...key, change: { count: null, version } }).unwrap(),
        ),
      ),
    );
  };
  return { takeAll, isTaking };
}
