import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Store } from '../store';
import { allKept, loaded, notKept, parseItem, type OutboxItem } from './outbox';

/** What is kept of an item: it, and its place in the row. */
interface KeptItem {
  readonly item: OutboxItem;
  readonly place: number;
}

interface OutboxSchema extends DBSchema {
  readonly outbox: { readonly key: string; readonly value: KeptItem };
}
type OutboxDatabase = IDBPDatabase<OutboxSchema>;

const NAME = 'calm-tray';
const TABLE = 'outbox';
/** Where earlier versions kept it. */
const EARLIER_KEY = 'calm-tray.outbox';
/** What could not be kept is tried again after so long, ms: somebody may have made room. */
const AGAIN_MS = 5000;

const open = async (): Promise<OutboxDatabase> =>
  openDB<OutboxSchema>(NAME, 1, {
    upgrade: (db) => void db.createObjectStore(TABLE, { keyPath: 'item.id' }),
  });

/**
 * Brings what is kept on this device into the store, and keeps there what is done from then on, until it is in
 * the house. Pages of one device share it. What cannot be kept is said to be so, and leaving the page asks first.
 *
 * @returns how to stop
 */
export async function keepOutbox(store: Store): Promise<() => void> {
  const db = await open().catch(() => null);
  const pages = new BroadcastChannel(`${NAME}.${TABLE}`);
  /** As it stands in the database, as far as this page knows. */
  let kept = new Map<string, OutboxItem>();
  let place = 0;
  let working: Promise<void> = Promise.resolve();
  let again = 0;

  const load = async () => {
    if (!db) return;
    const rows = (await db.getAll(TABLE)).sort((a, b) => a.place - b.place);
    place = Math.max(place, ...rows.map((row) => row.place));
    const items = rows.map(({ item }) => parseItem(item)).filter((item) => item !== null);
    const own = store.getState().outbox.items.filter(({ id }) => !kept.has(id));
    kept = new Map(items.map((item) => [item.id, item]));
    const missing = own.filter(({ id }) => !kept.has(id));
    store.dispatch(loaded([...items, ...missing]));
  };

  const write = async () => {
    const { items } = store.getState().outbox;
    const changed = items.filter((item) => kept.get(item.id) !== item);
    const gone = [...kept.keys()].filter((id) => !items.some((item) => item.id === id));
    const sayKept = () => {
      if (store.getState().outbox.isUnkept) store.dispatch(allKept());
    };
    // Also when what had no room has gone to the house meanwhile.
    if (changed.length + gone.length === 0) return sayKept();
    try {
      if (!db) throw new Error('this browser keeps nothing');
      await writeAll(db, changed, gone, () => (place += 1));
      kept = new Map(items.map((item) => [item.id, item]));
      pages.postMessage('changed');
      sayKept();
    } catch {
      if (changed.length > 0) store.dispatch(notKept());
      clearTimeout(again);
      again = window.setTimeout(queue, AGAIN_MS);
    }
  };
  const queue = () => {
    working = working.then(write);
  };
  const stay = (leaving: BeforeUnloadEvent) => {
    if (store.getState().outbox.isUnkept) leaving.preventDefault();
  };

  await load();
  for (const item of earlierItems())
    store.dispatch(loaded([...store.getState().outbox.items, item]));
  await write();
  if (!store.getState().outbox.isUnkept) forgetEarlier();

  let before = store.getState().outbox.items;
  const unsubscribe = store.subscribe(() => {
    const { items } = store.getState().outbox;
    if (items === before) return;
    if (items.length > before.length) askToKeep();
    before = items;
    queue();
  });
  pages.onmessage = () => {
    working = working.then(load);
  };
  window.addEventListener('beforeunload', stay);
  return () => {
    unsubscribe();
    clearTimeout(again);
    window.removeEventListener('beforeunload', stay);
    pages.close();
    db?.close();
  };
}

/** All of it, or nothing; and on the disk before it counts. */
async function writeAll(
  db: OutboxDatabase,
  changed: readonly OutboxItem[],
  gone: readonly string[],
  nextPlace: () => number,
): Promise<void> {
  const tx = db.transaction(TABLE, 'readwrite', { durability: 'strict' });
  const all = changed.map(async (item) => {
    const there = await tx.store.get(item.id);
    await tx.store.put({ item, place: there?.place ?? nextPlace() });
  });
  await Promise.all([...all, ...gone.map((id) => tx.store.delete(id)), tx.done]);
}

/** Asks the browser not to make room at the cost of what waits here. */
function askToKeep(): void {
  void navigator.storage?.persist?.().catch(() => false);
}

/** What an earlier version kept elsewhere. */
function earlierItems(): OutboxItem[] {
  try {
    const stored: unknown = JSON.parse(localStorage.getItem(EARLIER_KEY) ?? '[]');
    return Array.isArray(stored) ? stored.map(parseItem).filter((item) => item !== null) : [];
  } catch {
    return [];
  }
}

function forgetEarlier(): void {
  try {
    localStorage.removeItem(EARLIER_KEY);
  } catch {
    // Forbidden by the browser's settings: then nothing was kept there either.
  }
}
