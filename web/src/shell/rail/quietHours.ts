/** Whether a minute of the day lies in a stretch that may go on past midnight. */
export const isBetween = (minute: number, from: number, until: number): boolean =>
  from <= until ? minute >= from && minute < until : minute >= from || minute < until;
