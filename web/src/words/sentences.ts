import type { Words } from './catalogue';

/** Every sentence of a catalogue by its whole key. */
export function sentencesOf(words: Words, before = ''): Map<string, string> {
  return new Map(
    Object.entries(words).flatMap(([key, value]): [string, string][] =>
      typeof value === 'string'
        ? [[`${before}${key}`, value]]
        : [...sentencesOf(value, `${before}${key}.`)],
    ),
  );
}

/** A key without the ending that says which plural it is. */
export const withoutPlural = (key: string): string =>
  key.replace(/_(zero|one|two|few|many|other)$/, '');
