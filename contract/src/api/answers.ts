import type { AuditEntry } from '../access/audit';
import type { Crew, CrewMember, ShiftException, ShiftPattern } from '../access/crew';
import type { CalendarLink, CalendarLinkIssued } from '../access/calendarLink';
import type { Machine, MachineIssued } from '../access/machine';
import type { Session, SignInOptions, SignedInDevice } from '../access/signIn';
import type { FormulaRecord, FormulaVersion, RouteRecord } from '../book/formula';
import type { BookImportAnswer } from '../book/imports';
import type { Product } from '../book/product';
import type { ColdBoard, ColdDay, ColdRecord } from '../cold/board';
import type { AlarmCalls, OwnContact, WebhookIssued } from '../cold/alarmCalls';
import type { ColdAlarm, ColdNote, Probe, ReadingsTaken } from '../cold/probe';
import type { Booking } from '../demand/bookings';
import type { HouseCalendar, ServiceException, ServicePattern } from '../demand/calendar';
import type { HouseEvent } from '../demand/events';
import type { HolidaysAnswer } from '../demand/holidays';
import type { ForecastAnswer } from '../demand/forecast';
import type { Sale, SalesImportResult, TillAnswer } from '../demand/sales';
import type { ProductCount, Service } from '../demand/services';
import type { House, HouseSummary, ListedHouse } from '../house/house';
import type { Consistency } from '../learn/consistency';
import type { LearnedNumbers } from '../learn/learned';
import type { Trial } from '../learn/trial';
import type { Mixer } from '../house/mixer';
import type { HouseBook, PantryItem, Shift } from '../house/houseBook';
import type { Place } from '../house/kitchen';
import type { Handover } from '../lots/handover';
import type { PracticeResult } from '../practice/practice';
import type { LogPage, LotLog } from '../lots/log';
import type { LoadRecord, Lot, Mark, MixerFriction } from '../lots/lot';
import type { LotRecord } from '../lots/record';
import type { PublishedPlan } from '../plan/plan';
import type { ClockReading } from './clock';
import type { CollectionName, RouteName } from './routes';

/** What each record collection answers its writes with. */
export interface CollectionRecords {
  readonly Person: CrewMember;
  readonly ShiftPattern: ShiftPattern;
  readonly ShiftException: ShiftException;
  readonly Product: Product;
  readonly Route: RouteRecord;
  readonly Ingredient: PantryItem;
  readonly Place: Place;
  readonly Mixer: Mixer;
  readonly ServicePattern: ServicePattern;
  readonly ServiceException: ServiceException;
  readonly Event: HouseEvent;
  readonly Booking: Booking;
  readonly Probe: Probe;
}

/** A record of a collection, as the house has it. */
export type RecordIn<Name extends CollectionName> = CollectionRecords[Name];

/** What the other routes answer with, when all went well. */
export interface PlainAnswers {
  readonly clock: ClockReading;
  readonly houses: readonly ListedHouse[];
  readonly startFirstHouse: HouseSummary;
  readonly startHouse: HouseSummary;
  readonly signInOptions: SignInOptions;
  readonly session: Session;
  readonly signIn: null;
  readonly signOut: null;
  readonly sessions: readonly SignedInDevice[];
  readonly endSession: null;
  readonly endOtherSessions: { readonly ended: number };
  readonly changePreferences: Session;
  readonly startOwner: Readonly<Record<string, never>>;
  readonly crew: Crew;
  readonly rejoinCrew: CrewMember;
  readonly ownContact: OwnContact;
  readonly changeContact: OwnContact;
  readonly testContact: OwnContact;
  readonly registerPushDevice: OwnContact;
  readonly forgetPushDevice: null;
  readonly alarmCalls: AlarmCalls;
  readonly issueWebhook: WebhookIssued;
  readonly revokeWebhook: null;
  readonly testWebhook: AlarmCalls;
  readonly calendarLinks: readonly CalendarLink[];
  readonly issueCalendarLink: CalendarLinkIssued;
  readonly revokeCalendarLink: null;
  readonly calendarFeed: string;
  readonly machines: readonly Machine[];
  readonly issueMachine: MachineIssued;
  readonly revokeMachine: Machine;
  readonly changeSecret: { readonly canSignIn: true };
  readonly shifts: readonly Shift[];
  readonly audit: readonly AuditEntry[];
  readonly live: string;
  readonly eraseHouse: House;
  readonly putAside: House;
  readonly consistency: Consistency;
  readonly trials: readonly Trial[];
  readonly startTrial: Trial;
  readonly addVerdict: Trial;
  readonly endTrial: Trial;
  readonly learned: LearnedNumbers;
  readonly learnNow: LearnedNumbers;
  readonly decideLearned: LearnedNumbers;
  readonly planLearnedWork: LearnedNumbers;
  readonly takeUp: House;
  readonly keepHouse: House;
  readonly changeSettings: House;
  readonly holidays: HolidaysAnswer;
  readonly book: HouseBook;
  readonly retire: null;
  readonly bringBack: null;
  readonly startFormula: FormulaRecord;
  readonly saveFormula: FormulaRecord;
  readonly formulaVersions: readonly FormulaVersion[];
  readonly importBook: BookImportAnswer;
  readonly frictions: readonly MixerFriction[];
  readonly calendar: HouseCalendar;
  readonly services: readonly Service[];
  readonly changeUsual: HouseCalendar;
  readonly changeCount: ProductCount;
  readonly changeCounts: readonly ProductCount[];
  readonly sales: readonly Sale[];
  readonly changeSale: Sale;
  readonly importSales: SalesImportResult;
  readonly recordTillSales: TillAnswer;
  readonly forecast: ForecastAnswer;
  readonly salesCsv: string;
  readonly plan: PublishedPlan;
  readonly publishPlan: PublishedPlan;
  readonly planCsv: string;
  readonly planCalendar: string;
  readonly lots: readonly Lot[];
  readonly startLot: Lot;
  readonly lot: Lot;
  readonly changeNote: Lot;
  readonly changeLosses: Lot;
  readonly withdrawLot: { readonly version: number; readonly isWithdrawn: boolean };
  readonly changeLoad: LoadRecord;
  readonly changeMark: Mark;
  readonly records: readonly LotRecord[];
  readonly lotRecords: readonly LotRecord[];
  readonly addLotRecord: LotRecord;
  readonly addPhoto: LotRecord;
  readonly photo: Uint8Array;
  readonly practice: readonly PracticeResult[];
  readonly addPractice: PracticeResult;
  readonly handovers: readonly Handover[];
  readonly addHandover: Handover;
  readonly markHandoverRead: Handover;
  readonly withdrawHandover: Handover;
  readonly log: LogPage;
  readonly logCsv: string;
  readonly lotLog: LotLog;
  readonly cold: ColdBoard;
  readonly coldDay: ColdDay;
  readonly coldRecord: ColdRecord;
  readonly coldRecordCsv: string;
  readonly addReadings: ReadingsTaken;
  readonly acknowledgeAlarm: ColdAlarm;
  readonly addColdNote: ColdNote;
}

/** What a route answers with. */
export type RouteAnswer<Name extends RouteName> = Name extends keyof PlainAnswers
  ? PlainAnswers[Name]
  : Name extends `${'add' | 'change' | 'remove'}${infer Collection extends CollectionName}`
    ? CollectionRecords[Collection]
    : never;

/** Every route's answer, by name: what the API's description is generated from. */
export type RouteAnswers = { readonly [Name in RouteName]: RouteAnswer<Name> };
