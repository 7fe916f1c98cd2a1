import { STOPS } from './spine/stops';

/** What a single key does. */
export type ShortcutId =
  `stop-${string}` | 'now' | 'quarter-back' | 'quarter-on' | 'hours-back' | 'hours-on' | 'help';

/** The keys before anybody changes them. */
const STANDARD_KEYS: readonly (readonly [ShortcutId, string])[] = [
  ...STOPS.map(({ path, digit }) => [`stop-${path}`, digit] as const),
  ['now', 'n'],
  ['quarter-back', '['],
  ['quarter-on', ']'],
  ['hours-back', '{'],
  ['hours-on', '}'],
  ['help', '?'],
];

/** Keys that somebody has put in place of the standard ones, on this device. */
export type OwnKeys = Readonly<Record<string, string>>;

/** Every shortcut with the key that it has. */
export const shortcutKeys = (own: OwnKeys): [ShortcutId, string][] =>
  STANDARD_KEYS.map(([id, key]) => [id, own[id] ?? key]);

/** What a key does; undefined when nothing. */
export const shortcutOf = (own: OwnKeys, key: string): ShortcutId | undefined =>
  shortcutKeys(own).find(([, each]) => each === key)?.[0];

/** One character that is no blank: what a shortcut can be. */
export const canBeShortcut = (key: string): boolean => /^\S$/u.test(key);

/** Gives a shortcut another key; whoever had it takes the old one. */
export function withKey(own: OwnKeys, id: ShortcutId, key: string): OwnKeys {
  const before = shortcutKeys(own).find(([each]) => each === id)?.[1] ?? '';
  const holder = shortcutOf(own, key);
  return { ...own, ...(holder && { [holder]: before }), [id]: key };
}
