import { ok } from '@calm/core';
import { planCalendar, planCsv } from '../../use-cases/plan/planExport';
import { currentPlan, publishPlan } from '../../use-cases/plan/publishPlan';
import type { RouteHandlers } from '../routeHandlers';

/** What the crew works by, and its exports. */
export const planHandlers = {
  plan: async ({ scope }) => ok(await currentPlan(scope)),
  publishPlan: ({ scope, body, now }) => publishPlan(scope, body, now),
  planCsv: async ({ scope, house }) => ok(await planCsv(scope, house)),
  planCalendar: async ({ scope, house, who, query: { person = null } }) =>
    ok(await planCalendar(scope, house, person, who?.preferences ?? null)),
} satisfies Partial<RouteHandlers>;
