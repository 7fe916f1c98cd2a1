import {
  routeRequest,
  type BookImport,
  type BookImportAnswer,
  type PantryItem,
  type Product,
  type ProductContent,
  type RouteContent,
  type RouteRecord,
} from '@calm/contract';
import type { Ingredient } from '@calm/core';
import { api } from '../../state/api/api';
import { recordWrites } from '../../state/api/recordWrites';

/** Adding, changing and taking away what the book holds besides formulas. */
const recordsApi = api.injectEndpoints({
  endpoints: (build) => {
    const products = recordWrites<ProductContent, Product>(build, 'Product', ['Book'], 'products');
    const routes = recordWrites<RouteContent, RouteRecord>(build, 'Route', ['Book'], 'routes');
    const pantry = recordWrites<Ingredient, PantryItem>(build, 'Ingredient', ['Book'], 'pantry');
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
      importBook: build.mutation<BookImportAnswer, { house: string; imported: BookImport }>({
        query: ({ house, imported }) => routeRequest('importBook', [house], imported),
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
