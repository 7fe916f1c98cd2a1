import type { RecordChange } from '@calm/contract';
import type { api, TAGS } from './api';

/** A record to be added to a shelf of a house. */
export interface Added<Content> {
  readonly house: string;
  readonly content: Content;
}

/** A record to be written over the version that was read. */
export interface Changed<Content> {
  readonly house: string;
  readonly id: string;
  readonly change: RecordChange<Content>;
}

/** A record to be taken away. */
export interface Removed {
  readonly house: string;
  readonly id: string;
}

type Build = Parameters<Parameters<typeof api.injectEndpoints>[0]['endpoints']>[0];

/**
 * The three writes of one shelf as endpoints: add, change, take away.
 *
 * @param at the shelf's address, and that of one of its records
 * @param touched what is read anew after each of them
 */
export function recordWrites<Content, Stored>(
  build: Build,
  at: (house: string, id?: string) => string,
  touched: readonly (typeof TAGS)[number][],
) {
  return {
    add: build.mutation<Stored, Added<Content>>({
      query: ({ house, content }) => ({ url: at(house), method: 'POST', body: content }),
      invalidatesTags: [...touched],
    }),
    change: build.mutation<Stored, Changed<Content>>({
      query: ({ house, id, change }) => ({ url: at(house, id), method: 'PUT', body: change }),
      invalidatesTags: [...touched],
    }),
    remove: build.mutation<Stored, Removed>({
      query: ({ house, id }) => ({ url: at(house, id), method: 'DELETE' }),
      invalidatesTags: [...touched],
    }),
  };
}
