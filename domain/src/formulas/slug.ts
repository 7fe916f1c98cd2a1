/** Parts of an address that are pages of their own. */
const TAKEN_BY_PAGES = new Set(['routes', 'pantry']);

/** `Yard dough` → `yard-dough`; letters of any script become their plain Latin ones or go. */
export function slugOf(name: string): string {
  const plain = name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 55);
  return TAKEN_BY_PAGES.has(plain) ? `${plain}-1` : plain;
}
