import {
  bookImportSchema,
  daysQuery,
  formulaChangeSchema,
  formulaStartSchema,
  ingredientSchema,
  loadChangeSchema,
  lossChangeSchema,
  lotStartSchema,
  markChangeSchema,
  noteChangeSchema,
  params,
  productSchema,
  routeSchema,
  settingsChangeSchema,
  withdrawChangeSchema,
} from '@calm/contract/schemas';
import { Router } from 'express';
import type { Clock } from '../clock';
import { listHouses, readBook } from '../store/house/houses';
import type { Database } from '../database/database';
import { findLot, readLots } from '../store/lots/lots';
import { pantryRepository } from '../store/book/pantry';
import { productRepository } from '../store/book/products';
import { routeRepository } from '../store/book/routes';
import { importBook } from '../use-cases/book/importBook';
import { shiftsBetween } from '../use-cases/demand/calendar';
import {
  changeLoad,
  changeLosses,
  changeMark,
  changeNote,
  withdrawLot,
} from '../use-cases/lots/changeLot';
import { changeSettings } from '../use-cases/house/changeSettings';
import { bookOf } from '../use-cases/book/losses';
import { learnedFrictions } from '../use-cases/book/frictions';
import { ok } from '../use-cases/result';
import { formulaVersions, saveFormula, startFormula } from '../use-cases/book/saveFormula';
import { startLot } from '../use-cases/lots/startLot';
import { addDays } from '@calm/domain';
import { accessRoutes } from './accessDoors';
import { coldRoutes } from './coldDoors';
import { demandRoutes } from './demandDoors';
import { defineRoute, noSuchRoute } from './door';
import { liveStream, tellsLive } from './liveDoor';
import type { LiveHub } from './liveHub';
import { planRoutes } from './planDoors';
import { recordRoutes } from './recordDoors';
import { repositoryRoutes } from './shelfDoors';
import { sameSiteOnly, authenticate } from './who';

/** Every door of /api/v1, in dough's order. */
export function apiRouter(db: Database, clock: Clock, live: LiveHub): Router {
  const api = Router();
  api.use(sameSiteOnly);
  api.use('/houses/:house', authenticate(db, clock), tellsLive(live));
  api.get('/houses/:house/live', liveStream(db, live));

  api.get('/clock', (_req, res) => {
    res.json(clock.reading());
  });
  api.get('/houses', async (_req, res) => {
    res.json(await listHouses(db));
  });
  api.put(
    '/houses/:house/settings',
    defineRoute(db, {
      needs: 'book',
      body: settingsChangeSchema,
      run: ({ scope, house, body }) => changeSettings(scope, house, body),
    }),
  );
  api.get(
    '/houses/:house/book',
    defineRoute(db, {
      needs: 'see',
      run: async ({ scope, house }) => ok(await bookOf(scope, house)),
    }),
  );
  api.post(
    '/houses/:house/formulas',
    defineRoute(db, {
      needs: 'book',
      body: formulaStartSchema,
      status: 201,
      run: ({ scope, body }) => startFormula(scope, body, clock.now()),
    }),
  );
  api.put(
    '/houses/:house/formulas/:formula',
    defineRoute(db, {
      needs: 'book',
      params: params.formula,
      body: formulaChangeSchema,
      run: ({ scope, params: { formula }, body }) => saveFormula(scope, formula, body, clock.now()),
    }),
  );
  api.get(
    '/houses/:house/formulas/:formula/versions',
    defineRoute(db, {
      needs: 'see',
      params: params.formula,
      run: ({ scope, params: { formula } }) => formulaVersions(scope, formula),
    }),
  );
  api.post(
    '/houses/:house/imports',
    defineRoute(db, {
      needs: 'book',
      body: bookImportSchema,
      run: ({ scope, body }) => importBook(scope, body, clock.now()),
    }),
  );
  accessRoutes(api, db);
  demandRoutes(api, db, clock);
  planRoutes(api, db, clock);
  recordRoutes(api, db);
  coldRoutes(api, db, clock);
  repositoryRoutes(api, db, 'products', 'book', productRepository, productSchema);
  repositoryRoutes(api, db, 'routes', 'book', routeRepository, routeSchema);
  repositoryRoutes(api, db, 'pantry', 'book', pantryRepository, ingredientSchema);
  api.get(
    '/houses/:house/shifts',
    defineRoute(db, {
      needs: 'see',
      query: daysQuery,
      run: async ({ scope, house, query }) =>
        ok(await shiftsBetween(scope, house, query.from, query.days)),
    }),
  );
  api.get(
    '/houses/:house/mixers/frictions',
    defineRoute(db, {
      needs: 'see',
      run: async ({ scope, house }) => {
        const { mixers } = await readBook(scope, house);
        const setC = (id: string) => mixers.find((m) => m.id === id)?.frictionC ?? 0;
        return ok(await learnedFrictions(scope, setC));
      },
    }),
  );
  api.get(
    '/houses/:house/lots',
    defineRoute(db, {
      needs: 'see',
      query: daysQuery,
      run: async ({ scope, query }) =>
        ok(await readLots(scope, query.from, addDays(query.from, query.days - 1))),
    }),
  );
  api.post(
    '/houses/:house/lots',
    defineRoute(db, {
      needs: 'make',
      body: lotStartSchema,
      status: 201,
      run: ({ scope, house, body }) => startLot(scope, house, body, clock.now()),
    }),
  );
  api.get(
    '/houses/:house/lots/:lot',
    defineRoute(db, {
      needs: 'see',
      params: params.lot,
      run: async ({ scope, params: { lot } }) => {
        const found = await findLot(scope, lot);
        return found ? ok(found) : { kind: 'not-found', what: 'lot' };
      },
    }),
  );
  api.put(
    '/houses/:house/lots/:lot/note',
    defineRoute(db, {
      needs: 'make',
      params: params.lot,
      body: noteChangeSchema,
      run: ({ scope, params: { lot }, body }) => changeNote(scope, lot, body),
    }),
  );
  api.put(
    '/houses/:house/lots/:lot/losses',
    defineRoute(db, {
      needs: 'make',
      params: params.lot,
      body: lossChangeSchema,
      run: ({ scope, params: { lot }, body }) => changeLosses(scope, lot, body),
    }),
  );
  api.put(
    '/houses/:house/lots/:lot/withdrawn',
    defineRoute(db, {
      needs: 'make',
      params: params.lot,
      body: withdrawChangeSchema,
      run: ({ scope, params: { lot }, body }) => withdrawLot(scope, lot, body),
    }),
  );
  api.put(
    '/houses/:house/lots/:lot/loads/:number',
    defineRoute(db, {
      needs: 'make',
      params: params.load,
      body: loadChangeSchema,
      run: ({ scope, params: { lot, number }, body }) => changeLoad(scope, lot, number, body),
    }),
  );
  api.put(
    '/houses/:house/lots/:lot/marks/:loadNumber/:stepKey',
    defineRoute(db, {
      needs: 'mark',
      params: params.mark,
      body: markChangeSchema,
      run: ({ scope, params: { lot, loadNumber, stepKey }, body }) =>
        changeMark(scope, lot, { loadNumber, stepKey }, body, clock.now()),
    }),
  );
  api.use(noSuchRoute);
  return api;
}
