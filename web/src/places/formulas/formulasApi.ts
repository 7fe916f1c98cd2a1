import {
  routeRequest,
  paths,
  type FormulaChange,
  type FormulaRecord,
  type FormulaStart,
  type FormulaVersion,
} from '@calm/contract';
import { api, keepInBook } from '../../state/api/api';

const formulasApi = api.injectEndpoints({
  endpoints: (build) => ({
    formulaVersions: build.query<FormulaVersion[], { house: string; slug: string }>({
      query: ({ house, slug }) => paths.formulaVersions(house, slug),
      providesTags: ['Versions'],
    }),
    saveFormula: build.mutation<
      FormulaRecord,
      { house: string; slug: string; change: FormulaChange }
    >({
      query: ({ house, slug, change }) => routeRequest('saveFormula', [house, slug], change),
      onQueryStarted: (sent, request) => keepInBook('formulas', sent, request),
      invalidatesTags: ['Book', 'Versions'],
    }),
    startFormula: build.mutation<FormulaRecord, { house: string; start: FormulaStart }>({
      query: ({ house, start }) => routeRequest('startFormula', [house], start),
      onQueryStarted: (sent, request) => keepInBook('formulas', sent, request),
      invalidatesTags: ['Book', 'Versions'],
    }),
  }),
});

export const { useFormulaVersionsQuery, useSaveFormulaMutation, useStartFormulaMutation } =
  formulasApi;
