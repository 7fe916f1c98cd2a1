import type { Formats } from './formats';

type Write = (f: Formats, value: number, decimals: number | undefined) => string;

/**
 * What a catalogue may ask for behind a number's name, as `{{tempC, temp(0)}}`: no sentence has a unit, a decimal
 * mark or a clock of its own.
 */
const WRITERS: Readonly<Record<string, Write>> = {
  temp: (f, c, decimals) => f.temperature(c, decimals),
  tempDifference: (f, deltaC, decimals) => f.apart(deltaC, decimals),
  grams: (f, g, decimals) => f.grams(g, decimals),
  kilograms: (f, kg, decimals) => f.kilograms(kg * 1000, decimals),
  hours: (f, h, decimals) => f.hours(h, decimals),
  minutes: (f, minutes) => f.duration(minutes),
  times: (f, ratio, decimals) => f.times(ratio, decimals),
  percent: (f, percent, decimals) => f.percent(percent, decimals),
  share: (f, share, decimals) => f.percent(share * 100, decimals ?? 0),
  litres: (f, litres, decimals) => f.litres(litres, decimals),
  energy: (f, kJ, decimals) => f.energy(kJ, decimals),
  number: (f, value, decimals) => f.plain(value, decimals ?? 2),
};

/** The formats that a catalogue may name; `counted(tray)` is a number with its noun in the right form. */
export const WORD_FORMATS: readonly string[] = [...Object.keys(WRITERS), 'counted'];

/**
 * How values stand in a catalogue's sentences: a formatter module of i18next.
 *
 * @param formats of whoever reads, at the moment of reading
 * @param counted a number with its noun, in languages that have more forms of it than one and many
 */
export const wordFormatter = (
  formats: () => Formats,
  counted: (noun: string, count: number) => string = (_noun, count) => formats().count(count),
) => ({
  type: 'formatter' as const,
  init: () => undefined,
  add: () => undefined,
  addCached: () => undefined,
  format(value: unknown, spec?: string): string {
    if (typeof value !== 'number') return String(value ?? '');
    const f = formats();
    const [, name = '', detail] = /^(\w+)(?:\((\w+)\))?$/.exec(spec ?? '') ?? [];
    if (name === 'counted') return counted(detail ?? '', value);
    const write = WRITERS[name];
    if (write) return write(f, value, detail === undefined ? undefined : Number(detail));
    return Number.isInteger(value) ? f.count(value) : f.plain(value, 2);
  },
});
