import type { Holiday } from '@calm/contract';

/** Lines of a file that are no day and its name. */
export class NoDaysError extends Error {}

/**
 * The days of a calendar file (`.ics`), or of a table of dates and names.
 *
 * @param text of the file
 * @returns by date; at most some hundreds
 * @throws NoDaysError when nothing in it is a day
 */
export async function daysOfFile(text: string): Promise<Holiday[]> {
  const days = text.includes('BEGIN:VCALENDAR')
    ? await daysOfCalendar(text)
    : await daysOfTable(text);
  if (days.length === 0) throw new NoDaysError('no days in the file');
  return days.toSorted((a, b) => a.date.localeCompare(b.date)).slice(0, MOST_DAYS);
}

const MOST_DAYS = 500;

/** Each event on the days it takes, by the calendar it is written in. */
async function daysOfCalendar(text: string): Promise<Holiday[]> {
  const { default: ICAL } = await import('ical.js');
  let events;
  try {
    events = new ICAL.Component(ICAL.parse(text) as unknown[]).getAllSubcomponents('vevent');
  } catch {
    throw new NoDaysError('not a calendar');
  }
  return events.flatMap((component) => {
    const event = new ICAL.Event(component);
    const { startDate: start, endDate: end, summary } = event;
    if (!start) return [];
    const days: Holiday[] = [];
    // An event of whole days ends on the morning after its last one.
    for (const day = start.clone(); days.length < MOST_DAYS; day.adjust(1, 0, 0, 0)) {
      days.push({ date: day.toString().slice(0, 10), name: summary });
      const next = day.clone();
      next.adjust(1, 0, 0, 0);
      if (!start.isDate || !end || next.compare(end) >= 0) break;
    }
    return days;
  });
}

const DATE = /^\d{4}-\d{2}-\d{2}$/;

/** Rows of which one cell is a date, `2027-04-25`, and the next that says something its name. */
async function daysOfTable(text: string): Promise<Holiday[]> {
  const { default: Papa } = await import('papaparse');
  return Papa.parse<string[]>(text, { skipEmptyLines: true }).data.flatMap((cells) => {
    const date = cells.find((cell) => DATE.test(cell.trim()))?.trim();
    if (date === undefined || Number.isNaN(Date.parse(date))) return [];
    const name = cells.map((cell) => cell.trim()).find((cell) => cell !== '' && cell !== date);
    return [{ date, name: name ?? '' }];
  });
}
