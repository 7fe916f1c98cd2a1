import {
  broughtInSchema,
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
import { pantryShelf } from '../store/book/pantry';
import { productShelf } from '../store/book/products';
import { routeShelf } from '../store/book/routes';
import { bringIn } from '../use-cases/book/importBook';
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
import { done } from '../use-cases/result';
import { formulaVersions, saveFormula, startFormula } from '../use-cases/book/saveFormula';
import { startLot } from '../use-cases/lots/startLot';
import { addDays } from '@calm/domain';
import { accessDoors } from './accessDoors';
import { coldDoors } from './coldDoors';
import { demandDoors } from './demandDoors';
import { houseDoor, noSuchDoor } from './door';
import { liveDoor, tellsLive } from './liveDoor';
import type { LiveHub } from './liveHub';
import { planDoors } from './planDoors';
import { recordDoors } from './recordDoors';
import { shelfDoors } from './shelfDoors';
import { sameSiteOnly, whoAsks } from './who';

/** Every door of /api/v1, in dough's order. */
export function apiRouter(db: Database, clock: Clock, live: LiveHub): Router {
  const api = Router();
  api.use(sameSiteOnly);
  api.use('/houses/:house', whoAsks(db, clock), tellsLive(live));
  api.get('/houses/:house/live', liveDoor(db, live));

  api.get('/clock', (_req, res) => {
    res.json(clock.reading());
  });
  api.get('/houses', async (_req, res) => {
    res.json(await listHouses(db));
  });
  api.put(
    '/houses/:house/settings',
    houseDoor(db, {
      needs: 'book',
      body: settingsChangeSchema,
      run: ({ scope, house, body }) => changeSettings(scope, house, body),
    }),
  );
  api.get(
    '/houses/:house/book',
    houseDoor(db, {
      needs: 'see',
      run: async ({ scope, house }) => done(await bookOf(scope, house)),
    }),
  );
  api.post(
    '/houses/:house/formulas',
    houseDoor(db, {
      needs: 'book',
      body: formulaStartSchema,
      status: 201,
      run: ({ scope, body }) => startFormula(scope, body, clock.now()),
    }),
  );
  api.put(
    '/houses/:house/formulas/:formula',
    houseDoor(db, {
      needs: 'book',
      params: params.formula,
      body: formulaChangeSchema,
      run: ({ scope, params: { formula }, body }) => saveFormula(scope, formula, body, clock.now()),
    }),
  );
  api.get(
    '/houses/:house/formulas/:formula/versions',
    houseDoor(db, {
      needs: 'see',
      params: params.formula,
      run: ({ scope, params: { formula } }) => formulaVersions(scope, formula),
    }),
  );
  api.post(
    '/houses/:house/brought-in',
    houseDoor(db, {
      needs: 'book',
      body: broughtInSchema,
      run: ({ scope, body }) => bringIn(scope, body, clock.now()),
    }),
  );
  accessDoors(api, db);
  demandDoors(api, db, clock);
  planDoors(api, db, clock);
  recordDoors(api, db);
  coldDoors(api, db, clock);
  shelfDoors(api, db, 'products', 'book', productShelf, productSchema);
  shelfDoors(api, db, 'routes', 'book', routeShelf, routeSchema);
  shelfDoors(api, db, 'pantry', 'book', pantryShelf, ingredientSchema);
  api.get(
    '/houses/:house/shifts',
    houseDoor(db, {
      needs: 'see',
      query: daysQuery,
      run: async ({ scope, house, query }) =>
        done(await shiftsBetween(scope, house, query.from, query.days)),
    }),
  );
  api.get(
    '/houses/:house/mixers/frictions',
    houseDoor(db, {
      needs: 'see',
      run: async ({ scope, house }) => {
        const { mixers } = await readBook(scope, house);
        const setC = (id: string) => mixers.find((m) => m.id === id)?.frictionC ?? 0;
        return done(await learnedFrictions(scope, setC));
      },
    }),
  );
  api.get(
    '/houses/:house/lots',
    houseDoor(db, {
      needs: 'see',
      query: daysQuery,
      run: async ({ scope, query }) =>
        done(await readLots(scope, query.from, addDays(query.from, query.days - 1))),
    }),
  );
  api.post(
    '/houses/:house/lots',
    houseDoor(db, {
      needs: 'make',
      body: lotStartSchema,
      status: 201,
      run: ({ scope, house, body }) => startLot(scope, house, body, clock.now()),
    }),
  );
  api.get(
    '/houses/:house/lots/:lot',
    houseDoor(db, {
      needs: 'see',
      params: params.lot,
      run: async ({ scope, params: { lot } }) => {
        const found = await findLot(scope, lot);
        return found ? done(found) : { kind: 'not-found', what: 'lot' };
      },
    }),
  );
  api.put(
    '/houses/:house/lots/:lot/note',
    houseDoor(db, {
      needs: 'make',
      params: params.lot,
      body: noteChangeSchema,
      run: ({ scope, params: { lot }, body }) => changeNote(scope, lot, body),
    }),
  );
  api.put(
    '/houses/:house/lots/:lot/losses',
    houseDoor(db, {
      needs: 'make',
      params: params.lot,
      body: lossChangeSchema,
      run: ({ scope, params: { lot }, body }) => changeLosses(scope, lot, body),
    }),
  );
  api.put(
    '/houses/:house/lots/:lot/withdrawn',
    houseDoor(db, {
      needs: 'make',
      params: params.lot,
      body: withdrawChangeSchema,
      run: ({ scope, params: { lot }, body }) => withdrawLot(scope, lot, body),
    }),
  );
  api.put(
    '/houses/:house/lots/:lot/loads/:number',
    houseDoor(db, {
      needs: 'make',
      params: params.load,
      body: loadChangeSchema,
      run: ({ scope, params: { lot, number }, body }) => changeLoad(scope, lot, number, body),
    }),
  );
  api.put(
    '/houses/:house/lots/:lot/marks/:loadNumber/:stepKey',
    houseDoor(db, {
      needs: 'mark',
      params: params.mark,
      body: markChangeSchema,
      run: ({ scope, params: { lot, loadNumber, stepKey }, body }) =>
        changeMark(scope, lot, { loadNumber, stepKey }, body, clock.now()),
    }),
  );
  api.use(noSuchDoor);
  return api;
}
