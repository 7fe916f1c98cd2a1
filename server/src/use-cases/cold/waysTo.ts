import type { Notification } from '@calm/contract';
import type { ReachedPerson } from '../../store/access/contacts';
import type { Target } from '../../store/cold/notifications';

/** Everywhere that somebody is told. */
export const waysTo = ({
  personId,
  email,
  devices,
}: Pick<ReachedPerson, 'personId' | 'email' | 'devices'>): Target[] => [
  ...(email === null ? [] : [{ channel: 'mail' as const, targetId: personId, personId }]),
  ...devices.map((targetId) => ({ channel: 'push' as const, targetId, personId })),
];

/** A test is over within so long: until then there is no other, ms. */
const TEST_MS = 20_000;

/** Whether one of some notifications is a test that is on its way. */
export const isTesting = (notifications: readonly Notification[], now: Date): boolean =>
  notifications.some(
    ({ event, at }) => event === 'test' && now.getTime() - Date.parse(at) < TEST_MS,
  );
