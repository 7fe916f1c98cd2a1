import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { waitFor } from '@testing-library/react';
import { IDBFactory, IDBObjectStore } from 'fake-indexeddb';
import { makeStore } from '../store';
import { delivered, posted, type OutboxItem } from './outbox';
import { keepOutbox } from './outboxStorage';

const item = (id: string, more: Partial<OutboxItem> = {}): OutboxItem => ({
  id,
  house: 'yard',
  personId: 'tilde',
  sessionId: 'this-morning',
  at: '2026-11-25T14:40:00.000Z',
  words: `Done ${id}`,
  command: { kind: 'handover', start: { lines: [], note: id } },
  refusal: null,
  ...more,
});

/** Pages that a test has opened. */
let open: (() => void)[] = [];
beforeEach(() => {
  globalThis.indexedDB = new IDBFactory();
});
afterEach(() => {
  open.forEach((close) => close());
  open = [];
});

/** A page of the device, with what is kept there. */
async function page() {
  const store = makeStore();
  open.push(await keepOutbox(store));
  return store;
}
const idsOf = (store: ReturnType<typeof makeStore>) =>
  store.getState().outbox.items.map(({ id }) => id);
/** What a page that is opened now finds. */
const foundAnew = async () => idsOf(await page());

describe('what was done on a device', () => {
  it('outlives a reload, in its order, until the house has it', async () => {
    const store = await page();
    for (const id of ['b', 'a', 'c']) store.dispatch(posted(item(id)));
    await waitFor(async () => expect(await foundAnew()).toEqual(['b', 'a', 'c']));
    store.dispatch(delivered('a'));
    await waitFor(async () => expect(await foundAnew()).toEqual(['b', 'c']));
  });

  it('is one for all its pages', async () => {
    const [one, other] = [await page(), await page()];
    one.dispatch(posted(item('a')));
    await waitFor(() => expect(idsOf(other)).toEqual(['a']));
    other.dispatch(posted(item('b')));
    await waitFor(() => expect(idsOf(one)).toEqual(['a', 'b']));
    one.dispatch(delivered('a'));
    await waitFor(() => expect(idsOf(other)).toEqual(['b']));
  });

  it('is taken over from where earlier versions kept it, once', async () => {
    const { sessionId: _s, command, ...earlier } = item('a');
    const stored = [
      { ...earlier, deed: command },
      { ...earlier, id: 'b', command },
      { ...earlier, id: 'c', deed: { kind: 'something else' } },
      'nonsense',
    ];
    localStorage.setItem('calm-tray.outbox', JSON.stringify(stored));
    const store = await page();
    expect(store.getState().outbox.items).toEqual([
      item('a', { sessionId: '' }),
      item('b', { sessionId: '', words: 'Done a', command }),
    ]);
    expect(localStorage.getItem('calm-tray.outbox')).toBeNull();
    expect(await foundAnew()).toEqual(['a', 'b']);
  });

  it('is said not to be kept when there is no room, stays on the page, and is kept once there is', async () => {
    const store = await page();
    const { put } = IDBObjectStore.prototype;
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('No room', 'QuotaExceededError');
    };
    store.dispatch(posted(item('a')));
    await waitFor(() => expect(store.getState().outbox.isUnkept).toBe(true));
    expect(idsOf(store)).toEqual(['a']);
    const leaving = new Event('beforeunload', { cancelable: true });
    window.dispatchEvent(leaving);
    expect(leaving.defaultPrevented).toBe(true);
    store.dispatch(delivered('a'));
    await waitFor(() => expect(store.getState().outbox.isUnkept).toBe(false));
    store.dispatch(posted(item('a')));
    await waitFor(() => expect(store.getState().outbox.isUnkept).toBe(true));
    IDBObjectStore.prototype.put = put;
    store.dispatch(posted(item('b')));
    await waitFor(() => expect(store.getState().outbox.isUnkept).toBe(false));
    expect(await foundAnew()).toEqual(['a', 'b']);
  });

  it('is not kept by a browser that keeps nothing, and that is said', async () => {
    globalThis.indexedDB = {
      open: () => {
        throw new DOMException('', 'SecurityError');
      },
    } as never;
    const store = await page();
    store.dispatch(posted(item('a')));
    await waitFor(() => expect(store.getState().outbox.isUnkept).toBe(true));
  });
});
