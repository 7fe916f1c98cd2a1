import type { Product, Service } from '@calm/contract';
import { usageCurve } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { useForecastQuery } from '../../../state/api/api';
import { soldOutMs } from './guestWays';

/** When a product is gone with so many guests more, if nothing is done. */
export function SoldOut({
  house,
  product,
  service,
  more,
}: {
  readonly house: string;
  readonly product: Product;
  readonly service: Service;
  readonly more: number;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { data } = useForecastQuery({ house, from: service.date, days: 1 });
  const lengthMin = (Date.parse(service.endsAt) - Date.parse(service.startsAt)) / 60_000;
  const curve =
    data?.usage.find((each) => each.service === service.name && each.productId === product.id)
      ?.curve ?? usageCurve([], lengthMin);
  const count = service.counts.find(({ productId }) => productId === product.id)?.count ?? 0;
  const atMs = soldOutMs(curve, service, count, more);
  if (atMs === null) return null;
  return <li>{t('guests.soldOut', { product: product.name, at: f.moment(atMs) })}</li>;
}
