import type { RouteContent, RouteRecord } from '@calm/contract';
import { api } from './api';
import { recordWrites } from './recordWrites';

/** Adding, changing and removing routes. */
const routesApi = api.injectEndpoints({
  endpoints: (build) => {
    const routes = recordWrites<RouteContent, RouteRecord>(build, 'Route', ['Book'], 'routes');
    return { addRoute: routes.add, changeRoute: routes.change, removeRoute: routes.remove };
  },
});

export const { useAddRouteMutation, useChangeRouteMutation, useRemoveRouteMutation } = routesApi;
