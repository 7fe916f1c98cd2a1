import { BAKINGS, OPENINGS, paths, type LogLine, type LogQuery } from '@calm/contract';
import Button from '@mui/material/Button';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useSearchParams } from 'react-router';
import { Choice } from '../../parts/fields/Choice';
import { DateField } from '../../parts/fields/DateField';
import { Failed } from '../../parts/messages/Failed';
import { useFormats } from '../../parts/format/useFormats';
import { Page } from '../../parts/layout/Page';
import { WideTable } from '../../parts/layout/WideTable';
import { TextCell } from '../../parts/fields/TextCell';
import { Waiting } from '../../parts/messages/Waiting';
import { useSorted } from '../../parts/tables/useSorted';
import { useBookQuery } from '../../state/api/api';
import { useHouse } from '../../state/board/useBoard';
import styles from './Log.module.css';
import { LogNav } from './LogNav';
import { useLogPagesInfiniteQuery } from './logApi';

const OUTCOMES = ['', ...OPENINGS, ...BAKINGS.filter((found) => found !== 'well')] as const;

/** Every lot there was, newest first; what is looked for is in the address. */
export function Log() {
  const { t } = useTranslation();
  const house = useHouse();
  const [params, setParams] = useSearchParams();
  const query: LogQuery = Object.fromEntries(
    (['from', 'to', 'formulaId', 'text', 'found'] as const)
      .map((key) => [key, params.get(key)])
      .filter(([, value]) => value),
  );
  const ask = (change: LogQuery) => {
    const next = new URLSearchParams(params);
    for (const [key, value] of Object.entries(change) as [string, string | undefined][]) {
      if (value) next.set(key, value);
      else next.delete(key);
    }
    setParams(next, { replace: true });
  };
  const asked = JSON.stringify(query);
  return (
    <Page
      title={t('stops.log')}
      lead={t('log.lead')}
      aside={
        <Button variant="outlined" component="a" href={paths.logCsv(house, query)} download>
          {t('log.csv')}
        </Button>
      }
    >
      <LogNav />
      <Filter query={query} onAsk={ask} />
      <Lots key={asked} house={house} query={query} />
    </Page>
  );
}

/** What is looked for. */
function Filter({
  query,
  onAsk,
}: {
  readonly query: LogQuery;
  readonly onAsk: (change: LogQuery) => void;
}) {
  const { t } = useTranslation();
  const { data: book } = useBookQuery(useHouse());
  const formulas = book?.formulas ?? [];
  const date = (key: 'from' | 'to') => (
    <DateField
      label={t(`log.${key}`)}
      value={query[key] ?? null}
      onChange={(date) => onAsk({ [key]: date ?? '' })}
    />
  );
  return (
    <div className={styles['filter']} role="search">
      <TextCell
        label={t('log.text')}
        value={query.text ?? ''}
        most={80}
        mayBeEmpty
        onCommit={(text) => onAsk({ text })}
      />
      <Choice
        label={t('log.dough')}
        value={query.formulaId ?? ''}
        values={['', ...formulas.map(({ id }) => id)]}
        say={(id) => formulas.find((formula) => formula.id === id)?.name ?? t('log.any')}
        width="100%"
        onChange={(formulaId) => onAsk({ formulaId })}
      />
      <Choice
        label={t('log.found')}
        value={query.found ?? ''}
        values={OUTCOMES}
        say={(found) => (found === '' ? t('log.any') : t(`found.${found}`))}
        width="100%"
        onChange={(found) => onAsk({ found: found as LogQuery['found'] & string })}
      />
      {date('from')}
      {date('to')}
    </div>
  );
}

const SORTED_BY = {
  date: ({ serviceDate }: LogLine) => serviceDate,
  lot: ({ code }: LogLine) => code,
  made: ({ items }: LogLine) => items.reduce((sum, { count }) => sum + count, 0),
  out: ({ offC }: LogLine) => offC,
  opened: ({ opened }: LogLine) => opened,
  baked: ({ baked }: LogLine) => baked,
  left: ({ left }: LogLine) => left,
};
const COLUMNS = Object.keys(SORTED_BY) as (keyof typeof SORTED_BY)[];

/** Lots page by page; all that have come are sorted together. */
function Lots({ house, query }: { readonly house: string; readonly query: LogQuery }) {
  const { t } = useTranslation();
  const { data, error, refetch, hasNextPage, isFetching, fetchNextPage } = useLogPagesInfiniteQuery(
    { house, query },
  );
  const lots = useMemo(() => data?.pages.flatMap((page) => page.lots) ?? [], [data]);
  const { sorted, heading } = useSorted(lots, SORTED_BY);
  if (error && !data) return <Failed error={error} onRetry={() => void refetch()} />;
  if (!data) return <Waiting />;
  if (lots.length === 0) return <p className="quiet">{t('log.none')}</p>;
  return (
    <>
      <WideTable label={t('stops.log')}>
        <table className={styles['lots']}>
          <thead>
            <tr>{COLUMNS.map((key) => heading(key, t(`log.${key}`)))}</tr>
          </thead>
          <tbody>
            {sorted.map((line) => (
              <Row key={line.id} house={house} line={line} />
            ))}
          </tbody>
        </table>
      </WideTable>
      {hasNextPage && (
        <Button variant="outlined" disabled={isFetching} onClick={() => void fetchNextPage()}>
          {t('log.more')}
        </Button>
      )}
    </>
  );
}

function Row({ house, line }: { readonly house: string; readonly line: LogLine }) {
  const { t } = useTranslation();
  const f = useFormats();
  const say = (found: string | null) => (
    <td data-found={found !== null && found !== 'well' ? 'fault' : undefined}>
      {found === null ? '' : t(`found.${found}`)}
    </td>
  );
  return (
    <tr data-back={line.isWithdrawn}>
      <td>{f.date(line.serviceDate)}</td>
      <th scope="row">
        <Link to={`/${house}/log/${line.id}`}>{line.code}</Link>
        {line.isWithdrawn && <span className="quiet"> {t('log.takenBack')}</span>}
        {line.hasNote && <span className="quiet"> {t('log.hasNote')}</span>}
      </th>
      <td>{f.list(line.items.map((item) => `${f.count(item.count)} ${item.name}`))}</td>
      <td>{line.offC === null ? '' : f.warmer(line.offC)}</td>
      {say(line.opened)}
      {say(line.baked)}
      <td>{line.left === null ? '' : f.count(line.left)}</td>
    </tr>
  );
}
