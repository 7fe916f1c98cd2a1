const WORKER = '/offline.js';
/** What the page asked for from the house and what a device keeps of it: the worker decides which. */
const API = '/api/';

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
    .map(({ name }) => new URL(name))
    .filter(({ origin, pathname }) => origin === location.origin && pathname.startsWith(API))
    .map(({ pathname, search }) => pathname + search)
    .filter((address) => !address.endsWith('/live'));
  await keepPage();
  for (const address of new Set(asked)) await fetch(address).catch(() => undefined);
}

/** The page of every address, kept where the worker keeps it on later visits. */
async function keepPage(): Promise<void> {
  const page = await fetch('/', { headers: { accept: 'text/html' } }).catch(() => null);
  if (page?.ok) await (await caches.open('calm-pages')).put('/', page);
}
