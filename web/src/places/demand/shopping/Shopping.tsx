import Button from '@mui/material/Button';
import { costOf, type ShoppingLine } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { WideTable } from '../../../parts/layout/WideTable';
import { Link, useSearchParams } from 'react-router';
import { Failed } from '../../../parts/messages/Failed';
import { useFormats } from '../../../parts/format/useFormats';
import { Page } from '../../../parts/layout/Page';
import { WaitingPage } from '../../../parts/layout/WaitingPage';
import { useSorted } from '../../../parts/tables/useSorted';
import { useBookQuery } from '../../../state/api/api';
import { addDays, dateAt } from '../../../state/time/localDate';
import { useBoard, useHouse } from '../../../state/board/useBoard';
import { useCursor } from '../../../state/time/useCursor';
import styles from './Shopping.module.css';
import { shoppingOf } from './shoppingLines';
import { boardAround, startOf, intervalOf, DAYS } from '../dateRange';

/** What the doughs of a stretch of days take that the store does not have. */
export function Shopping() {
  const { t } = useTranslation();
  const f = useFormats();
  const house = useHouse();
  const { atMs } = useCursor();
  const [params] = useSearchParams();
  const book = useBookQuery(house).data;
  const dateRange = intervalOf(params.get('days') ?? '7');
  const today = dateAt(atMs, book?.house.timeZone ?? 'UTC');
  const from = startOf(dateRange, today);
  const to = addDays(from, DAYS[dateRange] - 1);
  const { board, error, retry } = useBoard(boardAround(dateRange, from));
  if (error) return <Failed error={error} onRetry={retry} />;
  if (!board?.isCurrent) return <WaitingPage />;

  const lots = board.lots.filter(({ date }) => date >= from && date <= to);
  const { lines, cannot } = shoppingOf(lots, board.book, to);
  const toBuy = lines.map(({ name, buyG }) => ({ name, grams: buyG }));
  const money = costOf(toBuy, board.book.pantry);
  return (
    <Page
      title={t('demand.shopping.title')}
      lead={t('demand.shopping.lead', { from: f.date(from), to: f.date(to) })}
      aside={
        <>
          <Button variant="outlined" onClick={() => void takeOut(house, lines)}>
            {t('demand.shopping.csv')}
          </Button>
          <Button variant="contained" onClick={() => window.print()}>
            {t('demand.shopping.print')}
          </Button>
        </>
      }
    >
      {cannot.map((lot) => (
        <p key={lot.date + lot.product.id} role="alert" className={styles['cannot']}>
          {t('demand.shopping.cannot', { dough: lot.recipe.formulaName, date: f.date(lot.date) })}
        </p>
      ))}
      {lines.length === 0 ? (
        <p className="quiet">{t('demand.shopping.none')}</p>
      ) : (
        <>
          <Lines lines={lines} />
          <p>
            {t('demand.shopping.cost', { cost: f.money(money.total) })}{' '}
            {money.unpriced.length > 0 &&
              t('demand.shopping.unpriced', { what: f.list(money.unpriced) })}
          </p>
        </>
      )}
      <p className="quiet small">
        <Link to={`/${house}/demand?days=${params.get('days') ?? '7'}`}>
          {t('demand.shopping.back')}
        </Link>{' '}
        · <Link to={`/${house}/formulas/pantry`}>{t('demand.shopping.store')}</Link>
      </p>
    </Page>
  );
}

const SORTED_BY = {
  name: ({ name }: ShoppingLine) => name,
  need: ({ needG }: ShoppingLine) => needG,
  have: ({ haveG }: ShoppingLine) => haveG,
  expires: ({ expiresG }: ShoppingLine) => expiresG,
  buy: ({ buyG }: ShoppingLine) => Math.max(0, buyG),
};
const COLUMNS = Object.keys(SORTED_BY) as (keyof typeof SORTED_BY)[];

function Lines({ lines }: { readonly lines: readonly ShoppingLine[] }) {
  const { t } = useTranslation();
  const { sorted, heading } = useSorted(lines, SORTED_BY);
  const doesExpire = lines.some(({ expiresG }) => expiresG > 0);
  const columns = COLUMNS.filter((key) => key !== 'expires' || doesExpire);
  return (
    <WideTable label={t('demand.shopping.title')}>
      <table className={styles['list']}>
        <thead>
          <tr>{columns.map((key) => heading(key, t(`demand.shopping.${key}`)))}</tr>
        </thead>
        <tbody>
          {sorted.map((line) => (
            <Line key={line.name} line={line} doesExpire={doesExpire} />
          ))}
        </tbody>
      </table>
    </WideTable>
  );
}

function Line({
  line,
  doesExpire,
}: {
  readonly line: ShoppingLine;
  /** Whether something of the list will be out of date, so that there is a column for it. */
  readonly doesExpire: boolean;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const mass = (g: number) => (g >= 2000 ? f.kilograms(g) : f.grams(g));
  const nameOf = (name: string) => t(`ingredient.${name}`, { defaultValue: name });
  return (
    <tr>
      <th scope="row">{nameOf(line.name)}</th>
      <td>{mass(line.needG)}</td>
      <td>{mass(line.haveG)}</td>
      {doesExpire && <td>{line.expiresG > 0 ? mass(line.expiresG) : ''}</td>}
      <td>
        {line.buyG <= 0 ? (
          t('demand.shopping.enough')
        ) : (
          <b>
            {mass(line.buyG)}
            {line.bags !== null && ` · ${t('demand.shopping.bags', { count: line.bags })}`}
          </b>
        )}
      </td>
    </tr>
  );
}

async function takeOut(house: string, lines: readonly ShoppingLine[]): Promise<void> {
  const { writeCsv } = await import('@calm/domain/files');
  const rows = lines.map(({ name, needG, haveG, expiresG, buyG, bags }) => ({
    ingredient: name,
    'takes (g)': Math.round(needG),
    'in store (g)': Math.round(haveG),
    'out of date (g)': Math.round(expiresG),
    'buy (g)': Math.round(buyG),
    bags: bags ?? '',
  }));
  const text = `\ufeff${writeCsv(rows)}`;
  const address = URL.createObjectURL(new Blob([text], { type: 'text/csv' }));
  const link = document.createElement('a');
  link.href = address;
  link.download = `${house}-shopping.csv`;
  link.click();
  URL.revokeObjectURL(address);
}
