import { addDays } from '@calm/domain';
import { readRecords, insertRecord, readLotRecords } from '../../store/lots/records';
import {
  readHandovers,
  deleteUnreadHandover,
  findHandover,
  insertHandover,
  writeHandoverRead,
} from '../../store/lots/handovers';
import { DAY_MS, fail, ok } from '@calm/core';
import {
  CAN_BE_TAKEN_BACK,
  type Handover,
  type HousePart,
  type RecordContent,
  type HandoverStart,
  type LotRecord,
  type PhotoStart,
  type RecordStart,
  type Spot,
} from '@calm/contract';
import { v7 as uuid } from 'uuid';
import { readProductIdsEver } from '../../store/book/products';
import { placeRepository } from '../../store/house/places';
import { hasLoad } from '../../store/lots/loads';
import { findLotRow } from '../../store/lots/lots';
import { countPhotos, insertPhoto } from '../../store/lots/photos';
import type { Scope } from '../../database/scope';
import { badInput, type Refused, type Result } from '../result';
import { cleanPhoto } from './cleanPhoto';

/** Longest that a device may have been away with what it saw, ms. What comes late is on record as that. */
const LONGEST_AWAY_MS = 31 * DAY_MS;

/** Photos of one lot: a story of its dough, not an album. */
const MOST_PHOTOS = 60;

/** Who writes, and when the house takes it. */
export interface Writing {
  readonly personId: string | null;
  readonly now: Date;
}

/**
 * When something was so, by a device: never later than now.
 *
 * @returns a refusal when it is from before any device may have been away
 */
export function seenAt(at: string | undefined, now: Date): Result<Date> {
  if (at === undefined) return ok(now);
  const seen = new Date(at);
  if (now.getTime() - seen.getTime() > LONGEST_AWAY_MS) {
    return badInput('at', 'at.too-old', 'That is more than a month ago.');
  }
  return ok(seen < now ? seen : now);
}

/** Puts on record what was seen of a lot; of one that was taken back too: it was seen. */
export async function addLotRecord(
  scope: Scope,
  lotId: string,
  { id, at, correctsId, content }: RecordStart,
  { personId, now }: Writing,
): Promise<Result<LotRecord>> {
  if (!(await findLotRow(scope, lotId))) return fail({ kind: 'not-found', what: 'lot' });
  const unknown = await unknownIn(scope, lotId, content);
  if (unknown) return badInput(`content/${unknown}`, 'id.unknown', 'The house has no such thing.');
  const seen = seenAt(at, now);
  if (!seen.ok) return seen;
  if (correctsId !== undefined) {
    const wrong = await cannotCorrect(scope, lotId, correctsId, content.kind);
    if (wrong) return wrong;
  } else if (content.kind === 'taken-back') {
    return badInput('correctsId', 'id.unknown', 'What is taken back is named.');
  }
  const record: LotRecord = {
    id,
    lotId,
    at: seen.value.toISOString(),
    receivedAt: now.toISOString(),
    personId,
    correctsId: correctsId ?? null,
    content,
  };
  for (const part of partsOf(content)) scope.alsoWritten?.add(part);
  return (await insertRecord(scope, record))
    ? ok(record)
    : badInput('id', 'id.taken', 'There is a record of this name already.');
}

/** What of the house a record tells of, besides that it is one: what was only said moves nothing. */
function partsOf({ kind }: RecordContent): readonly HousePart[] {
  switch (kind) {
    case 'said':
    case 'photo':
    case 'not-yet':
    case 'preferment':
    case 'baked':
    case 'piece':
      return [];
    case 'weighed':
    case 'yeast':
      return ['weights'];
    default:
      return ['trays', 'weights'];
  }
}

/** Where trays come from and go to, in what tells of either: a rise is `from` one height, too. */
function spotsIn(content: RecordStart['content']): Readonly<Record<string, Spot | null>> {
  if (content.kind === 'moved') return { from: content.from, to: content.to };
  return content.kind === 'discarded' ? { from: content.from } : {};
}

/** The field of a record that names what this house, or this lot, does not have; null when all is there. */
async function unknownIn(
  scope: Scope,
  lotId: string,
  content: RecordStart['content'],
): Promise<string | null> {
  if ('productId' in content && !(await readProductIdsEver(scope)).includes(content.productId))
    return 'productId';
  // 0 is the whole lot: what is mixed ahead of its loads, and the stages of its route.
  if (
    'loadNumber' in content &&
    content.loadNumber > 0 &&
    !(await hasLoad(scope, lotId, content.loadNumber))
  )
    return 'loadNumber';
  for (const [end, spot] of Object.entries(spotsIn(content))) {
    if (spot && !(await placeRepository.find(scope, spot.placeId))) return `${end}/placeId`;
  }
  return null;
}

/** Keeps a photo of a lot and puts it on record. It is made anew from its pixels: anything that is
 * no photo is refused, whatever it says it is. */
export async function addPhoto(
  scope: Scope,
  lotId: string,
  { id, at, note, jpeg }: PhotoStart,
  writing: Writing,
): Promise<Result<LotRecord>> {
  const clean = await cleanPhoto(Buffer.from(jpeg, 'base64'));
  if (!clean) {
    return badInput(
      'jpeg',
      'photo.kind',
      'That is no photo that can be kept: a JPEG up to 500 kB.',
    );
  }
  if ((await countPhotos(scope, lotId)) >= MOST_PHOTOS)
    return badInput('jpeg', 'photo.many', `A lot has ${MOST_PHOTOS} photos at most.`);
  const content = { kind: 'photo', photoId: id, note } as const;
  const start = { id, content, ...(at !== undefined && { at }) };
  const record = await addLotRecord(scope, lotId, start, writing);
  if (record.ok) await insertPhoto(scope, { id, lotId, jpeg: clean });
  return record;
}

/** Why a record cannot be corrected by one of a kind; null when it can. */
async function cannotCorrect(
  scope: Scope,
  lotId: string,
  correctsId: string,
  kind: string,
): Promise<Refused | null> {
  const records = await readLotRecords(scope, lotId);
  const wrong = records.find(({ id }) => id === correctsId);
  if (!wrong) return badInput('correctsId', 'id.unknown', 'This lot has no such record.');
  const isTakenBack = kind === 'taken-back' && CAN_BE_TAKEN_BACK.includes(wrong.content.kind);
  if (wrong.content.kind !== kind && !isTakenBack) {
    return badInput('content/kind', 'kind.other', 'A record is corrected by one of its own kind.');
  }
  const later = records.find((each) => each.correctsId === correctsId);
  return later ? fail({ kind: 'stale', current: later, sent: { correctsId } }) : null;
}

/** Keeps a shift's word to the next one. */
export async function addHandover(
  scope: Scope,
  { at, ...start }: HandoverStart,
  { personId, now }: Writing,
): Promise<Result<Handover>> {
  const seen = seenAt(at, now);
  if (!seen.ok) return seen;
  const handover = {
    id: uuid(),
    at: seen.value.toISOString(),
    receivedAt: now.toISOString(),
    personId,
    ...start,
    read: null,
  };
  await insertHandover(scope, handover);
  return ok(handover);
}

/** Puts on record that somebody has read a handover; the first one counts. */
export async function readHandover(
  scope: Scope,
  id: string,
  { personId, now }: Writing,
): Promise<Result<Handover>> {
  await writeHandoverRead(scope, id, now, personId);
  const handover = await findHandover(scope, id);
  return handover ? ok(handover) : fail({ kind: 'not-found', what: 'handover' });
}

/** Deletes somebody's own handover; once it is read, it is on record. */
export async function withdrawHandover(
  scope: Scope,
  id: string,
  personId: string | null,
): Promise<Result<Handover>> {
  const handover = await findHandover(scope, id);
  if (!handover) return fail({ kind: 'not-found', what: 'handover' });
  const isGone = personId !== null && (await deleteUnreadHandover(scope, id, personId));
  return isGone ? ok(handover) : fail({ kind: 'in-use', what: 'handover' });
}

/** What was seen and measured of the lots of some days, from a local date. */
export const recordsBetween = (scope: Scope, from: string, days: number): Promise<LotRecord[]> =>
  readRecords(scope, from, addDays(from, days));

/** What was seen and measured of a lot. */
export const recordsOfLot = (scope: Scope, lotId: string): Promise<LotRecord[]> =>
  readLotRecords(scope, lotId);

/** The last handovers, newest first. */
export const latestHandovers = (scope: Scope): Promise<Handover[]> => readHandovers(scope);
