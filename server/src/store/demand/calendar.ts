import type {
  HouseCalendar,
  ServiceException,
  ServiceExceptionContent,
  ServicePattern,
  ServicePatternContent,
} from '@calm/contract';
import { and, asc, eq } from 'drizzle-orm';
import { tableRepository } from '../tableRepository';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';
import { deleteChosen, writeUsual } from './counts';

const patternOf = ({
  houseId: _,
  ...pattern
}: typeof t.servicePatterns.$inferSelect): ServicePattern => pattern;

const plainPatterns = tableRepository<
  typeof t.servicePatterns,
  ServicePatternContent,
  ServicePattern
>(t.servicePatterns, { what: 'service', rowOf: (content) => content, storedOf: patternOf });

/** The services that come every week; the counts that were wanted of them go with them. */
export const patternRepository: typeof plainPatterns = {
  ...plainPatterns,
  async remove(scope, id) {
    await writeUsual(scope, id, []);
    await deleteChosen(scope, id);
    await plainPatterns.remove(scope, id);
  },
};

const exceptionOf = ({
  houseId: _,
  startMin,
  endMin,
  isYearly,
  ...exception
}: typeof t.serviceExceptions.$inferSelect): ServiceException => ({
  ...exception,
  isYearly: isYearly === 1,
  hours: startMin !== null && endMin !== null ? { startMin, endMin } : null,
});

/** The days that differ. */
export const exceptionRepository = tableRepository<
  typeof t.serviceExceptions,
  ServiceExceptionContent,
  ServiceException
>(t.serviceExceptions, {
  what: 'exception',
  rowOf: ({ hours, isYearly, ...content }) => ({
    ...content,
    isYearly: isYearly ? 1 : 0,
    startMin: hours?.startMin ?? null,
    endMin: hours?.endMin ?? null,
  }),
  storedOf: exceptionOf,
  lacks: async (scope, content) => {
    if (await lacksPattern(scope, content)) return 'patternId';
    return (await lacksPattern(scope, { patternId: content.joinsId })) ? 'joinsId' : null;
  },
});

/** Says when a content names a service that the house has not. */
export async function lacksPattern(
  { tx, houseId }: Scope,
  { patternId }: { readonly patternId: string | null },
): Promise<string | null> {
  if (patternId === null) return null;
  const [row] = await tx
    .select({ id: t.servicePatterns.id })
    .from(t.servicePatterns)
    .where(and(eq(t.servicePatterns.houseId, houseId), eq(t.servicePatterns.id, patternId)));
  return row ? null : 'patternId';
}

/** When the house sells: its week, and the days that differ. */
export async function readCalendar({ tx, houseId }: Scope): Promise<HouseCalendar> {
  const [patterns, usual, exceptions] = await Promise.all([
    tx
      .select()
      .from(t.servicePatterns)
      .where(eq(t.servicePatterns.houseId, houseId))
      .orderBy(
        asc(t.servicePatterns.weekday),
        asc(t.servicePatterns.startMin),
        asc(t.servicePatterns.id),
      ),
    tx
      .select({
        patternId: t.usualCounts.patternId,
        productId: t.usualCounts.productId,
        count: t.usualCounts.count,
      })
      .from(t.usualCounts)
      .where(eq(t.usualCounts.houseId, houseId)),
    tx
      .select()
      .from(t.serviceExceptions)
      .where(eq(t.serviceExceptions.houseId, houseId))
      .orderBy(asc(t.serviceExceptions.date), asc(t.serviceExceptions.patternId)),
  ]);
  return { patterns: patterns.map(patternOf), usual, exceptions: exceptions.map(exceptionOf) };
}
