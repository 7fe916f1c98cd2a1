import {
  STANDARD_CURRENCY,
  STANDARD_DISPLAY,
  type ColdAlarm,
  type DisplayPreferences,
  type House,
  type WeekReview,
} from '@calm/contract';
import type { WorkKey } from '@calm/core';
import { alarmWords, makeFormats, reviewWords, type AlarmSubject } from '@calm/domain';
import alarmAr from '@calm/domain/words/ar/alarm.json' with { type: 'json' };
import outcomeAr from '@calm/domain/words/ar/outcome.json' with { type: 'json' };
import reviewAr from '@calm/domain/words/ar/review.json' with { type: 'json' };
import toldAr from '@calm/domain/words/ar/told.json' with { type: 'json' };
import tradeAr from '@calm/domain/words/ar/trade.json' with { type: 'json' };
import alarmEn from '@calm/domain/words/en/alarm.json' with { type: 'json' };
import outcomeEn from '@calm/domain/words/en/outcome.json' with { type: 'json' };
import reviewEn from '@calm/domain/words/en/review.json' with { type: 'json' };
import toldEn from '@calm/domain/words/en/told.json' with { type: 'json' };
import tradeEn from '@calm/domain/words/en/trade.json' with { type: 'json' };
import alarmEs from '@calm/domain/words/es/alarm.json' with { type: 'json' };
import outcomeEs from '@calm/domain/words/es/outcome.json' with { type: 'json' };
import reviewEs from '@calm/domain/words/es/review.json' with { type: 'json' };
import toldEs from '@calm/domain/words/es/told.json' with { type: 'json' };
import tradeEs from '@calm/domain/words/es/trade.json' with { type: 'json' };
import alarmIt from '@calm/domain/words/it/alarm.json' with { type: 'json' };
import outcomeIt from '@calm/domain/words/it/outcome.json' with { type: 'json' };
import reviewIt from '@calm/domain/words/it/review.json' with { type: 'json' };
import toldIt from '@calm/domain/words/it/told.json' with { type: 'json' };
import tradeIt from '@calm/domain/words/it/trade.json' with { type: 'json' };
import { createInstance } from 'i18next';

const catalogue = createInstance();
await catalogue.init({
  fallbackLng: 'en',
  interpolation: { escapeValue: false },
  resources: {
    ar: { translation: { ...alarmAr, ...outcomeAr, ...reviewAr, ...toldAr, ...tradeAr } },
    en: { translation: { ...alarmEn, ...outcomeEn, ...reviewEn, ...toldEn, ...tradeEn } },
    es: { translation: { ...alarmEs, ...outcomeEs, ...reviewEs, ...toldEs, ...tradeEs } },
    it: { translation: { ...alarmIt, ...outcomeIt, ...reviewIt, ...toldIt, ...tradeIt } },
  },
});

/** An alarm, what it is of, and who has acknowledged it. */
export interface AlarmAbout {
  readonly alarm: ColdAlarm;
  readonly subject: AlarmSubject;
  /** Null while nobody has, or who has left no name. */
  readonly acknowledgedBy: string | null;
}

/** What is told, short and whole. */
export interface Told {
  readonly subject: string;
  /** One sentence. */
  readonly body: string;
  /** With what to do, and why it came. */
  readonly text: string;
}

/** What a sentence of a house is read by. */
export function reader(house: House, preferences: DisplayPreferences | null) {
  const { display = STANDARD_DISPLAY, currency = STANDARD_CURRENCY } = house.settings;
  const reads = preferences ?? display;
  const f = makeFormats({ ...reads, currency, timeZone: house.timeZone });
  const t = catalogue.getFixedT(reads.language.slice(0, 2));
  const say = (key: string, values?: Readonly<Record<string, string>>) => t(key, { ...values });
  const name = { house: house.name };
  return {
    /** A piece of planned work, and the days that it is for, local dates. */
    work: (key: WorkKey): string => t(`work.${key}`),
    forDates: (dates: readonly string[]): string =>
      t('told.planned.forDates', { dates: f.list(dates.map(f.date)) }),
    names: f.list,
    /** Told to see that it comes. */
    test: (): Told => {
      const [subject, body] = [t('told.testSubject', name), t('told.test', name)];
      return { subject, body, text: body };
    },
    /** What became of a week. */
    week: (review: WeekReview, link: string): Told => {
      const { title, facts, faults } = reviewWords(review, say, f);
      const found = faults.map(({ name: fault, lots }) => `${fault}: ${f.list(lots)}`);
      const blocks = [
        [title, ...facts.map((fact) => fact.join(': '))],
        ...(found.length > 0 ? [[t('review.faults'), ...found]] : []),
        [t('told.weekLink', { link })],
        [t('told.weekWhy')],
      ];
      return {
        subject: t('told.weekSubject', { ...name, title }),
        body: title,
        text: blocks.map((lines) => lines.join('\n')).join('\n\n'),
      };
    },
    /** One sentence about an alarm, as it is, or as it became. */
    sentence: ({ alarm, subject, acknowledgedBy }: AlarmAbout): string => {
      const { key, values } = alarmWords(alarm, subject, f);
      const sentence = t(key, values);
      if (alarm.untilAt !== null) return t('told.ended', { sentence });
      return acknowledgedBy === null
        ? sentence
        : t('told.acknowledged', { sentence, name: acknowledgedBy });
    },
    /** An alarm that begins, to somebody. @param nextMs when the next is told; null when there is nobody left */
    alarm(about: AlarmAbout, link: string, nextMs: number | null): Told {
      const body = this.sentence(about);
      const lines = [
        body,
        t('told.link', { link }),
        ...(nextMs === null ? [] : [`${t('told.take')} ${t('told.next', { at: f.time(nextMs) })}`]),
        t('told.why', name),
      ];
      return { subject: t('told.subject', name), body, text: lines.join('\n\n') };
    },
  };
}
