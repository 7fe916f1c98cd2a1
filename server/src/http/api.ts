import { API, ROUTE_NAMES, ROUTES, type RouteDefinition, type RouteName } from '@calm/contract';
import { check, firstHouseSchema, schemasOf } from '@calm/contract/schemas';
import cookieParser from 'cookie-parser';
import { Router, type RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import type { Clock } from '../clock';
import type { Database } from '../database/database';
import { ColdBoards } from '../use-cases/cold/coldBoard';
import { startFirstHouse } from '../use-cases/house/startHouse';
import { allHouses } from '../use-cases/house/houses';
import { authenticate, sameSiteOnly, setSessionCookie } from './authContext';
import { apiDocs } from './docs/apiDocs';
import { accessHandlers, accessSenders } from './handlers/accessHandlers';
import { bookHandlersOf, bookSenders } from './handlers/bookHandlers';
import { coldHandlersOf } from './handlers/coldHandlers';
import { demandHandlers } from './handlers/demandHandlers';
import { lotHandlersOf, lotSenders } from './handlers/lotHandlers';
import { planHandlers } from './handlers/planHandlers';
import type { LiveHub } from './live/liveHub';
import { liveStream, tellsLive } from './live/liveStream';
import { KeptAnswers } from './keptAnswers';
import { mountRoute, type Mounted } from './mountRoute';
import { permit } from './permit';
import { sendBadInput, sendProblem, sendRefusals } from './problems';
import { requestBody } from './requestBody';
import type { RouteHandlers, RouteSenders } from './routeHandlers';
import type { Site } from './site';

/** Tries to sign in from one device a minute, whoever it tries to be. */
const TRIES_A_MINUTE = 60;

const handlersOf = (db: Database, boards: ColdBoards): RouteHandlers => ({
  ...accessHandlers,
  ...bookHandlersOf(db),
  ...demandHandlers,
  ...planHandlers,
  ...lotHandlersOf(db),
  ...coldHandlersOf(boards),
});
const SENDERS: RouteSenders = { ...accessSenders, ...bookSenders, ...lotSenders };

/** What the API is made of. */
export interface ApiParts {
  readonly db: Database;
  readonly clock: Clock;
  readonly live: LiveHub;
  readonly site: Site;
}

/** Every route of the table, mounted: what is in the table is served, and nothing else. */
export function apiRouter({ db, clock, live, site }: ApiParts): Router {
  const api = Router();
  const handlers = handlersOf(db, new ColdBoards());
  const kept = new KeptAnswers();
  api.use(cookieParser());
  api.use(apiDocs());
  api.use(sameSiteOnly(site));
  api.use('/houses/:house', authenticate(db, clock), tellsLive(live));
  const fewTries = rateLimit({
    windowMs: 60_000,
    limit: TRIES_A_MINUTE,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: (_req, res) =>
      sendProblem(res, 'rate-limited', 'Too many tries from this device. Wait a minute.'),
  });
  for (const name of ROUTE_NAMES) {
    const route: RouteDefinition = ROUTES[name];
    const layers: RequestHandler[] = [
      ...(route.isRateLimited ? [fewTries] : []),
      permit(route),
      requestBody(route),
      handlerOf(name, route),
    ];
    api[route.method](route.path, ...layers);
  }
  api.use(noSuchRoute);
  return api;

  function handlerOf(name: RouteName, route: RouteDefinition): RequestHandler {
    switch (name) {
      case 'clock':
        return (_req, res) => void res.json(clock.reading());
      case 'houses':
        return async (_req, res) => void res.json(await allHouses(db));
      case 'startFirstHouse':
        return startFirstHouseOn(db, clock);
      case 'live':
        return liveStream(db, clock, live);
      default:
        // Names and types are held together by `RouteHandlers`; here all routes are one kind.
        return mountRoute(
          db,
          route,
          schemasOf(name),
          {
            run: handlers[name] as Mounted['run'],
            send: SENDERS[name] as Mounted['send'],
          },
          kept,
        );
    }
  }
}

/** The first house of this server: there is none yet in which it could be asked for. */
const startFirstHouseOn =
  (db: Database, clock: Clock): RequestHandler =>
  async (req, res) => {
    const body = check(firstHouseSchema, req.body ?? {}, false);
    if (!body.ok) return sendBadInput(res, body.errors);
    const begun = await startFirstHouse(db, body.value, clock.now());
    if (!begun.ok) return sendRefusals(res, begun.reasons);
    const { token, slug, name } = begun.value;
    setSessionCookie(res, slug, token);
    res.status(201).json({ slug, name });
  };

/** Anything under the API that is no route. */
const noSuchRoute: RequestHandler = (req, res) => {
  sendProblem(res, 'not-found', `Nothing at ${req.method} ${API}${req.path}.`);
};
