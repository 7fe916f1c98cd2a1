import { afterEach, describe, expect, it } from '@jest/globals';
import { act } from '@testing-library/react';
import { houseServer, problem, type Answer } from '../../test-support/houseServer';
import { makeStore } from '../store';
import { api } from './api';

let server: Awaited<ReturnType<typeof houseServer>>;
afterEach(() => server.close());

const writes = api.injectEndpoints({
  endpoints: (build) => ({
    noted: build.mutation<unknown, string>({
      query: (note) => ({ url: '/api/v1/houses/yard/events', method: 'POST', body: { note } }),
    }),
  }),
});

/** Presses of somebody, and the keys under which the house got them. */
async function presses(answers: readonly (Answer | null)[], notes: readonly string[]) {
  let n = 0;
  server = await houseServer(() => {
    const answer = answers[n];
    n += 1;
    return answer === undefined ? { status: 201, body: {} } : answer;
  });
  const store = makeStore();
  for (const note of notes) await act(() => store.dispatch(writes.endpoints.noted.initiate(note)));
  return server.writes().map(({ headers }) => String(headers['idempotency-key']));
}

describe('a write', () => {
  it('whose answer was lost goes under the same key when it is pressed again', async () => {
    const keys = await presses(
      [null, { status: 502, html: '<h1>Gateway</h1>' }],
      ['A', 'A', 'A', 'A'],
    );
    expect(keys).toHaveLength(4);
    expect(new Set(keys.slice(0, 3)).size).toBe(1);
    // That one was answered: the same again is another.
    expect(keys[3]).not.toBe(keys[0]);
    expect(keys[0]).toMatch(/^[0-9a-f-]{36}$/);
  });

  it('that was answered, or says something else, goes under another', async () => {
    const keys = await presses([null, problem('stale', 409), null], ['A', 'B', 'B', 'A']);
    expect(new Set(keys).size).toBe(3);
    expect(keys[3]).toBe(keys[0]);
  });
});
