import type { ReadingColumns } from '@calm/contract';
import type { DateOrder, ReadingsFile } from '@calm/domain/columns';
import type { NameCount, OpenedSales } from './salesAnswers';

/** A logger's file that is open in the worker, with a first guess of its columns. */
export interface OpenedReadings extends OpenedSales {
  readonly guess: ReadingColumns;
}

/** What can be asked of the reader of loggers' files in its worker; one file is open at a time. */
export interface ReadingsInWorker {
  /**
   * @param usualOrder of dates, where nothing in them tells it
   * @param onShare told now and then how much of the file has been read, 0–1
   */
  open(
    file: File,
    usualOrder: DateOrder,
    onShare: (share: number) => void,
  ): Promise<OpenedReadings>;
  namesOf(title: string): readonly NameCount[];
  /** @param nowS seconds since the epoch */
  read(
    columns: ReadingColumns,
    timeZone: string,
    nowS: number,
    onShare: (share: number) => void,
  ): ReadingsFile;
}
