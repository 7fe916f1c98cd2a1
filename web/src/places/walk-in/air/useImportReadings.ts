import { READINGS_A_REQUEST, type ReadingColumns } from '@calm/contract';
import { ONLY_PROBE, type ReadingsFile } from '@calm/domain/columns';
import { useTranslation } from 'react-i18next';
import { useNotices } from '../../../parts/messages/Notices';
import { useChangeSettingsMutation } from '../../../state/api/settingsApi';
import { useAppDispatch } from '../../../state/store';
import { nowMs } from '../../../state/time/clock';
import { usualDateOrder } from '../../../state/time/localDate';
import { useBatches } from '../../../state/useBatches';
import { readingsReaderInWorker } from '../../../workers/tables/readings';
import type { OpenedReadings } from '../../../workers/tables/readingsAnswers';
import type { NameCount } from '../../../workers/tables/salesAnswers';
import { withProgress } from '../../../workers/withProgress';
import type { WalkInNow } from '../useWalkIn';
import { coldChanged, usePostReadingsMutation } from '../walkInApi';

/** Where bringing a logger's file in has got to. */
export type BringingReadings =
  | { readonly kind: 'none' }
  | {
      readonly kind: 'opening' | 'trying' | 'writing';
      readonly name: string;
      readonly share: number;
    }
  | {
      readonly kind: 'columns';
      readonly name: string;
      readonly opened: OpenedReadings;
      readonly columns: ReadingColumns;
      readonly names: readonly NameCount[];
      readonly isRemembered: boolean;
    }
  | { readonly kind: 'tried'; readonly name: string; readonly file: ReadingsFile };

/** Brings a logger's file in: opened, its columns matched, read, then sent in parts; each step can be left. */
export function useImportReadings({ board, cold }: WalkInNow) {
  const { t } = useTranslation();
  const { said, failed } = useNotices();
  const dispatch = useAppDispatch();
  const steps = useBatches<BringingReadings>({ kind: 'none' }, t('walkIn.air.failed'));
  const { state, step, isLeft } = steps;
  const [post] = usePostReadingsMutation();
  const [changeSettings] = useChangeSettingsMutation();
  const { house } = board.book;

  const namesOf = async (columns: ReadingColumns, opened: OpenedReadings) =>
    columns.probe === undefined
      ? [{ name: ONLY_PROBE, lines: opened.lines }]
      : readingsReaderInWorker().namesOf(columns.probe);
  const withNames = (columns: ReadingColumns, names: readonly NameCount[]): ReadingColumns => ({
    ...columns,
    probes: Object.fromEntries(
      names.map(({ name }) => [name, columns.probes[name] ?? guessProbe(cold.probes, name)]),
    ),
  });

  const open = (file: File) =>
    steps.begin(async (mine) => {
      const { name } = file;
      steps.makeSafe({ kind: 'none' });
      step(mine, { kind: 'opening', name, share: 0 });
      const opened = await withProgress(
        (tell) => readingsReaderInWorker().open(file, usualDateOrder(house), tell),
        (share: number) => step(mine, { kind: 'opening', name, share }),
      );
      if (opened.lines === 0 || opened.titles.length < 2) {
        step(mine, { kind: 'none' });
        failed(t('walkIn.air.empty', { file: name }));
        return;
      }
      const known = house.settings.readingColumns;
      const isRemembered = known !== undefined && fits(known, opened.titles);
      const columns = isRemembered ? known : opened.guess;
      const names = await namesOf(columns, opened);
      const matching = {
        kind: 'columns',
        name,
        opened,
        columns: withNames(columns, names),
        names,
        isRemembered,
      } as const;
      steps.makeSafe(matching);
      step(mine, matching);
    });

  const match = (to: Partial<ReadingColumns>) =>
    steps.begin(async (mine) => {
      if (state.kind !== 'columns') return;
      const { probe, ...rest } = { ...state.columns, ...to };
      const columns: ReadingColumns = probe ? { ...rest, probe } : rest;
      const isOther = columns.probe !== state.columns.probe;
      const names = isOther ? await namesOf(columns, state.opened) : state.names;
      const matching = {
        ...state,
        columns: isOther ? withNames({ ...columns, probes: {} }, names) : columns,
        names,
      } as const;
      steps.makeSafe(matching);
      step(mine, matching);
    });

  const read = () =>
    steps.begin(async (mine) => {
      if (state.kind !== 'columns') return;
      const { name, columns } = state;
      step(mine, { kind: 'trying', name, share: 0 });
      const file = await withProgress(
        (tell) => readingsReaderInWorker().read(columns, house.timeZone, nowMs() / 1000, tell),
        (share: number) => step(mine, { kind: 'trying', name, share }),
      );
      step(mine, { kind: 'tried', name, file });
    });

  const write = () =>
    steps.begin(async (mine) => {
      const matched = steps.safeStep();
      if (state.kind !== 'tried' || matched.kind !== 'columns') return;
      const { name, file } = state;
      const { columns } = matched;
      const total = { added: 0, known: 0 };
      let sent = 0;
      for (const part of partsOf(file)) {
        if (isLeft(mine)) break;
        step(mine, { kind: 'writing', name, share: sent / file.readings });
        const taken = await post({ house: house.slug, readings: { probes: [part] } }).unwrap();
        total.added += taken.added;
        total.known += taken.known;
        sent += part.atS.length;
      }
      dispatch(coldChanged());
      if (isLeft(mine)) return said(t('walkIn.air.stopped', total));
      // Not remembering the columns costs a minute next time, nothing more.
      await changeSettings({
        house: house.slug,
        change: { version: house.version, readingColumns: columns },
      })
        .unwrap()
        .catch(() => undefined);
      step(mine, { kind: 'none' });
      said(t('walkIn.air.written', total));
    });

  const { back, leave } = steps;
  return { state, open, match, read, write, back, leave };
}

/** A file's readings in parts as large as one request takes. */
function partsOf({ probes }: ReadingsFile) {
  return probes.flatMap(({ probeId: probe, atS, airC }) =>
    Array.from({ length: Math.ceil(atS.length / READINGS_A_REQUEST) }, (_, i) => {
      const [from, until] = [i * READINGS_A_REQUEST, (i + 1) * READINGS_A_REQUEST];
      return { probe, atS: atS.slice(from, until), airC: airC.slice(from, until) };
    }),
  );
}

/** A probe of the same name, however it is written; null leaves it out. */
function guessProbe(
  probes: readonly { readonly id: string; readonly name: string }[],
  name: string,
): string | null {
  const plain = (text: string) => text.toLowerCase().replaceAll(/[^a-z0-9]/g, '');
  const found = probes.find((probe) => plain(probe.name) === plain(name));
  return found?.id ?? (name === ONLY_PROBE ? (probes[0]?.id ?? null) : null);
}

/** Whether a file has every column that was matched last time. */
const fits = ({ time, temp, probe }: ReadingColumns, titles: readonly string[]): boolean =>
  [time, temp, ...(probe === undefined ? [] : [probe])].every((title) => titles.includes(title));
