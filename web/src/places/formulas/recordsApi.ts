import {
  paths,
  type BookImport,
  type PantryItem,
  type Product,
  type ProductContent,
  type RouteContent,
  type RouteRecord,
} from '@calm/contract';
import type { Ingredient } from '@calm/core';
import { api, keepInBook } from '../../state/api/api';
import type { Added, Changed, Removed } from '../../state/api/recordWrites';

/** Adding, changing and taking away what the book holds besides formulas. */
const recordsApi = api.injectEndpoints({
  endpoints: (build) => {
    const collection = <Content, Stored>(
      name: 'products' | 'routes' | 'pantry',
      at: (house: string, id?: string) => string,
    ) => ({
      add: build.mutation<Stored, Added<Content>>({
        query: ({ house, content }) => ({ url: at(house), method: 'POST', body: content }),
        onQueryStarted: (sent, request) => keepInBook(name, sent, request),
        invalidatesTags: ['Book'],
      }),
      change: build.mutation<Stored, Changed<Content>>({
        query: ({ house, id, change }) => ({ url: at(house, id), method: 'PUT', body: change }),
        onQueryStarted: (sent, request) => keepInBook(name, sent, request),
        invalidatesTags: ['Book'],
      }),
      remove: build.mutation<Stored, Removed>({
        query: ({ house, id }) => ({ url: at(house, id), method: 'DELETE' }),
        invalidatesTags: ['Book'],
      }),
    });
    const products = collection<ProductContent, Product>('products', paths.products);
    const routes = collection<RouteContent, RouteRecord>('routes', paths.routes);
    const pantry = collection<Ingredient, PantryItem>('pantry', paths.pantry);
    return {
      addProduct: products.add,
      changeProduct: products.change,
      removeProduct: products.remove,
      addRoute: routes.add,
      changeRoute: routes.change,
      removeRoute: routes.remove,
      addItem: pantry.add,
      changeItem: pantry.change,
      removeItem: pantry.remove,
      importBook: build.mutation<
        { formulas: { slug: string; version: number }[]; routes: RouteRecord[] },
        { house: string; imported: BookImport }
      >({
        query: ({ house, imported }) => ({
          url: paths.imports(house),
          method: 'POST',
          body: imported,
        }),
        invalidatesTags: ['Book', 'Versions'],
      }),
    };
  },
});

export const {
  useAddProductMutation,
  useChangeProductMutation,
  useRemoveProductMutation,
  useAddRouteMutation,
  useChangeRouteMutation,
  useRemoveRouteMutation,
  useAddItemMutation,
  useChangeItemMutation,
  useRemoveItemMutation,
  useImportBookMutation,
} = recordsApi;
