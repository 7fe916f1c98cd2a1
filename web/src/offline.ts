const WORKER = '/offline.js';

/** Where the worker keeps the page of every address. */
export const PAGE_CACHE = 'calm-pages';

/** Where it keeps the last answers of the house. */
export const BOARD_CACHE = 'calm-board';

/** The header by which the worker marks an answer that the device had kept. */
export const KEPT_MARK = 'calm-kept';

/** What a shift board is made of: its last answers stay on the device. */
export const KEPT_ANSWERS =
  /\/api\/v1\/houses\/[^/]+\/(book|services|shifts|lots|records|plan|handovers|cold|forecast|practice|mixers\/frictions)(?=[/?]|$)/;

/**
 * Without a network a tablet keeps its pages, its board, and what is done on it. A worker stands between page
 * and network for that; on the first visit it comes too late to see what the page is made of, so the page asks
 * once more through it.
 */
export async function workOffline(): Promise<void> {
  const workers = navigator.serviceWorker;
  const isFirstVisit = !workers.controller;
  void workers.register(WORKER);
  if (!isFirstVisit) return;
  await new Promise<void>((resolve) => {
    workers.addEventListener('controllerchange', () => resolve(), { once: true });
  });
  const asked = performance
    .getEntriesByType('resource')
    .map(({ name }) => name)
    .filter((address) => KEPT_ANSWERS.test(address));
  await keepPage();
  for (const address of new Set(asked)) await fetch(address).catch(() => undefined);
}

/** The page of every address, kept where the worker keeps it on later visits. */
async function keepPage(): Promise<void> {
  const page = await fetch('/', { headers: { accept: 'text/html' } }).catch(() => null);
  if (page?.ok) await (await caches.open(PAGE_CACHE)).put('/', page);
}
