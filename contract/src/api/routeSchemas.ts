import { practiceStartSchema } from '../practice/practiceSchemas';
import { proposalDecisionSchema, workToPlanSchema } from '../learn/learnedSchemas';
import { trialEndSchema, trialStartSchema, verdictStartSchema } from '../learn/trialSchemas';
import type { ObjectSchema } from 'joi';
import {
  auditQuery,
  crewSchema,
  ownerSchema,
  secretSchema,
  shiftExceptionSchema,
  shiftPatternSchema,
  signInSchema,
  calendarLinkSchema,
  machineSchema,
} from '../access/accessSchemas';
import { displayPreferencesSchema } from '../access/preferencesSchema';
import {
  bookImportSchema,
  formulaChangeSchema,
  formulaStartSchema,
  ingredientSchema,
  productSchema,
  routeSchema,
} from '../book/bookSchemas';
import { contactSchema, pushDeviceSchema, webhookSchema } from '../cold/alarmCallSchemas';
import {
  acknowledgementSchema,
  coldNoteStartSchema,
  dayQuery,
  probeSchema,
  readingsStartSchema,
  recordQuery,
} from '../cold/coldSchemas';
import {
  bookingSchema,
  countChangeSchema,
  countsChangeSchema,
  eventSchema,
  holidaysQuery,
  saleChangeSchema,
  salesImportSchema,
  serviceExceptionSchema,
  servicePatternSchema,
  tillSchema,
  usualChangeSchema,
} from '../demand/demandSchemas';
import {
  loadChangeSchema,
  lossChangeSchema,
  lotStartSchema,
  noteChangeSchema,
  withdrawChangeSchema,
} from '../lots/lotSchemas';
import {
  handoverStartSchema,
  logQuery,
  markChangeSchema,
  photoStartSchema,
  recordStartSchema,
} from '../lots/recordSchemas';
import {
  erasureSchema,
  firstHouseSchema,
  houseStartSchema,
  mixerSchema,
  settingsChangeSchema,
} from '../house/houseSchemas';
import { placeSchema, planPublicationSchema } from '../plan/planSchemas';
import { changeOf } from './changeOf';
import { calendarQuery, daysQuery } from './params';
import type { RouteName } from './routes';

/** What a route reads besides the parameters of its address. */
interface RouteSchemas {
  readonly query?: ObjectSchema;
  readonly body?: ObjectSchema;
}

/** The schemas of a collection's writes; deleting reads nothing. */
const collection = <Name extends string, Content>(name: Name, content: ObjectSchema<Content>) =>
  ({
    [`add${name}`]: { body: content },
    [`change${name}`]: { body: changeOf(content) },
  }) as { readonly [Key in `add${Name}`]: { readonly body: ObjectSchema<Content> } } & {
    readonly [Key in `change${Name}`]: { readonly body: ReturnType<typeof changeOf<Content>> };
  };

/** What each route reads; a route that is not here reads its address alone. */
export const ROUTE_SCHEMAS = {
  startFirstHouse: { body: firstHouseSchema },
  startHouse: { body: houseStartSchema },
  signIn: { body: signInSchema },
  changePreferences: { body: displayPreferencesSchema },
  startOwner: { body: ownerSchema },
  ...collection('Person', crewSchema),
  changeSecret: { body: secretSchema },
  changeContact: { body: contactSchema },
  registerPushDevice: { body: pushDeviceSchema },
  issueWebhook: { body: webhookSchema },
  issueCalendarLink: { body: calendarLinkSchema },
  issueMachine: { body: machineSchema },
  ...collection('ShiftPattern', shiftPatternSchema),
  ...collection('ShiftException', shiftExceptionSchema),
  shifts: { query: daysQuery },
  audit: { query: auditQuery },

  eraseHouse: { body: erasureSchema },
  changeSettings: { body: settingsChangeSchema },
  startTrial: { body: trialStartSchema },
  addVerdict: { body: verdictStartSchema },
  endTrial: { body: trialEndSchema },
  decideLearned: { body: proposalDecisionSchema },
  planLearnedWork: { body: workToPlanSchema },
  startFormula: { body: formulaStartSchema },
  saveFormula: { body: formulaChangeSchema },
  importBook: { body: bookImportSchema },
  ...collection('Product', productSchema),
  ...collection('Route', routeSchema),
  ...collection('Ingredient', ingredientSchema),
  ...collection('Place', placeSchema),
  ...collection('Mixer', mixerSchema),

  ...collection('ServicePattern', servicePatternSchema),
  changeUsual: { body: usualChangeSchema },
  ...collection('ServiceException', serviceExceptionSchema),
  ...collection('Event', eventSchema),
  ...collection('Booking', bookingSchema),
  holidays: { query: holidaysQuery },
  services: { query: daysQuery },
  changeCount: { body: countChangeSchema },
  changeCounts: { body: countsChangeSchema },
  sales: { query: daysQuery },
  changeSale: { body: saleChangeSchema },
  importSales: { body: salesImportSchema },
  recordTillSales: { body: tillSchema },
  forecast: { query: daysQuery },

  publishPlan: { body: planPublicationSchema },
  planCalendar: { query: calendarQuery },

  lots: { query: daysQuery },
  startLot: { body: lotStartSchema },
  changeNote: { body: noteChangeSchema },
  changeLosses: { body: lossChangeSchema },
  withdrawLot: { body: withdrawChangeSchema },
  changeLoad: { body: loadChangeSchema },
  changeMark: { body: markChangeSchema },
  records: { query: daysQuery },
  addLotRecord: { body: recordStartSchema },
  addPhoto: { body: photoStartSchema },
  addHandover: { body: handoverStartSchema },
  addPractice: { body: practiceStartSchema },
  log: { query: logQuery },
  logCsv: { query: logQuery },

  coldDay: { query: dayQuery },
  coldRecord: { query: recordQuery },
  coldRecordCsv: { query: recordQuery },
  ...collection('Probe', probeSchema),
  addReadings: { body: readingsStartSchema },
  acknowledgeAlarm: { body: acknowledgementSchema },
  addColdNote: { body: coldNoteStartSchema },
} as const satisfies { readonly [Name in RouteName]?: RouteSchemas };

type Schemas = typeof ROUTE_SCHEMAS;
type Read<Name extends RouteName, Part extends string> = Name extends keyof Schemas
  ? Schemas[Name] extends { readonly [Key in Part]: ObjectSchema<infer Value> }
    ? Value
    : object
  : object;

/** What is asked after the question mark of a route, once checked. */
export type CheckedQuery<Name extends RouteName> = Read<Name, 'query'>;

/** The body of a route, once checked. */
export type CheckedBody<Name extends RouteName> = Read<Name, 'body'>;

/** What a route reads, where it reads anything. */
export function schemasOf(name: RouteName): RouteSchemas {
  const all: { readonly [Key in RouteName]?: RouteSchemas } = ROUTE_SCHEMAS;
  return all[name] ?? {};
}
