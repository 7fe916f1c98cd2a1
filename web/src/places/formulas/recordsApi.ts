import {
  routeRequest,
  type BookImport,
  type BookImportAnswer,
  type PantryItem,
  type Product,
  type ProductContent,
} from '@calm/contract';
import type { Ingredient } from '@calm/core';
import { api } from '../../state/api/api';
import { recordWrites } from '../../state/api/recordWrites';

/** Adding, changing and taking away what the book holds besides formulas and routes. */
const recordsApi = api.injectEndpoints({
  endpoints: (build) => {
    const products = recordWrites<ProductContent, Product>(build, 'Product', ['Book'], 'products');
    const pantry = recordWrites<Ingredient, PantryItem>(build, 'Ingredient', ['Book'], 'pantry');
    return {
      addProduct: products.add,
      changeProduct: products.change,
      removeProduct: products.remove,
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
  useAddItemMutation,
  useChangeItemMutation,
  useRemoveItemMutation,
  useImportBookMutation,
} = recordsApi;
