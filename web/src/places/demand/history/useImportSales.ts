import {
  SALES_A_REQUEST,
  type SalesImport,
  type HouseBook,
  type HouseCalendar,
  type SalesImportResult,
  type SalesColumns,
} from '@calm/contract';
import { guessColumns, guessProduct, likelyOrder, type DateOrder } from '@calm/domain/columns';
import type { SalesFile } from '@calm/domain/files';
import { useTranslation } from 'react-i18next';
import { useNotices } from '../../../parts/messages/Notices';
import { useChangeSettingsMutation } from '../../../state/api/settingsApi';
import { useAppDispatch } from '../../../state/store';
import { nowMs } from '../../../state/time/clock';
import { dateAt, usualDateOrder } from '../../../state/time/localDate';
import { useBatches } from '../../../state/useBatches';
import { salesReaderInWorker } from '../../../workers/tables/sales';
import type { NameCount, OpenedSales } from '../../../workers/tables/salesAnswers';
import { withProgress } from '../../../workers/withProgress';
import { demandChanged, useImportSalesMutation } from '../demandApi';

/** Where bringing a file in has got to. */
export type BringingIn =
  | { readonly kind: 'none' }
  | { readonly kind: 'opening'; readonly name: string; readonly share: number }
  | {
      readonly kind: 'columns';
      readonly name: string;
      readonly opened: OpenedSales;
      readonly columns: SalesColumns;
      readonly names: readonly NameCount[];
      readonly isRemembered: boolean;
    }
  | { readonly kind: 'trying'; readonly name: string; readonly share: number }
  | {
      readonly kind: 'tried';
      readonly name: string;
      readonly file: SalesFile;
      readonly trial: SalesImportResult;
    }
  | { readonly kind: 'writing'; readonly name: string; readonly share: number };

/** Brings a sales file in: opened, its columns matched, tried, then written; each step can be left. */
export function useImportSales(book: HouseBook, calendar: HouseCalendar) {
  const { t } = useTranslation();
  const { said, failed } = useNotices();
  const dispatch = useAppDispatch();
  const steps = useBatches<BringingIn>({ kind: 'none' }, t('demand.history.failed'));
  const { state, step, isLeft } = steps;
  const [send] = useImportSalesMutation();
  const [changeSettings] = useChangeSettingsMutation();
  const { house, products } = book;
  const usualOrder = usualDateOrder(house);

  const open = (file: File) =>
    steps.begin(async (mine) => {
      const { name } = file;
      steps.makeSafe({ kind: 'none' });
      step(mine, { kind: 'opening', name, share: 0 });
      const worker = salesReaderInWorker();
      const opened = await withProgress(
        (tell) => worker.open(file, tell),
        (share: number) => step(mine, { kind: 'opening', name, share }),
      );
      if (opened.lines === 0 || opened.titles.length < 2) {
        step(mine, { kind: 'none' });
        failed(t('demand.history.empty', { file: name }));
        return;
      }
      const known = house.settings.salesColumns;
      const isRemembered = known !== undefined && fits(known, opened.titles);
      const guess = guessColumns(opened.titles, opened.rows, [], products);
      const columns = inOrderOf(opened, isRemembered ? known : guess, isRemembered, usualOrder);
      const names = await worker.namesOf(columns.product);
      const matching = {
        kind: 'columns',
        name,
        opened,
        columns: withNames(columns, names, products),
        names,
        isRemembered,
      } as const;
      steps.makeSafe(matching);
      step(mine, matching);
    });

  const match = (to: Partial<SalesColumns>) =>
    steps.begin(async (mine) => {
      if (state.kind !== 'columns') return;
      const matched = { ...state.columns, ...to };
      const isOtherDate = matched.date !== state.columns.date;
      const columns = isOtherDate ? inOrderOf(state.opened, matched, false, usualOrder) : matched;
      const isOther = columns.product !== state.columns.product;
      const names = isOther ? await salesReaderInWorker().namesOf(columns.product) : state.names;
      const matching = {
        ...state,
        columns: isOther ? withNames({ ...columns, products: {} }, names, products) : columns,
        names,
      } as const;
      steps.makeSafe(matching);
      step(mine, matching);
    });

  const inRequests = async (
    mine: number,
    file: SalesFile,
    how: Omit<SalesImport, 'sales'>,
    onShare: (share: number) => void,
  ): Promise<SalesImportResult> => {
    const total = { added: 0, same: 0, different: 0 };
    for (let i = 0; i < file.sales.length && !isLeft(mine); i += SALES_A_REQUEST) {
      onShare(i / file.sales.length);
      const sales = file.sales.slice(i, i + SALES_A_REQUEST);
      const came = await send({ house: house.slug, imported: { sales, ...how } }).unwrap();
      total.added += came.added;
      total.same += came.same;
      total.different += came.different;
    }
    return total;
  };

  const tryIt = () =>
    steps.begin(async (mine) => {
      if (state.kind !== 'columns') return;
      const { name, columns } = state;
      const onShare = (share: number) => step(mine, { kind: 'trying', name, share });
      onShare(0);
      const today = dateAt(nowMs(), house.timeZone);
      const file = await salesReaderInWorker().read(columns, calendar, today);
      const trial = await inRequests(mine, file, { over: 'keep', isTrial: true }, onShare);
      step(mine, { kind: 'tried', name, file, trial });
    });

  const write = (over: SalesImport['over']) =>
    steps.begin(async (mine) => {
      const matched = steps.safeStep();
      if (state.kind !== 'tried' || matched.kind !== 'columns') return;
      const { name, file, trial } = state;
      const onShare = (share: number) => step(mine, { kind: 'writing', name, share });
      onShare(0);
      await inRequests(mine, file, { over, isTrial: false }, onShare);
      dispatch(demandChanged());
      const { columns } = matched;
      const change = { version: house.version, salesColumns: columns };
      // Not remembering the columns costs a minute next time, nothing more.
      await changeSettings({ house: house.slug, change })
        .unwrap()
        .catch(() => undefined);
      const written = trial.added + (over === 'replace' ? trial.different : 0);
      step(mine, { kind: 'none' });
      said(t('demand.history.written', { count: written, file: name }));
    });

  const { back, leave } = steps;
  return { state, open, match, tryIt, write, back, leave };
}

/** Whether a file has every column that was matched last time. */
function fits(columns: SalesColumns, titles: readonly string[]): boolean {
  const { dateOrder: _d, products: _p, ...named } = columns;
  return Object.values(named).every((title) => titles.includes(title));
}

/** The columns with the order in which their dates can be read: last time's where that is one of several. */
function inOrderOf(
  { dates }: OpenedSales,
  columns: SalesColumns,
  isRemembered: boolean,
  usual: DateOrder,
): SalesColumns {
  const orders = dates[columns.date]?.orders ?? [];
  return {
    ...columns,
    dateOrder: likelyOrder(orders, isRemembered ? columns.dateOrder : usual),
  };
}

/** The columns with a product, or a guess of one, for each name of the file. */
function withNames(
  columns: SalesColumns,
  names: readonly NameCount[],
  products: HouseBook['products'],
): SalesColumns {
  const known = columns.products;
  return {
    ...columns,
    products: Object.fromEntries(
      names.map(({ name }) => {
        const meant = known[name];
        return [name, meant === undefined ? guessProduct(name, products) : meant];
      }),
    ),
  };
}
