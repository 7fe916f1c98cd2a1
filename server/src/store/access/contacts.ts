import type { ContactChange, PushDevice, PushDeviceStart, QuietHours } from '@calm/contract';
import { and, asc, eq, isNotNull, isNull } from 'drizzle-orm';
import type { Queries } from '../../database/database';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';

const isOwn = (houseId: string, personId: string) =>
  and(eq(t.contacts.houseId, houseId), eq(t.contacts.personId, personId));

/** Where and when somebody is told; of version 0 while they have not said. */
export async function readContact(
  { tx, houseId }: Scope,
  personId: string,
): Promise<ContactChange> {
  const { email, quiet, isWeekSent, version } = t.contacts;
  const [row] = await tx
    .select({ email, quiet, isWeekSent, version })
    .from(t.contacts)
    .where(isOwn(houseId, personId));
  return row ?? { email: null, quiet: null, isWeekSent: false, version: 0 };
}

/** @returns whether it was of the version that the change has read */
export async function writeContact(
  { tx, houseId }: Scope,
  personId: string,
  { version, ...content }: ContactChange,
): Promise<boolean> {
  if (version === 0) {
    const [added] = await tx
      .insert(t.contacts)
      .ignore()
      .values({ houseId, personId, ...content });
    return added.affectedRows === 1;
  }
  const [changed] = await tx
    .update(t.contacts)
    .set({ ...content, version: version + 1 })
    .where(and(isOwn(houseId, personId), eq(t.contacts.version, version)));
  return changed.affectedRows === 1;
}

/** Somebody's browsers, oldest first. */
export async function readPushDevices(
  { tx, houseId }: Scope,
  personId: string,
): Promise<(PushDevice & PushDeviceStart)[]> {
  const rows = await tx
    .select()
    .from(t.pushDevices)
    .where(and(eq(t.pushDevices.houseId, houseId), eq(t.pushDevices.personId, personId)))
    .orderBy(asc(t.pushDevices.issuedAt), asc(t.pushDevices.id));
  return rows.map(({ issuedAt, ...row }) => ({ ...row, issuedAt: issuedAt.toISOString() }));
}

/** @param device with the id it is to have */
export async function insertPushDevice(
  { tx, houseId }: Scope,
  personId: string,
  device: PushDeviceStart & { readonly id: string },
  issuedAt: Date,
): Promise<void> {
  await tx.insert(t.pushDevices).values({ ...device, houseId, personId, issuedAt });
}

/** @returns whether there was such a device of theirs */
export async function deletePushDevice(
  { tx, houseId }: Scope,
  personId: string,
  id: string,
): Promise<boolean> {
  const { houseId: ofHouse, personId: ofPerson, id: ofDevice } = t.pushDevices;
  const [result] = await tx
    .delete(t.pushDevices)
    .where(and(eq(ofHouse, houseId), eq(ofPerson, personId), eq(ofDevice, id)));
  return result.affectedRows === 1;
}

/** How one of the crew can be told. */
export interface ReachedPerson {
  readonly personId: string;
  readonly email: string | null;
  readonly quiet: QuietHours | null;
  readonly devices: readonly string[];
}

/** Everybody of the crew who can be told at all, with their browsers' ids. */
export async function readReached({ tx, houseId }: Scope): Promise<ReachedPerson[]> {
  const { people, contacts, pushDevices } = t;
  const crew = await tx
    .select({ personId: people.id, email: contacts.email, quiet: contacts.quiet })
    .from(people)
    .leftJoin(contacts, and(eq(contacts.houseId, people.houseId), eq(contacts.personId, people.id)))
    .where(and(eq(people.houseId, houseId), isNull(people.leftAt)));
  const devices = await tx
    .select({ id: pushDevices.id, personId: pushDevices.personId })
    .from(pushDevices)
    .where(eq(pushDevices.houseId, houseId));
  return crew
    .map((person) => ({
      ...person,
      devices: devices.filter(({ personId }) => personId === person.personId).map(({ id }) => id),
    }))
    .filter(({ email, devices }) => email !== null || devices.length > 0);
}

/** Whoever of the crew wants the review of each week, with their quiet hours. */
export const readWeekReaders = ({ tx, houseId }: Scope) => {
  const { people, contacts } = t;
  return tx
    .select({ personId: people.id, quiet: contacts.quiet })
    .from(people)
    .innerJoin(
      contacts,
      and(eq(contacts.houseId, people.houseId), eq(contacts.personId, people.id)),
    )
    .where(
      and(
        eq(people.houseId, houseId),
        isNull(people.leftAt),
        isNotNull(contacts.email),
        eq(contacts.isWeekSent, true),
      ),
    );
};

/** Whom e-mail is sent to and browsers are told, by what a notification is for. */
export async function findTarget(
  { tx, houseId }: Scope,
  channel: 'mail' | 'push',
  targetId: string,
) {
  const { people, contacts, pushDevices } = t;
  const ofPerson = channel === 'mail' ? contacts : pushDevices;
  const [person] = await tx
    .select({ id: people.id, name: people.name, preferences: people.preferences })
    .from(people)
    .innerJoin(
      ofPerson,
      and(eq(ofPerson.houseId, people.houseId), eq(ofPerson.personId, people.id)),
    )
    .where(
      and(
        eq(people.houseId, houseId),
        isNull(people.leftAt),
        channel === 'mail' ? eq(people.id, targetId) : eq(pushDevices.id, targetId),
      ),
    );
  if (!person) return null;
  if (channel === 'mail') {
    const { email } = await readContact({ tx, houseId }, person.id);
    return email === null ? null : { person, channel, email };
  }
  const devices = await readPushDevices({ tx, houseId }, person.id);
  const device = devices.find(({ id }) => id === targetId);
  return device ? { person, channel, device } : null;
}

/** Houses in which anybody or anything can be told, by their ids. */
export async function readToldHouses(tx: Queries): Promise<string[]> {
  const [mails, devices, hooks] = [
    await tx
      .select({ id: t.contacts.houseId })
      .from(t.contacts)
      .where(isNotNull(t.contacts.email))
      .groupBy(t.contacts.houseId),
    await tx
      .select({ id: t.pushDevices.houseId })
      .from(t.pushDevices)
      .groupBy(t.pushDevices.houseId),
    await tx.select({ id: t.webhooks.houseId }).from(t.webhooks).groupBy(t.webhooks.houseId),
  ];
  return [...new Set([...mails, ...devices, ...hooks].map(({ id }) => id))];
}
