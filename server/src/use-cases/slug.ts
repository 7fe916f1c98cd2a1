/** `Yard dough` → `yard-dough`; letters of any script become their plain Latin ones or go. */
export function slugOf(name: string): string {
  return name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 60);
}
