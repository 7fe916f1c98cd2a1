import type { House, RouteAnswer, RouteName, ROUTES } from '@calm/contract';
import type { CheckedBody, CheckedQuery, RouteParams } from '@calm/contract/schemas';
import type { Response } from 'express';
import type { Readable } from 'node:stream';
import type { Scope } from '../database/scope';
import type { SignInAttempt } from '../use-cases/access/signIn';
import type { BegunHouse } from '../use-cases/house/startHouse';
import type { Writing } from '../use-cases/lots/records';
import type { Result } from '../use-cases/result';
import type { AuthContext } from './authContext';

/** Routes within a house; the others are about the server as a whole. */
type HouseRouteName = {
  [Name in RouteName]: (typeof ROUTES)[Name]['path'] extends `/houses/:house/${string}`
    ? Name
    : never;
}[RouteName];

/** What has been checked before a use case runs. */
interface RequestContext<Name extends RouteName> extends AuthContext {
  readonly scope: Scope;
  readonly house: House;
  readonly params: RouteParams<Name>;
  readonly query: CheckedQuery<Name>;
  readonly body: CheckedBody<Name>;
  /** Who writes, and when the house takes it. */
  readonly writing: Writing;
}

/** Routes that make something else of what their use case came to than a document. */
interface InternalValues {
  readonly signIn: SignInAttempt;
  readonly startOwner: { readonly token: string };
  readonly startHouse: BegunHouse;
  readonly logCsv: AsyncIterable<string>;
  readonly houseArchive: Readable;
}

/** What a route's use case comes to. */
type HandlerValue<Name extends RouteName> = Name extends keyof InternalValues
  ? InternalValues[Name]
  : RouteAnswer<Name>;

/** The use case behind a route. */
type RouteHandler<Name extends RouteName> = (
  context: RequestContext<Name>,
) => Promise<Result<HandlerValue<Name>>>;

/** The routes that stay open and are answered as things happen. */
type StreamRouteName = 'live';

/** A use case for every route within a house: one that is missing does not compile. */
export type RouteHandlers = {
  readonly [Name in Exclude<HouseRouteName, StreamRouteName>]: RouteHandler<Name>;
};

/** Answers with something else than a document. */
export type RouteSenders = {
  readonly [Name in HouseRouteName]?: (
    res: Response,
    value: HandlerValue<Name>,
    house: House,
  ) => void;
};
