/*
 * What is kept on this device between visits. Whatever is read was written by some version of this
 * application, by another page or by hand: nothing is believed before it has been checked.
 */

/** Something kept on this device under one key. */
export interface DeviceStorage<Value> {
  readonly key: string;
  /** What is kept; the standard when nothing is, or when it is of no shape we know. */
  read(): Value;
  /** A device without storage works on; it only forgets on reload. */
  write(value: Value): void;
}

/**
 * A validated place in the browser's storage.
 *
 * @param key under which it is kept
 * @param standard what it is until something is written
 * @param parse gives back the value in today's shape, from earlier shapes too; null when it is none
 */
export function deviceStorage<Value>(
  key: string,
  standard: Value,
  parse: (stored: unknown) => Value | null,
): DeviceStorage<Value> {
  return {
    key,
    read() {
      try {
        const text = localStorage.getItem(key);
        return text === null ? standard : (parse(JSON.parse(text)) ?? standard);
      } catch {
        return standard;
      }
    },
    write(value) {
      try {
        const text = JSON.stringify(value);
        if (text !== localStorage.getItem(key)) localStorage.setItem(key, text);
      } catch {
        // Full, or forbidden by the browser's settings.
      }
    },
  };
}

/** A plain object, neither null nor a list. */
export const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A number that can be reckoned with. */
export const isFiniteNumber = (value: unknown): value is number => Number.isFinite(value);

/** One of some words. */
export const isOneOf = <Word extends string>(
  words: readonly Word[],
  value: unknown,
): value is Word => (words as readonly unknown[]).includes(value);
