import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { paths, type ForecastAnswer, type HouseBook, type HouseCalendar } from '@calm/contract';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { EditingBy } from '../../../state/live/EditingBy';
import { Failed } from '../../../parts/messages/Failed';
import { useFormats } from '../../../parts/format/useFormats';
import { Machines } from '../../../parts/machines/Machines';
import { useMachines } from '../../../state/api/useMachines';
import { Page } from '../../../parts/layout/Page';
import { WaitingPage } from '../../../parts/layout/WaitingPage';
import { useForecastQuery, useBookQuery } from '../../../state/api/api';
import { dateAt } from '../../../state/time/localDate';
import { useHouse } from '../../../state/board/useBoard';
import { useCursor } from '../../../state/time/useCursor';
import { ImportSales } from './ImportSales';
import { useCalendarQuery } from '../demandApi';
import { DemandNav } from '../DemandNav';
import styles from './History.module.css';
import { formatForecastErrorMessage } from '../forecastErrorMessage';
import { UsageChart } from './UsageChart';

/** What the house sold: how well it is forecast, how it goes through an evening, and more of it from files. */
export function History() {
  const { t } = useTranslation();
  const f = useFormats();
  const house = useHouse();
  const { nowMs } = useCursor();
  const book = useBookQuery(house);
  const calendar = useCalendarQuery(house);
  const tills = useMachines('till');
  const from = dateAt(nowMs, book.data?.house.timeZone ?? 'UTC');
  const answer = useForecastQuery({ house, from, days: 1 }, { skip: !book.data });
  const failed = [book, calendar, answer].find((query) => query.isError && !query.data);
  if (failed) return <Failed error={failed.error} onRetry={() => void failed.refetch()} />;
  if (!book.data || !calendar.data || !answer.data) return <WaitingPage />;
  return (
    <Page
      title={t('demand.history.title')}
      lead={formatForecastErrorMessage(t, f, 'smoothed', answer.data.error, answer.data.naive)}
      aside={
        <Button component="a" href={paths.salesCsv(house)} download variant="outlined">
          {t('demand.takeOut')}
        </Button>
      }
    >
      <DemandNav />
      <EditingBy permission="plan">
        <ImportSales book={book.data} calendar={calendar.data} />
      </EditingBy>
      <UsageCurves book={book.data} calendar={calendar.data} answer={answer.data} />
      <section>
        <h2>{t('demand.till.title')}</h2>
        <p className="quiet">{t('demand.till.how')}</p>
        <p className={`mono ${styles['address']}`}>POST {paths.recordTillSales(house)}</p>
        {tills && <Machines {...tills} />}
      </section>
    </Page>
  );
}

/** How the evening goes, product by product, for one kind of service. */
function UsageCurves({
  book,
  calendar,
  answer,
}: {
  readonly book: HouseBook;
  readonly calendar: HouseCalendar;
  readonly answer: ForecastAnswer;
}) {
  const { t } = useTranslation();
  const startOf = (kind: string) =>
    Math.min(
      ...calendar.patterns.filter(({ name }) => name === kind).map((pattern) => pattern.startMin),
    );
  const kinds = [...new Set(answer.usage.map(({ service }) => service))].sort(
    (a, b) => startOf(a) - startOf(b),
  );
  const [chosen, setChosen] = useState<string | null>(null);
  const kind = chosen ?? kinds.at(-1) ?? '';
  return (
    <section>
      <h2>{t('demand.usage.title')}</h2>
      <p className="quiet">{t('demand.usage.lead')}</p>
      <ToggleButtonGroup
        exclusive
        size="small"
        value={kind}
        aria-label={t('demand.usage.kind')}
        onChange={(_event, to: string | null) => to !== null && setChosen(to)}
      >
        {kinds.map((each) => (
          <ToggleButton key={each} value={each}>
            {each}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <div className={styles['usages']}>
        {book.products.map((product) => {
          const usage = answer.usage.find(
            (each) => each.service === kind && each.productId === product.id,
          );
          return (
            usage && (
              <UsageChart key={product.id} {...{ usage, product }} startMin={startOf(kind)} />
            )
          );
        })}
      </div>
    </section>
  );
}
