import { describe, expect, it } from '@jest/globals';
import { daysOfFile, NoDaysError } from './dayFile';

const calendar = (...events: string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', ...events, 'END:VCALENDAR'].join('\r\n');
const event = (start: string, end: string, name: string) =>
  ['BEGIN:VEVENT', 'UID:1', `DTSTART${start}`, `DTEND${end}`, `SUMMARY:${name}`, 'END:VEVENT'].join(
    '\r\n',
  );

describe('a file of days', () => {
  it('is a calendar, of which a week is seven days', async () => {
    const text = calendar(
      event(';VALUE=DATE:20270425', ';VALUE=DATE:20270426', 'Liberation'),
      event(';VALUE=DATE:20271224', ';VALUE=DATE:20271231', 'Winter'),
      event(':20270305T180000Z', ':20270305T230000Z', 'Regatta'),
    );
    const days = await daysOfFile(text);
    expect(days.map(({ date }) => date)).toEqual([
      '2027-03-05',
      '2027-04-25',
      ...['24', '25', '26', '27', '28', '29', '30'].map((day) => `2027-12-${day}`),
    ]);
    expect(days[1]?.name).toBe('Liberation');
  });

  it('is a table, with the date in any column', async () => {
    const text = 'name;date\nHarbour day;2027-06-02\n;2027-07-01\nno date;tomorrow\n';
    expect(await daysOfFile(text)).toEqual([
      { date: '2027-06-02', name: 'Harbour day' },
      { date: '2027-07-01', name: '' },
    ]);
  });

  it('is refused when there is no day in it', async () => {
    for (const text of ['', 'a,b\nc,d', '2027-13-45,never', 'BEGIN:VCALENDAR\r\nBEGIN:VEVENT']) {
      await expect(daysOfFile(text)).rejects.toBeInstanceOf(NoDaysError);
    }
  });
});
