import type { HouseCalendar, SalesColumns } from '@calm/contract';
import type { DateColumn } from '@calm/domain/columns';
import type { SalesFile } from '@calm/domain/files';

/** A sales file that is open in the worker. */
export interface OpenedSales {
  readonly titles: readonly string[];
  /** Its first rows. */
  readonly rows: readonly (readonly string[])[];
  /** Its columns of dates, by their titles. */
  readonly dates: Readonly<Record<string, DateColumn>>;
  /** Rows in all, without the titles. */
  readonly lines: number;
}

/** A name that stands in a column, and on how many lines. */
export interface NameCount {
  readonly name: string;
  readonly lines: number;
}

/** What can be asked of the reader of sales files in its worker; one file is open at a time. */
export interface SalesInWorker {
  /** @param onShare told now and then how much of the file has been read, 0–1 */
  open(file: File, onShare: (share: number) => void): Promise<OpenedSales>;
  /** The names in a column, most lines first. */
  namesOf(title: string): readonly NameCount[];
  /** @param today the house's */
  read(columns: SalesColumns, calendar: HouseCalendar, today: string): SalesFile;
}
