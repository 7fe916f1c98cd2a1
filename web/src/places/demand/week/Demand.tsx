import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { EditingBy } from '../../../state/live/EditingBy';
import { EditOnly } from '../../../parts/fields/editing';
import { Link, useSearchParams } from 'react-router';
import { Failed } from '../../../parts/messages/Failed';
import { useFormats } from '../../../parts/format/useFormats';
import { Page } from '../../../parts/layout/Page';
import { Waiting } from '../../../parts/messages/Waiting';
import { WaitingPage } from '../../../parts/layout/WaitingPage';
import { addDays, dateAt } from '../../../state/time/localDate';
import { useBoard, useHouse } from '../../../state/board/useBoard';
import { useForecastQuery, useBookQuery } from '../../../state/api/api';
import { useCursor } from '../../../state/time/useCursor';
import { CountFacts } from './CountFacts';
import styles from './Demand.module.css';
import { useCalendarQuery, useSalesQuery } from '../demandApi';
import { DemandNav } from '../DemandNav';
import { formatForecastErrorMessage } from '../forecastErrorMessage';
import { OrderDialog } from './OrderDialog';
import { SoldFacts } from './SoldFacts';
import {
  boardAround,
  DAYS,
  startOf,
  intervalOf,
  STRETCHES,
  dateRangeText,
  type DateRange,
} from '../dateRange';
import { useTakeForecasts } from './useTakeForecasts';
import { WeekGrid, type Picked } from './WeekGrid';

/** How many balls, of which, for which service. */
export function Demand() {
  const { t } = useTranslation();
  const f = useFormats();
  const house = useHouse();
  const { atMs, nowMs } = useCursor();
  const book = useBookQuery(house).data;
  const [params, setParams] = useSearchParams();
  const [picked, setPicked] = useState<Picked | null>(null);
  const [isOrdering, setOrdering] = useState(false);
  const dateRange = intervalOf(params.get('days'));
  const today = dateAt(atMs, book?.house.timeZone ?? 'UTC');
  const from = startOf(dateRange, today);
  const days = DAYS[dateRange];
  const { board, error, retry } = useBoard(boardAround(dateRange, from));
  const { data: answer } = useForecastQuery({ house, from, days }, { skip: !book });
  const { data: sales = [] } = useSalesQuery({ house, from, days }, { skip: !book });
  const { data: calendar } = useCalendarQuery(house);
  const take = useTakeForecasts(house);
  if (error) return <Failed error={error} onRetry={retry} />;
  if (!board) return <WaitingPage />;

  const dates = Array.from({ length: days }, (_, i) => addDays(from, i));
  const services = board.services.filter(({ date }) => dates.includes(date));
  const service = services.find(
    (each) => each.date === picked?.date && each.patternId === picked.patternId,
  );
  const product = board.book.products.find(({ id }) => id === picked?.productId);
  const count = service?.counts.find(({ productId }) => productId === picked?.productId);
  const isPicked = (each: Picked) =>
    each.date === picked?.date &&
    each.patternId === picked.patternId &&
    each.productId === picked.productId;
  const forecast = answer?.forecasts.find(isPicked);
  const isOver = service !== undefined && Date.parse(service.endsAt) <= nowMs;
  return (
    <Page
      title={t('demand.title')}
      lead={
        answer
          ? formatForecastErrorMessage(t, f, 'smoothed', answer.error, answer.naive)
          : t('demand.lead')
      }
      aside={
        <DateRanges
          dateRange={dateRange}
          onChange={(to) => {
            params.set('days', dateRangeText(to));
            setParams(params, { replace: true });
          }}
        />
      }
    >
      <DemandNav />
      <div className={styles['page']}>
        {board.isCurrent ? (
          <WeekGrid
            board={board}
            dates={dates}
            answer={answer}
            sales={sales}
            calendar={calendar}
            nowMs={nowMs}
            today={today}
            onPick={setPicked}
          />
        ) : (
          <Waiting />
        )}
        <aside className={styles['facts']} aria-label={t('demand.facts.title')}>
          {service && product && count && isOver ? (
            <EditingBy permission="sell">
              <SoldFacts
                {...{ service, product, count }}
                sale={sales.find(isPicked)}
                lot={board.lots.find(
                  (lot) =>
                    lot.lot !== null &&
                    lot.date === service.date &&
                    lot.items.some(({ productId }) => productId === product.id),
                )}
              />
            </EditingBy>
          ) : service && product && count && forecast && answer ? (
            <CountFacts
              {...{ service, product, count, forecast, answer }}
              house={board.book.house}
            />
          ) : (
            <p className="quiet">{t('demand.facts.none')}</p>
          )}
          <div className={styles['choices']}>
            {answer && dateRange !== 'last-days' && (
              <EditOnly>
                <Button
                  variant="outlined"
                  disabled={take.isTaking}
                  onClick={() => void take.takeAll(services, answer.forecasts, atMs)}
                >
                  {t('demand.take')}
                </Button>
              </EditOnly>
            )}
            {dateRange !== 'last-days' && (
              <EditOnly>
                <Button variant="outlined" aria-haspopup="dialog" onClick={() => setOrdering(true)}>
                  {t('demand.order.add')}
                </Button>
              </EditOnly>
            )}
            <Button
              component={Link}
              variant="outlined"
              to={`/${house}/demand/shopping?days=${dateRangeText(dateRange)}`}
              disabled={dateRange === 'last-days'}
            >
              {t('demand.shopping.open')}
            </Button>
          </div>
        </aside>
      </div>
      {isOrdering && (
        <OrderDialog
          date={dates.find((date) => date > today) ?? today}
          kept={null}
          products={board.book.products}
          onClose={() => setOrdering(false)}
        />
      )}
    </Page>
  );
}

function DateRanges({
  dateRange,
  onChange,
}: {
  readonly dateRange: DateRange;
  readonly onChange: (to: DateRange) => void;
}) {
  const { t } = useTranslation();
  return (
    <ToggleButtonGroup
      exclusive
      value={dateRange}
      aria-label={t('demand.stretch')}
      onChange={(_event, to: DateRange | null) => to !== null && onChange(to)}
    >
      {STRETCHES.map((each) => (
        <ToggleButton key={each} value={each}>
          {t(`demand.stretches.${each}`)}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
}
