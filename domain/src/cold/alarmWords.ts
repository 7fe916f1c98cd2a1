import type { ColdAlarm } from '@calm/contract';
import type { Formats } from '../format/formats';

/** What an alarm is of. */
export interface AlarmSubject {
  readonly place: string;
  readonly zone: string;
  readonly probe: string;
}

/** An alarm as a sentence of the catalogue `alarm`: which one, and what stands in it. */
export const alarmWords = (
  { kind, fromAt, untilAt, worstC, meanC }: ColdAlarm,
  subject: AlarmSubject,
  f: Formats,
) => ({
  key: `alarm.${untilAt === null ? 'is' : 'was'}.${kind}` as const,
  values: {
    ...subject,
    from: f.moment(Date.parse(fromAt)),
    until: untilAt === null ? '' : f.time(Date.parse(untilAt)),
    worst: worstC === null ? '' : f.temperature(worstC),
    mean: meanC === null ? '' : f.temperature(meanC),
  },
});
