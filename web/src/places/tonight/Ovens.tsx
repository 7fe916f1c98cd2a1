import type { Service } from '@calm/contract';
import { ovenLoad } from '@calm/domain';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../parts/format/useFormats';
import { useForecastQuery } from '../../state/api/api';
import type { Board } from '../../state/board/useBoard';
import { useCursor } from '../../state/time/useCursor';

/** When the ovens are to be lit, and when the busiest hour wants more than they bake. */
export function Ovens({
  board,
  service,
  without,
}: {
  readonly board: Board;
  readonly service: Service;
  /** One that does not heat; the others are told of either way. */
  readonly without?: string;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { atMs } = useCursor();
  const ovens = (board.book.house.settings.ovens ?? []).filter(({ name }) => name !== without);
  const { data } = useForecastQuery({ house: board.house, from: service.date, days: 1 });
  if (ovens.length === 0) return null;
  const [doorsMs, closeMs] = [Date.parse(service.startsAt), Date.parse(service.endsAt)];
  const wanted = service.counts.map(({ productId, count }) => {
    const isThis = (each: { readonly productId: string }) => each.productId === productId;
    const usage = data?.usage.find((each) => isThis(each) && each.service === service.name);
    const forecast = data?.forecasts.find(
      (each) => isThis(each) && each.patternId === service.patternId,
    );
    return { balls: forecast?.mean ?? count, curve: usage?.curve ?? [] };
  });
  const { lightings, ballsPerHour, busiest } = ovenLoad(ovens, { doorsMs, closeMs }, wanted);
  return (
    <>
      {atMs < doorsMs && (
        <p className="quiet small">
          {t('tonight.ovens.light', {
            ovens: f.list(lightings.map(({ name, atMs: at }) => `${name} ${f.time(at)}`)),
          })}
        </p>
      )}
      {without !== undefined && busiest && busiest.balls <= ballsPerHour && (
        <p>
          {t('missing.manage', {
            from: f.time(busiest.fromMs),
            balls: f.count(Math.round(busiest.balls)),
          })}
        </p>
      )}
      {busiest && busiest.balls > ballsPerHour && atMs < closeMs && (
        <p role="note">
          {t('tonight.ovens.tooMuch', {
            most: f.count(ballsPerHour),
            from: f.time(busiest.fromMs),
            balls: f.count(Math.round(busiest.balls)),
          })}
        </p>
      )}
    </>
  );
}
