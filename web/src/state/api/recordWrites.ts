import { collectionRequests, type CollectionName, type RecordChange } from '@calm/contract';
import { keepInBook, type api, type BookCollection, type TAGS } from './api';

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
 * The three writes of one collection as endpoints: add, change, delete.
 *
 * @param name the collection's, as in the route table
 * @param touched what is read again after each of them
 * @param bookCollection where the book at hand shows what was written before it is read again
 */
export function recordWrites<Content, Stored>(
  build: Build,
  name: CollectionName,
  touched: readonly (typeof TAGS)[number][],
  bookCollection: BookCollection | null = null,
) {
  const onQueryStarted = (
    sent: { readonly house: string },
    request: Parameters<typeof keepInBook>[2],
  ): Promise<void> =>
    bookCollection ? keepInBook(bookCollection, sent, request) : Promise.resolve();
  const requests = collectionRequests(name);
  return {
    add: build.mutation<Stored, Added<Content>>({
      query: ({ house, content }) => requests.add(house, content),
      onQueryStarted,
      invalidatesTags: [...touched],
    }),
    change: build.mutation<Stored, Changed<Content>>({
      query: ({ house, id, change }) => requests.change(house, id, change),
      onQueryStarted,
      invalidatesTags: [...touched],
    }),
    remove: build.mutation<Stored, Removed>({
      query: ({ house, id }) => requests.remove(house, id),
      invalidatesTags: [...touched],
    }),
  };
}
