import { TILDE as ME } from '../../test-support/session';
import { afterEach, describe, expect, it } from '@jest/globals';
import { act, waitFor } from '@testing-library/react';
import { houseServer, problem, type Answer, type Got } from '../../test-support/houseServer';
import { renderHookInApp } from '../../test-support/render';
import { makeStore } from '../store';
import { useDelivery } from './useDelivery';
import { insistedOn, useOutboxItems, useWaiting } from './useOutboxItems';
import { sendOutboxItem } from './sendOutboxItem';
import { api } from '../api/api';
import { confirmed, posted, type OutboxItem } from './outbox';

const START = {
  id: '00000000-0000-4000-8000-000000000009',
  content: { kind: 'said', note: 'Smooth' },
} as const;

let server: Awaited<ReturnType<typeof houseServer>>;
afterEach(() => server.close());

const session = (got: Got): Answer | undefined =>
  got.path.endsWith('/session') ? { body: ME } : undefined;

/** A device on which Tilde is signed in, with its outbox. */
async function device(answer: (got: Got) => Answer) {
  server = await houseServer((got) => session(got) ?? answer(got));
  const store = makeStore();
  const hook = renderHookInApp(
    () => {
      useDelivery('yard');
      return { post: useOutboxItems('yard'), waiting: useWaiting('yard') };
    },
    { store },
  );
  await waitFor(() => expect(server.got.some(({ path }) => path.endsWith('/session'))).toBe(true));
  await act(async () => {
    await new Promise((resolve) => setTimeout(resolve, 50));
  });
  const say = (note: string, id: string = START.id) =>
    act(() =>
      hook.result.current.post(
        { kind: 'record', lotId: 'a-lot', start: { id, content: { ...START.content, note } } },
        note,
      ),
    );
  return { store, say, waiting: () => hook.result.current.waiting };
}

describe('the outbox', () => {
  it('sends what was done, under a key of its own and with when it was, and empties', async () => {
    const { say, waiting } = await device(({ body }) => ({ status: 201, body }));
    say('Smooth');
    expect(waiting()).toHaveLength(1);
    const [{ id, at } = { id: '', at: '' }] = waiting();
    await waitFor(() => expect(waiting()).toHaveLength(0));
    const [sent] = server.writes();
    expect(sent).toMatchObject({
      method: 'POST',
      path: '/api/v1/houses/yard/lots/a-lot/records',
      body: { ...START, at },
    });
    expect(sent?.headers['idempotency-key']).toBe(id);
  });

  it('sends one after the other, oldest first', async () => {
    const { say, waiting } = await device(({ body }) => ({ status: 201, body }));
    for (const [i, note] of ['One', 'Two', 'Three'].entries())
      say(note, `${START.id.slice(0, -1)}${i}`);
    await waitFor(() => expect(waiting()).toHaveLength(0));
    const notes = server
      .writes()
      .map(({ body }) => (body as { content: { note: string } }).content.note);
    expect(notes).toEqual(['One', 'Two', 'Three']);
  });

  it('keeps what the house would not have, with its reason, until somebody has looked', async () => {
    const { say, waiting } = await device(() => problem('not-found', 404) as Answer);
    say('Gone');
    await waitFor(() => expect(waiting()[0]?.refusal?.type).toBe('/problems/not-found'));
    expect(server.writes()).toHaveLength(1);
  });

  it('leaves what was done on the pages that show it, also between being sent and being asked for', async () => {
    const { store, say, waiting } = await device(({ method, body, path }) => {
      if (method === 'POST') return { status: 201, body: { ...(body as object), lotId: 'a-lot' } };
      const isFirst = path.endsWith('/log/YR-1') && server.writes().length === 0;
      return isFirst ? { body: { lot: { id: 'a-lot' }, records: [] } } : null;
    });
    const opened = { house: 'yard', lotOrCode: 'YR-1' };
    await act(async () => store.dispatch(api.endpoints.lotLog.initiate(opened)));
    const seen: number[] = [];
    const stop = store.subscribe(() => {
      const { data } = api.endpoints.lotLog.select(opened)(store.getState());
      seen.push((data?.records.length ?? 0) + store.getState().outbox.items.length);
    });
    say('Smooth');
    await waitFor(() => expect(waiting()).toHaveLength(0));
    stop();
    expect(Math.min(...seen.slice(seen.indexOf(1)))).toBeGreaterThan(0);
  });

  it('waits while the house cannot be reached, tries again, and sends it once', async () => {
    let isUp = false;
    const { store, say, waiting } = await device(({ body }) =>
      isUp ? { status: 201, body } : null,
    );
    say('Late');
    await waitFor(() => expect(store.getState().outbox.isCutOff).toBe(true));
    expect(waiting()).toHaveLength(1);
    isUp = true;
    act(() => void window.dispatchEvent(new Event('online')));
    await waitFor(() => expect(waiting()).toHaveLength(0));
    expect(store.getState().outbox.isCutOff).toBe(false);
    const keys = server.writes().map(({ headers }) => headers['idempotency-key']);
    expect(new Set(keys).size).toBe(1);
  });

  it('is not sent in a later signing in until whoever did it says so', async () => {
    const { store, say, waiting } = await device(({ body }) => ({ status: 201, body }));
    const item: OutboxItem = {
      id: '00000000-0000-4000-8000-000000000077',
      house: 'yard',
      personId: ME.personId,
      sessionId: 'yesterday',
      at: '2026-11-24T20:00:00.000Z',
      words: 'Handed over',
      command: { kind: 'handover', start: { lines: [], note: 'All well' } },
      refusal: null,
    };
    act(() => void store.dispatch(posted(item)));
    say('Smooth');
    await waitFor(() => expect(waiting()).toEqual([item]));
    expect(server.writes().map(({ path }) => path)).toEqual([expect.stringContaining('records')]);
    act(() => void store.dispatch(confirmed({ ids: [item.id], sessionId: ME.id })));
    await waitFor(() => expect(waiting()).toHaveLength(0));
    expect(server.writes()).toHaveLength(2);
  });
});

describe('sending one item', () => {
  const mark = (change: object): OutboxItem => ({
    id: '00000000-0000-4000-8000-000000000001',
    house: 'yard',
    personId: 'tilde',
    sessionId: ME.id,
    at: '2026-11-25T14:40:00.000Z',
    words: 'Mix',
    refusal: null,
    command: {
      kind: 'mark',
      lotId: 'a-lot',
      loadNumber: 1,
      stepKey: 'mix',
      change: { version: 0, ...change },
    },
  });
  const theirs = {
    doneAt: '2026-11-25T14:39:00.000Z',
    skippedWhy: null,
    startedAt: null,
    version: 1,
  };

  it.each([
    [201, 'taken'],
    [401, 'signed-out'],
    [403, 'refused'],
    [409, 'refused'],
    [429, 'later'],
    [503, 'later'],
  ])('answered with %s is %s', async (status, kind) => {
    server = await houseServer(() =>
      status < 300 ? { status, body: {} } : (problem('some-kind', status) as Answer),
    );
    expect((await sendOutboxItem(mark({ extraMin: 2 }))).kind).toBe(kind);
    expect(server.got[0]).toMatchObject({
      method: 'PUT',
      path: '/api/v1/houses/yard/lots/a-lot/marks/1/mix',
      body: { version: 0, extraMin: 2 },
    });
  });

  it.each([401, 403, 404, 502])(
    'answered with a page of a proxy and %s is sent again later: that is not the house',
    async (status) => {
      server = await houseServer(() => ({ status, html: '<h1>Portal</h1>' }));
      expect((await sendOutboxItem(mark({ extraMin: 2 }))).kind).toBe('later');
    },
  );

  it.each([
    [{ isDone: true }, 'taken'],
    [{ isDone: false }, 'refused'],
    [{ skippedWhy: 'No flour' }, 'refused'],
    [{ extraMin: 2 }, 'refused'],
  ])('%j, when somebody has ticked it meanwhile, is %s', async (change, kind) => {
    server = await houseServer(() => problem('stale', 409, { current: theirs }));
    expect((await sendOutboxItem(mark(change))).kind).toBe(kind);
  });

  it('over what the house has now carries its version, under a new key', async () => {
    server = await houseServer(() => problem('stale', 409, { current: { ...theirs, version: 4 } }));
    const item = mark({ extraMin: 2 });
    const sent = await sendOutboxItem(item);
    if (sent.kind !== 'refused') throw new Error('it is refused');
    const again = insistedOn({ ...item, refusal: sent.refusal });
    expect(again).toMatchObject({
      refusal: null,
      command: { change: { version: 4, extraMin: 2 } },
    });
    expect(again.id).not.toBe(item.id);
  });
});
