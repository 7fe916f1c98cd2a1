import { BAKINGS, OPENINGS, paths, type LogLine, type LogQuery } from '@calm/contract';
import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useSearchParams } from 'react-router';
import { Choice } from '../../parts/fields/Choice';
import { Failed } from '../../parts/messages/Failed';
import { useFormats } from '../../parts/format/useFormats';
import { Page } from '../../parts/layout/Page';
import { TextCell } from '../../parts/fields/TextCell';
import { Waiting } from '../../parts/messages/Waiting';
import { useBookQuery } from '../../state/api/api';
import { useHouse } from '../../state/board/useBoard';
import styles from './Log.module.css';
import { useLogQuery } from './logApi';

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
    <label className={styles['date']}>
      <span>{t(`log.${key}`)}</span>
      <input
        type="date"
        value={query[key] ?? ''}
        onChange={(event) => onAsk({ [key]: event.target.value })}
      />
    </label>
  );
  return (
    <div className={styles['filter']} role="search">
      <TextCell
        label={t('log.text')}
        value={query.text ?? ''}
        most={80}
        mayBeEmpty
        width={220}
        onCommit={(text) => onAsk({ text })}
      />
      <Choice
        label={t('log.dough')}
        value={query.formulaId ?? ''}
        values={['', ...formulas.map(({ id }) => id)]}
        say={(id) => formulas.find((formula) => formula.id === id)?.name ?? t('log.any')}
        width={180}
        onChange={(formulaId) => onAsk({ formulaId })}
      />
      <Choice
        label={t('log.found')}
        value={query.found ?? ''}
        values={OUTCOMES}
        say={(found) => (found === '' ? t('log.any') : t(`found.${found}`))}
        width={180}
        onChange={(found) => onAsk({ found: found as LogQuery['found'] & string })}
      />
      {date('from')}
      {date('to')}
    </div>
  );
}

/** Pages of lots, one after the other. */
function Lots({ house, query }: { readonly house: string; readonly query: LogQuery }) {
  const { t } = useTranslation();
  const [pages, setPages] = useState<readonly (string | null)[]>([null]);
  return (
    <table className={styles['lots']}>
      <thead>
        <tr>
          {(['date', 'lot', 'made', 'out', 'opened', 'baked', 'left'] as const).map((key) => (
            <th key={key} scope="col">
              {t(`log.${key}`)}
            </th>
          ))}
        </tr>
      </thead>
      {pages.map((after) => (
        <Lines
          key={after ?? 'first'}
          house={house}
          query={after === null ? query : { ...query, after }}
          onMore={(next) => setPages((before) => [...before, next])}
          isLast={after === pages.at(-1)}
        />
      ))}
    </table>
  );
}

function Lines({
  house,
  query,
  onMore,
  isLast,
}: {
  readonly house: string;
  readonly query: LogQuery;
  readonly onMore: (after: string) => void;
  readonly isLast: boolean;
}) {
  const { t } = useTranslation();
  const { data, error, refetch } = useLogQuery({ house, query });
  const wide = (content: ReactNode) => (
    <tbody>
      <tr>
        <td colSpan={7}>{content}</td>
      </tr>
    </tbody>
  );
  if (error && !data) return wide(<Failed error={error} onRetry={() => void refetch()} />);
  if (!data) return wide(<Waiting />);
  if (data.lots.length === 0) return wide(<p className="quiet">{t('log.none')}</p>);
  const { after } = data;
  return (
    <tbody>
      {data.lots.map((line) => (
        <Row key={line.id} house={house} line={line} />
      ))}
      {isLast && after !== null && (
        <tr>
          <td colSpan={7}>
            <Button variant="outlined" onClick={() => onMore(after)}>
              {t('log.more')}
            </Button>
          </td>
        </tr>
      )}
    </tbody>
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
