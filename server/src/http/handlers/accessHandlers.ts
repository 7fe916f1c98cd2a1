import type { House } from '@calm/contract';
import { ok } from '@calm/core';
import type { Response } from 'express';
import {
  activityLog,
  changePerson,
  crewOf,
  people,
  rejoin,
  removePerson,
  shiftExceptions,
  shiftPatterns,
} from '../../use-cases/access/crew';
import {
  registerPushDevice,
  changeContact,
  ownContact,
  forgetPushDevice,
  testContact,
} from '../../use-cases/access/contact';
import {
  calendarFeed,
  issueCalendarLink,
  ownCalendarLinks,
  revokeCalendarLink,
} from '../../use-cases/access/calendarLinks';
import { issueMachine, machinesOf, revokeMachine } from '../../use-cases/access/machines';
import {
  changePreferences,
  currentSession,
  endOtherSessions,
  endSession,
  ownSessions,
  signOut,
} from '../../use-cases/access/session';
import { changeSecret, startOwner } from '../../use-cases/access/secrets';
import { attemptSignIn, signInOptions, type SignInAttempt } from '../../use-cases/access/signIn';
import { shiftsBetween } from '../../use-cases/demand/calendar';
import { authContext, clearSessionCookie, setDeviceCookie, setSessionCookie } from '../authContext';
import { addPractice, practiceOf } from '../../use-cases/practice/practice';
import { sendProblem } from '../problems';
import type { RouteHandlers, RouteSenders } from '../routeHandlers';

/** Signing in and out, the crew, its shifts and what it practised, who did what. */
export const accessHandlers = {
  signInOptions: async ({ scope, house }) => ok(await signInOptions(scope, house)),
  session: async ({ who }) => currentSession(who),
  signIn: async ({ scope, body, now, ...by }) => ok(await attemptSignIn(scope, body, by, now)),
  signOut: ({ scope, token }) => signOut(scope, token),
  sessions: ({ scope, who, token, now }) => ownSessions(scope, who, token, now),
  endSession: ({ scope, who, params }) => endSession(scope, who, params.session),
  endOtherSessions: ({ scope, who, token }) => endOtherSessions(scope, who, token),
  changePreferences: ({ scope, who, body }) => changePreferences(scope, who, body),
  startOwner: ({ scope, body, now }) => startOwner(scope, body, now),
  crew: async ({ scope }) => ok(await crewOf(scope)),
  addPerson: ({ scope, body }) => people.add(scope, body),
  changePerson: ({ scope, params, body }) => changePerson(scope, params.id, body),
  removePerson: ({ scope, params }) => removePerson(scope, params.id),
  rejoinCrew: ({ scope, params }) => rejoin(scope, params.id),
  changeSecret: ({ scope, params, body, who }) =>
    changeSecret(scope, params.id, body, who?.personId ?? null),
  ownContact: ({ scope, who }) => ownContact(scope, who),
  changeContact: ({ scope, who, body }) => changeContact(scope, who, body),
  testContact: ({ scope, who, now }) => testContact(scope, who, now),
  registerPushDevice: ({ scope, who, body, now }) => registerPushDevice(scope, who, body, now),
  forgetPushDevice: ({ scope, who, params }) => forgetPushDevice(scope, who, params.id),
  calendarLinks: ({ scope, who }) => ownCalendarLinks(scope, who),
  issueCalendarLink: ({ scope, who, body, now }) => issueCalendarLink(scope, who, body, now),
  revokeCalendarLink: ({ scope, who, params }) => revokeCalendarLink(scope, who, params.id),
  calendarFeed: ({ scope, house, params, now }) => calendarFeed(scope, house, params.secret, now),
  practice: ({ scope, who }) => practiceOf(scope, who),
  addPractice: ({ scope, who, body, now }) => addPractice(scope, who, body, now),
  machines: async ({ scope }) => ok(await machinesOf(scope)),
  issueMachine: ({ scope, body, now }) => issueMachine(scope, body, now),
  revokeMachine: ({ scope, params, now }) => revokeMachine(scope, params.id, now),
  addShiftPattern: ({ scope, body }) => shiftPatterns.add(scope, body),
  changeShiftPattern: ({ scope, params, body }) => shiftPatterns.change(scope, params.id, body),
  removeShiftPattern: ({ scope, params }) => shiftPatterns.remove(scope, params.id),
  addShiftException: ({ scope, body }) => shiftExceptions.add(scope, body),
  changeShiftException: ({ scope, params, body }) => shiftExceptions.change(scope, params.id, body),
  removeShiftException: ({ scope, params }) => shiftExceptions.remove(scope, params.id),
  shifts: async ({ scope, house, query }) =>
    ok(await shiftsBetween(scope, house, query.from, query.days)),
  audit: async ({ scope, query }) => ok(await activityLog(scope, query.before)),
} satisfies Partial<RouteHandlers>;

/** What sets and clears the session's cookie. */
export const accessSenders = {
  signIn: sendAttempt,
  signOut: (res, _value, { slug }) => {
    clearSessionCookie(res, slug);
    res.status(204).end();
  },
  startOwner: (res, { token }, { slug }) => {
    setSessionCookie(res, slug, token);
    res.status(201).json({});
  },
} satisfies RouteSenders;

/** In, wrong, or locked for a while. Which of name and secret was wrong is nobody's business. */
function sendAttempt(res: Response, attempt: SignInAttempt, { slug }: House): void {
  if (attempt.kind === 'in') {
    setSessionCookie(res, slug, attempt.token);
    setDeviceCookie(res, slug, attempt.device);
    res.status(204).end();
    return;
  }
  if (attempt.kind === 'wrong') {
    return sendProblem(res, 'wrong-secret', 'That is not it. Try once more.');
  }
  const seconds = Math.ceil((attempt.until.getTime() - authContext(res).now.getTime()) / 1000);
  res.setHeader('Retry-After', String(seconds));
  sendProblem(res, 'rate-limited', `Too many wrong tries. Try again in ${seconds} s.`);
}
