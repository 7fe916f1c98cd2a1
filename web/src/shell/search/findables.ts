/** What can be found, in the order in which it is shown. */
const FINDABLE_KINDS = [
  'page',
  'dough',
  'product',
  'route',
  'coldPlace',
  'person',
  // These come later than the rest: what is there already stays where it is.
  'lot',
  'manual',
] as const;

/** One thing that can be gone to. */
export interface Findable {
  readonly kind: (typeof FINDABLE_KINDS)[number];
  /** Address within the house, with a search of its own where that leads on. */
  readonly to: string;
  readonly name: string;
  /** Said beside the name. */
  readonly hint?: string;
  /** What it is found by beside its name and hint. */
  readonly text?: string;
}

/** Most of one kind that are shown at once. */
const MOST_OF_A_KIND = 6;

/** As it is typed in a hurry: no capitals, no accents. */
const plain = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();

/** How well a thing fits what was typed, 0 best; null where it does not. */
function fit({ name, hint = '', text = '' }: Findable, typed: readonly string[]): number | null {
  const shown = plain(`${name} ${hint}`);
  const all = `${shown} ${plain(text)}`;
  if (!typed.every((word) => all.includes(word))) return null;
  const [first = ''] = typed;
  if (shown.startsWith(first)) return 0;
  if (shown.split(/[\s,./()-]+/).some((word) => word.startsWith(first))) return 1;
  return shown.includes(first) ? 2 : 3;
}

/** What fits what was typed, by kind and then the best first. Nothing typed finds the pages alone. */
export function findAmong(all: readonly Findable[], typed: string): Findable[] {
  const words = plain(typed).split(/\s+/).filter(Boolean);
  if (words.length === 0) return all.filter(({ kind }) => kind === 'page');
  return FINDABLE_KINDS.flatMap((kind) =>
    all
      .filter((each) => each.kind === kind)
      .map((each) => ({ each, fits: fit(each, words) }))
      .filter(({ fits }) => fits !== null)
      .sort((a, b) => Number(a.fits) - Number(b.fits))
      .slice(0, MOST_OF_A_KIND)
      .map(({ each }) => each),
  );
}
