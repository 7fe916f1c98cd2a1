import type { ReadingColumns } from '@calm/contract';
import type { ReadingsFile } from '@calm/domain/columns';
import type { NameCount, OpenedSales } from './salesAnswers';

/** A logger's file that is open in the worker, with a first guess of its columns. */
export interface OpenedReadings extends OpenedSales {
  readonly guess: ReadingColumns;
}

/** What can be asked of the reader of loggers' files in its worker; one file is open at a time. */
export interface ReadingsInWorker {
  /** @param onShare told now and then how much of the file has been read, 0–1 */
  open(file: File, onShare: (share: number) => void): Promise<OpenedReadings>;
  namesOf(title: string): readonly NameCount[];
  read(columns: ReadingColumns, timeZone: string, onShare: (share: number) => void): ReadingsFile;
}
