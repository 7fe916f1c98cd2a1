import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import type { HouseBook, HouseCalendar, SalesColumns } from '@calm/contract';
import { useRef } from 'react';
import { useTranslation } from 'react-i18next';
import { EditOnly } from '../../../parts/fields/editing';
import { useFormats } from '../../../parts/format/useFormats';
import { Choice } from '../../../parts/fields/Choice';
import { DateOrderChoice } from '../../../parts/fields/DateOrderChoice';
import { WideTable } from '../../../parts/layout/WideTable';
import styles from './History.module.css';
import { SalesTrialFacts } from './SalesTrialFacts';
import { useImportSales, type BringingIn } from './useImportSales';

/** What the till or the books of other years know, brought in from a table. */
export function ImportSales({
  book,
  calendar,
}: {
  readonly book: HouseBook;
  readonly calendar: HouseCalendar;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const bring = useImportSales(book, calendar);
  const input = useRef<HTMLInputElement>(null);
  const { state } = bring;
  return (
    <section className={styles['importSales']}>
      <h2>{t('demand.history.bringIn')}</h2>
      {state.kind === 'none' && (
        <>
          <p className="quiet">{t('demand.history.how')}</p>
          <EditOnly>
            <Button variant="contained" onClick={() => input.current?.click()}>
              {t('demand.history.choose')}
            </Button>
          </EditOnly>
        </>
      )}
      <input
        ref={input}
        type="file"
        hidden
        accept=".csv,.txt,.tsv,text/csv"
        aria-label={t('demand.history.file')}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) bring.open(file);
          event.target.value = '';
        }}
      />
      {(state.kind === 'opening' || state.kind === 'trying' || state.kind === 'writing') && (
        <div className={styles['progress']}>
          <p aria-live="polite">
            {t(`demand.history.${state.kind}`, {
              file: state.name,
              share: f.percent(100 * state.share, 0),
            })}
          </p>
          <LinearProgress
            variant="determinate"
            value={100 * Math.min(1, state.share)}
            aria-label={state.name}
          />
          <Button variant="text" onClick={bring.leave}>
            {t('record.cancel')}
          </Button>
        </div>
      )}
      {state.kind === 'columns' && (
        <Columns
          state={state}
          book={book}
          onMatch={bring.match}
          onTry={bring.tryIt}
          onLeave={bring.leave}
        />
      )}
      {state.kind === 'tried' && (
        <SalesTrialFacts
          state={state}
          onWrite={bring.write}
          onBack={bring.back}
          onLeave={bring.leave}
        />
      )}
    </section>
  );
}

const NEEDED = ['date', 'product'] as const;
const OPTIONAL = ['sold', 'service', 'time', 'soldOut', 'left', 'number'] as const;
const NONE = '';

/** Which column says what, and which product is meant; with the file's first rows to look at. */
function Columns({
  state: { name, opened, columns, names, isRemembered },
  book,
  onMatch,
  onTry,
  onLeave,
}: {
  readonly state: Extract<BringingIn, { kind: 'columns' }>;
  readonly book: HouseBook;
  readonly onMatch: (to: Partial<SalesColumns>) => void;
  readonly onTry: () => void;
  readonly onLeave: () => void;
}) {
  const { t } = useTranslation();
  const { titles, rows, lines } = opened;
  const formatProductChoice = (id: string) =>
    book.products.find((product) => product.id === id)?.name ?? t('demand.history.leaveOut');
  const isNothing = Object.values(columns.products).every((product) => product === null);
  return (
    <>
      <p>
        {t('demand.history.opened', { file: name, count: lines })}{' '}
        {isRemembered && t('demand.history.remembered')}
      </p>
      <WideTable label={name}>
        <table className={styles['sample']}>
          <thead>
            <tr>
              {titles.map((title, i) => (
                <th key={i} scope="col">
                  {title}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row, i) => (
              <tr key={i}>
                {titles.map((_title, at) => (
                  <td key={at}>{row[at] ?? ''}</td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </WideTable>
      <div className={styles['columns']}>
        {NEEDED.map((key) => (
          <Choice
            key={key}
            label={t(`demand.history.column.${key}`)}
            width={200}
            value={columns[key]}
            values={[...new Set(titles)]}
            say={(title) => title}
            onChange={(title) => onMatch({ [key]: title })}
          />
        ))}
        <DateOrderChoice
          column={opened.dates[columns.date]}
          order={columns.dateOrder}
          width={200}
          onChange={(dateOrder) => onMatch({ dateOrder })}
        />
        {OPTIONAL.map((key) => (
          <Choice
            key={key}
            label={t(`demand.history.column.${key}`)}
            width={200}
            value={columns[key] ?? NONE}
            values={[NONE, ...new Set(titles)]}
            say={(title) => title || t(`demand.history.without.${key}`)}
            onChange={(title) => onMatch({ [key]: title || undefined } as Partial<SalesColumns>)}
          />
        ))}
      </div>
      <h3>{t('demand.history.products')}</h3>
      <ul className={styles['names']}>
        {names.map(({ name: said, lines: often }) => (
          <li key={said}>
            <span>
              {said} <span className="quiet">{t('demand.history.lines', { count: often })}</span>
            </span>
            <Choice
              label={t('demand.history.means', { name: said })}
              width={220}
              value={columns.products[said] ?? NONE}
              values={[NONE, ...book.products.map(({ id }) => id)]}
              say={formatProductChoice}
              onChange={(id) => onMatch({ products: { ...columns.products, [said]: id || null } })}
            />
          </li>
        ))}
      </ul>
      <div className={styles['choices']}>
        <Button onClick={onLeave}>{t('record.cancel')}</Button>
        <Button variant="contained" disabled={isNothing} onClick={onTry}>
          {t('demand.history.try')}
        </Button>
        {isNothing && <span className="quiet">{t('demand.history.nothingMeant')}</span>}
      </div>
    </>
  );
}
