import { afterEach, describe, expect, it } from '@jest/globals';
import { houseServer } from '../../test-support/houseServer';
import { askOnce } from './earlyAnswers';

let server: Awaited<ReturnType<typeof houseServer>>;
afterEach(() => server.close());

const BOOK = '/api/v1/houses/yard/book';
const book = () => (globalThis as unknown as { houseAddress: string }).houseAddress + BOOK;
const asked = (answer: Response | null, atMs = Date.now()) =>
  Object.assign(globalThis, {
    calmEarly: { answers: new Map([[BOOK, Promise.resolve(answer)]]), atMs },
  });
const bodyOf = async (answer: Response) => (await answer.json()) as unknown;

describe('what the page asked for before its code was here', () => {
  it('is taken once; then it is asked for anew', async () => {
    server = await houseServer(() => ({ body: 'of now' }));
    asked(Response.json('of before'));
    expect(await bodyOf(await askOnce(book()))).toBe('of before');
    expect(await bodyOf(await askOnce(book()))).toBe('of now');
  });

  it('is asked for anew when it could not be had, or is of long ago', async () => {
    server = await houseServer(() => ({ body: 'of now' }));
    asked(null);
    expect(await bodyOf(await askOnce(book()))).toBe('of now');
    asked(Response.json('of before'), Date.now() - 60_000);
    expect(await bodyOf(await askOnce(book()))).toBe('of now');
  });

  it('leaves what is written alone, with its body', async () => {
    server = await houseServer(({ body }) => ({ status: 201, body }));
    asked(Response.json('of before'));
    const write = new Request(book(), {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ name: 'Yard dough' }),
    });
    expect(await bodyOf(await askOnce(write))).toEqual({ name: 'Yard dough' });
  });
});
