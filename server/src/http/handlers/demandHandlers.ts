import { ok } from '@calm/core';
import { localDateOf } from '@calm/domain';
import { servicesBetween } from '../../use-cases/demand/calendar';
import { changeCount, changeCounts } from '../../use-cases/demand/changeCount';
import { changeSale } from '../../use-cases/demand/changeSale';
import {
  bookings,
  calendarOf,
  events,
  salesBetween,
  serviceExceptions,
  servicePatterns,
} from '../../use-cases/demand/demandRecords';
import { forecastsBetween } from '../../use-cases/demand/forecast';
import { changeUsual } from '../../use-cases/demand/changeUsual';
import { holidaysOf } from '../../use-cases/demand/holidays';
import { importSales } from '../../use-cases/demand/importSales';
import { salesCsv } from '../../use-cases/demand/salesCsv';
import { takeTillSales } from '../../use-cases/demand/till';
import type { RouteHandlers } from '../routeHandlers';

/** When the house sells, what it wants, what it sold, what it expects. */
export const demandHandlers = {
  calendar: async ({ scope }) => ok(await calendarOf(scope)),
  changeUsual: ({ scope, params, body }) => changeUsual(scope, params.id, body),
  addServicePattern: ({ scope, body }) => servicePatterns.add(scope, body),
  changeServicePattern: ({ scope, params, body }) => servicePatterns.change(scope, params.id, body),
  removeServicePattern: ({ scope, params }) => servicePatterns.remove(scope, params.id),
  addServiceException: ({ scope, body }) => serviceExceptions.add(scope, body),
  changeServiceException: ({ scope, params, body }) =>
    serviceExceptions.change(scope, params.id, body),
  removeServiceException: ({ scope, params }) => serviceExceptions.remove(scope, params.id),
  addEvent: ({ scope, body }) => events.add(scope, body),
  changeEvent: ({ scope, params, body }) => events.change(scope, params.id, body),
  removeEvent: ({ scope, params }) => events.remove(scope, params.id),
  addBooking: ({ scope, body }) => bookings.add(scope, body),
  changeBooking: ({ scope, params, body }) => bookings.change(scope, params.id, body),
  removeBooking: ({ scope, params }) => bookings.remove(scope, params.id),
  holidays: async ({ query }) => ok(await holidaysOf(query)),
  services: async ({ scope, house, query, now }) =>
    ok(await servicesBetween(scope, house, query, now)),
  changeCount: ({ scope, params, body }) => changeCount(scope, params, body),
  changeCounts: ({ scope, body }) => changeCounts(scope, body),
  sales: async ({ scope, query }) => ok(await salesBetween(scope, query.from, query.days)),
  changeSale: ({ scope, params, body }) => changeSale(scope, params, body),
  importSales: ({ scope, house, body, now }) =>
    importSales(scope, body, localDateOf(now, house.timeZone)),
  recordTillSales: ({ scope, house, body, now, machine }) =>
    takeTillSales(scope, house, body.sales, now, machine),
  forecast: async ({ scope, house, query, now }) =>
    ok(await forecastsBetween(scope, house, query, now)),
  salesCsv: async ({ scope, house, now }) => ok(await salesCsv(scope, house, now)),
} satisfies Partial<RouteHandlers>;
