import type { House } from '@calm/contract';
import { writeCsv } from '@calm/domain/files';
import { readBook } from '../../store/house/houses';
import type { Scope } from '../../database/scope';
import { forecastBasis, toldOf } from './forecast';

/**
 * The house's history as a table, with what was forecast on each Monday of the last weeks: everything
 * that is needed to calculate after how far off forecasts were.
 */
export async function salesCsv(scope: Scope, house: House, now: Date): Promise<string> {
  const {
    calendar: { patterns },
    sales,
    series,
  } = await forecastBasis(scope, house, now);
  const { products } = await readBook(scope, house);
  const saleAt = new Map(
    sales.map((sale) => [`${sale.date} ${sale.productId} ${sale.patternId}`, sale]),
  );
  const rows = series.flatMap(({ service, productId, days, forecast }) => {
    const told = new Map(toldOf(forecast).map((each) => [each.date, each]));
    const product = products.find(({ id }) => id === productId)?.name ?? productId;
    const ofService = patterns.filter(({ name }) => name === service);
    return days.map((day) => {
      const sale = ofService
        .map(({ id }) => saleAt.get(`${day.date} ${productId} ${id}`))
        .find((each) => each !== undefined);
      return {
        date: day.date,
        service,
        product,
        sold: sale?.sold ?? day.sold,
        booked: (sale?.sold ?? day.sold) - day.sold,
        left: sale?.leftBalls ?? '',
        'sold out': sale?.soldOutMin == null ? '' : clockOf(sale.soldOutMin),
        event: day.event ?? '',
        forecast: told.get(day.date)?.expected.toFixed(6) ?? '',
      };
    });
  });
  rows.sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0));
  return writeCsv(rows);
}

/** `21:30`; past midnight goes on counting: `25:10`. */
const clockOf = (minute: number) =>
  `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
