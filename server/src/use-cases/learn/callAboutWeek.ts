import type { House } from '@calm/contract';
import { isQuietAt, localMinuteOf, weekdayOf, localDateOf } from '@calm/domain';
import type { Scope } from '../../database/scope';
import { readWeekReaders } from '../../store/access/contacts';
import { readInstallation } from '../../store/access/installation';
import { insertNotifications } from '../../store/cold/notifications';
import { lastWeekOf } from './consistency';

const MONDAY = 1;
/** From then on a week's review is sent, min after midnight. */
const FROM_MIN = 7 * 60;

/**
 * Puts down whom the review of the week that is over is to be sent: on Monday morning, to whoever wants it.
 *
 * @returns of how many things
 */
export async function callAboutWeek(scope: Scope, house: House, now: Date): Promise<number> {
  const minute = localMinuteOf(now, house.timeZone);
  if (weekdayOf(localDateOf(now, house.timeZone)) !== MONDAY || minute < FROM_MIN) return 0;
  const { mailFrom } = await readInstallation(scope.tx);
  if (mailFrom === null) return 0;
  const targets = (await readWeekReaders(scope))
    .filter(({ quiet }) => !isQuietAt(quiet, minute))
    .map(({ personId }) => ({ channel: 'mail' as const, targetId: personId, personId }));
  return insertNotifications(scope, 'week', lastWeekOf(now, house), targets, now);
}
