import { ok } from '@calm/core';
import { pipeline } from 'node:stream/promises';
import { archiveHouse } from '../../archive/archive';
import type { Database } from '../../database/database';
import { importBook } from '../../use-cases/book/importBook';
import { ingredients, products, routes } from '../../use-cases/book/bookRecords';
import { bookOf } from '../../use-cases/book/losses';
import { frictionsOf } from '../../use-cases/book/frictions';
import { formulaVersions, saveFormula, startFormula } from '../../use-cases/book/saveFormula';
import { putAside, takeUp } from '../../use-cases/house/aside';
import { changeSettings } from '../../use-cases/house/changeSettings';
import { eraseHouse, keepHouse } from '../../use-cases/house/erasure';
import { mixers } from '../../use-cases/house/mixers';
import { noteExport } from '../../use-cases/house/noteExport';
import { bringBack, retire } from '../../use-cases/house/retirement';
import { startHouse } from '../../use-cases/house/startHouse';
import { places } from '../../use-cases/house/places';
import { consistencyOf } from '../../use-cases/learn/consistency';
import { decideLearned, learnedNumbers, learnNow } from '../../use-cases/learn/learn';
import { planLearnedWork } from '../../use-cases/learn/planLearnedWork';
import { setSessionCookie } from '../authContext';
import type { RouteHandlers, RouteSenders } from '../routeHandlers';

/** The house's settings and everything that changes seldom. @param db read on by archives */
export const bookHandlersOf = (db: Database) =>
  ({
    houseArchive: async ({ scope, house, who, now }) => {
      const archive = await archiveHouse(db, house, now);
      await noteExport(db, scope.houseId, who?.personId ?? null, now).catch((error: unknown) => {
        archive.destroy();
        throw error;
      });
      return ok(archive);
    },
    startHouse: ({ scope, body, who, now }) => startHouse(scope, body, who?.personId ?? null, now),
    eraseHouse: ({ scope, house, body, now }) => eraseHouse(scope, house, body, now),
    keepHouse: ({ scope, house }) => keepHouse(scope, house),
    putAside: ({ scope, house, now }) => putAside(scope, house, now),
    takeUp: ({ scope, house }) => takeUp(scope, house),
    changeSettings: ({ scope, house, body }) => changeSettings(scope, house, body),
    consistency: async ({ scope, house, now }) => ok(await consistencyOf(scope, house, now)),
    learned: async ({ scope, house }) => ok(await learnedNumbers(scope, house)),
    learnNow: async ({ scope, house, now }) => ok(await learnNow(scope, house, now)),
    decideLearned: ({ scope, house, params, body, writing }) =>
      decideLearned(scope, house, params.id, body, writing),
    planLearnedWork: ({ scope, house, body }) => planLearnedWork(scope, house, body),
    book: async ({ scope, house }) => ok(await bookOf(scope, house)),
    startFormula: ({ scope, body, now }) => startFormula(scope, body, now),
    saveFormula: ({ scope, params, body, now }) => saveFormula(scope, params.formula, body, now),
    formulaVersions: ({ scope, params }) => formulaVersions(scope, params.formula),
    importBook: ({ scope, body, now }) => importBook(scope, body, now),
    addProduct: ({ scope, body }) => products.add(scope, body),
    changeProduct: ({ scope, params, body }) => products.change(scope, params.id, body),
    removeProduct: ({ scope, params }) => products.remove(scope, params.id),
    addRoute: ({ scope, body }) => routes.add(scope, body),
    changeRoute: ({ scope, params, body }) => routes.change(scope, params.id, body),
    removeRoute: ({ scope, params }) => routes.remove(scope, params.id),
    addIngredient: ({ scope, body }) => ingredients.add(scope, body),
    changeIngredient: ({ scope, params, body }) => ingredients.change(scope, params.id, body),
    removeIngredient: ({ scope, params }) => ingredients.remove(scope, params.id),
    addPlace: ({ scope, body }) => places.add(scope, body),
    changePlace: ({ scope, params, body }) => places.change(scope, params.id, body),
    removePlace: ({ scope, params }) => places.remove(scope, params.id),
    addMixer: ({ scope, body }) => mixers.add(scope, body),
    changeMixer: ({ scope, params, body }) => mixers.change(scope, params.id, body),
    removeMixer: ({ scope, params }) => mixers.remove(scope, params.id),
    retire: ({ scope, params, now }) => retire(scope, params.retirable, params.id, now),
    bringBack: ({ scope, params }) => bringBack(scope, params.retirable, params.id),
    frictions: async ({ scope, house }) => ok(await frictionsOf(scope, house)),
  }) satisfies Partial<RouteHandlers>;

export const bookSenders = {
  // As it is read. What goes wrong on the way ends the answer short: nobody takes half a house for all of it.
  houseArchive: (res, archive, { slug }) => {
    res.type('zip').attachment(`${slug}.zip`).set('Cache-Control', 'no-store');
    pipeline(archive, res).catch((error: unknown) => {
      res.req.log.warn({ err: error }, 'an archive broke off');
    });
  },
  // Whoever begins a house is signed in to it.
  startHouse: (res, { token, slug, name }) => {
    setSessionCookie(res, slug, token);
    res.status(201).json({ slug, name });
  },
} satisfies RouteSenders;
